import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { allRules } from '../../catalogue/index.ts'
import { assembleSignatures, drawCount, noExceptions } from '../../signatures/index.ts'
import { numberOf, smallCatalogue, smallCheck, smallFault } from '../../tests/testCatalogue.ts'
import { evidenceLikelihood } from './likelihood.ts'

/** A temperature that sound appliances read at 60 °C; what a fault, and a rival of it, make of it in each of eight plants. */
function world(own: number[], rival = new Array<number>(drawCount).fill(60), direct = false) {
  const check = smallCheck('flow', numberOf(), direct ? { direct } : {})
  const catalogue = smallCatalogue({ faults: [smallFault('own'), smallFault('rival')], checks: [check] })
  const sound = new Array<number>(drawCount).fill(60)
  const signatures = assembleSignatures(catalogue, Float32Array.from([...sound, ...own, ...rival, ...sound]), noExceptions)
  /** likelihood of a reading under nothing wrong, the fault, the rival, and an unlisted cause */
  const at = (value: number, rules = allRules, doubt = 0) => {
    const evidence = { check, entries: [], outcomes: [], values: [value], doubt, epoch: 0, visit: '', told: false }
    const table = evidenceLikelihood(catalogue, signatures, evidence, rules)
    const mean = (row: number) => {
      let sum = 0
      for (let plant = signatures.first[row]!; plant < signatures.first[row + 1]!; plant++) sum += Math.exp(table[plant]!)
      return sum / (signatures.first[row + 1]! - signatures.first[row]!)
    }
    return { sound: mean(0), own: mean(1), rival: mean(2), pair: mean(3), unlisted: mean(signatures.sets.length + 1) }
  }
  return at
}
const graded = [50, 46, 42, 38, 34, 30, 26, 22]
const without = { ...allRules, plateau: false }

describe('a reading worse than was simulated', () => {
  it('convicts no less than the worst that was; without the rule it soon says nothing', () => {
    const at = world(graded)
    const odds = (value: number, rules = allRules) => at(value, rules).own / at(value, rules).sound
    expect(odds(5)).toBeGreaterThanOrEqual(0.9 * odds(22))
    expect(odds(5, without)).toBeLessThan(odds(22, without) / 2)
  })

  it('never convicts less than a milder one, whatever the severities and which way they go', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 8, max: 45, noNaN: true }), { minLength: drawCount, maxLength: drawCount }), fc.boolean(), (off, up) => {
        // nothing near the end of the scale, where what lies beyond is not told apart
        const at = world(off.map((one) => (up ? 60 + one * 0.6 : 60 - one)))
        let most = 0
        for (let step = 1; step <= 20; step++) {
          const { own, sound } = at(up ? 60 + step * 1.9 : 60 - step * 2.8)
          if (most > 2) expect(own / sound).toBeGreaterThanOrEqual(most * 0.8)
          most = Math.max(most, own / sound)
        }
      }),
      { numRuns: 60 },
    )
  })

  it('does not fall to an unlisted cause', () => {
    const { own, unlisted } = world(graded)(8)
    expect(own).toBeGreaterThan(unlisted)
  })

  it('is left to a rival that predicts that very reading', () => {
    const at = world(graded, new Array<number>(drawCount).fill(8))
    expect(at(8).rival / at(8).own).toBeGreaterThan(4)
    // and short of it the rival has nothing of it
    expect(at(24).own / at(24).rival).toBeGreaterThan(4)
  })

  it('a milder one than was simulated is a milder form, the less so the nearer to healthy', () => {
    const at = world([30, 30, 28, 28, 26, 26, 24, 24])
    const odds = (value: number) => at(value).own / at(value).sound
    expect(odds(42)).toBeGreaterThan(3)
    expect(odds(58)).toBeLessThan(1)
    expect(at(46, without).own / at(46, without).sound).toBeLessThan(odds(46))
  })

  it('what is broken or not has no milder form: it is left to a fault that has', () => {
    const at = world([22, 22, 22, 22, 22, 22, 22, 22])
    expect(at(42)).toEqual(at(42, without))
  })

  it('a pair that reads as the fault alone does is judged as that', () => {
    const at = world(graded)
    expect(at(5).pair / at(5).sound).toBeGreaterThan(at(5, without).pair / at(5, without).sound)
  })

  it('a fault that moves it either way is left alone', () => {
    const at = world([30, 90, 30, 90, 30, 90, 30, 90])
    for (const value of [10, 45, 60, 75]) expect(at(value)).toEqual(at(value, without))
  })

  it('what is doubted convicts less; short of direct sight no more than fifty times', () => {
    const at = world(graded)
    for (const value of [5, 22, 34]) {
      expect(at(value, allRules, 0.35).own / at(value, allRules, 0.35).sound).toBeLessThan(at(value).own / at(value).sound)
      expect(at(value).own / at(value).sound).toBeLessThanOrEqual(50 + 1e-9)
    }
    const seen = world(graded, undefined, true)
    expect(seen(22).own / seen(22).sound).toBeGreaterThan(50)
  })
})
