import { combined, patched, mutualInformation } from '@dewpoint/core/diagnosis'
import { priorOf } from '@dewpoint/core/diagnosis/belief'
import { healthyDraws, severities } from '@dewpoint/core/diagnosis/signatures'
import { describe, expect, it } from 'vitest'
import { stockCatalogues } from '../../index.ts'
import fc from 'fast-check'

const { system, faults, prior } = stockCatalogues['premix-combi']!
const catalogue = stockCatalogues['premix-combi']!
const index = (id: string) => faults.findIndex((one) => one.id === id)

describe('healthy appliances', () => {
  it('differ within their spread, the first is nominal, and every one lies in its range', () => {
    const draws = healthyDraws(system, 40, 3)
    for (const { id, parameters } of system.components) {
      for (const [name, { value, spread = 0, elsewhere, min = -Infinity, max = Infinity }] of Object.entries(parameters)) {
        const all = draws.map((one) => one[`${id}.${name}`]!)
        expect(all[0]).toBe(value)
        // a function switched off, a version without it: a quarter have it otherwise
        if (elsewhere !== undefined) {
          expect(all.filter((one) => one === elsewhere).length).toBe(10)
          expect(all.filter((one) => one === value).length).toBe(30)
          continue
        }
        for (const one of all) {
          expect(one).toBeGreaterThanOrEqual(Math.max(min, value - 2.2 * spread) - 1e-9)
          expect(one).toBeLessThanOrEqual(Math.min(max, value + 2.2 * spread) + 1e-9)
        }
      }
    }
  })

  it('are the same for the same seed and others for another', () => {
    expect(healthyDraws(system, 8, 1)).toEqual(healthyDraws(system, 8, 1))
    expect(healthyDraws(system, 8, 1)[3]).not.toEqual(healthyDraws(system, 8, 2)[3])
  })
})

describe('severity', () => {
  it('is spread evenly over all draws and over the first half of them', () => {
    for (const fault of faults.slice(0, 30)) {
      const all = severities(fault, 8)
      expect([...all].sort((a, b) => a - b)).toEqual([0, 1, 2, 3, 4, 5, 6, 7].map((place) => (place + 0.5) / 8))
      const blocks = all.slice(0, 4).map((one) => Math.floor(one * 4))
      expect([...blocks].sort()).toEqual([0, 1, 2, 3])
    }
  })

  it('runs from mild to severe, by the logarithm over a wide range', () => {
    const patch = { narrow: [1, 2], wide: [0.001, 0.1], fixed: 7, negative: [-1, 1] } as const
    expect(patched({ patch }, 0)).toEqual({ narrow: 1, wide: 0.001, fixed: 7, negative: -1 })
    expect(patched({ patch }, 0.5).narrow).toBeCloseTo(1.5, 9)
    expect(patched({ patch }, 0.5).wide).toBeCloseTo(0.01, 9)
    expect(patched({ patch }, 1).wide).toBeCloseTo(0.1, 9)
  })

  it('of two faults on one parameter the one farther from healthy wins', () => {
    expect(combined({ a: 1, b: 1 }, [{ a: 0.5 }, { a: 0.2, b: 3 }])).toEqual({ a: 0.2, b: 3 })
    expect(() => combined({ a: 1 }, [{ c: 2 }])).toThrow('does not have')
  })
})

describe('odds before any reading', () => {
  const sets = [[], ...faults.map((_one, at) => [at]), ...faults.flatMap((_one, a) => faults.slice(a + 1).map((_other, more) => [a, a + 1 + more]))]
  const { probabilities, unexamined } = priorOf(catalogue, sets)
  const of = (...ids: string[]) => {
    const wanted = ids.map(index).sort((a, b) => a - b)
    return probabilities[sets.findIndex((set) => set.length === wanted.length && set.every((one, at) => one === wanted[at]))]!
  }

  it('sum to one, hold no zero, and own up to what is not looked at', () => {
    expect(probabilities.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 9)
    expect(Math.min(...probabilities)).toBeGreaterThan(0)
    expect(unexamined).toBeGreaterThan(0)
    expect(unexamined).toBeLessThan(0.2)
  })

  it('damage makes a pair readier than chance: the leak and the motor it wets', () => {
    const chance = (of('diverter.spindleLeaking') * of('diverterMotor.wet')) / of('fan.seized')
    expect(of('diverter.spindleLeaking', 'diverterMotor.wet')).toBeGreaterThan(3 * of('diverter.spindleLeaking', 'fan.seized') * (chance > 0 ? 1 : 0))
  })

  it('a shared background makes a pair readier: dirty water', () => {
    const ratio = (a: string, b: string) => of(a, b) / (of(a) * of(b))
    expect(ratio('plate.heatingSideBlocked', 'blockFilter.clogged')).toBeGreaterThan(2 * ratio('plate.heatingSideBlocked', 'fan.seized'))
  })

  it('two modes of one part that set the same thing hardly stand together', () => {
    expect(of('flowThermistor.open', 'flowThermistor.readsHigh')).toBeLessThan(1e-6 * of('flowThermistor.open', 'fan.seized'))
  })

  it('age moves them by its bands', () => {
    const young = priorOf(catalogue, sets, { age: 2 }).probabilities
    const old = priorOf(catalogue, sets, { age: 15 }).probabilities
    const row = 1 + index('vessel.lostCharge')
    expect(old[row]! / young[row]!).toBeGreaterThan(1.5)
  })

  it('a workaround stands readier beside what it hides', () => {
    const cylinder = stockCatalogues['system-boiler']!
    const at = (id: string) => cylinder.faults.findIndex((one) => one.id === id)
    const pairs = [
      [at('hotWaterValve.motorDead'), at('hotWaterValve.heldOpen')].sort((a, b) => a - b),
      [at('hotWaterValve.heldOpen'), at('pump.worn')].sort((a, b) => a - b),
    ]
    const { probabilities: own } = priorOf(cylinder, pairs)
    expect(own[0]! / own[1]!).toBeGreaterThan(10)
  })

  it('“nothing wrong”, “no demand” and an unlisted cause always stand', () => {
    const total = probabilities.reduce((sum, one) => sum + one, 0)
    expect(probabilities[0]! / total).toBeGreaterThan(0.005)
    expect(probabilities.at(-2)! / probabilities[0]!).toBeCloseTo(prior.noDemand / prior.nothingWrong, 6)
    expect(probabilities.at(-1)! / probabilities[0]!).toBeCloseTo(prior.unlisted / prior.nothingWrong, 6)
  })
})

describe('mutual information (Shannon 1948)', () => {
  it('is one bit for two equally likely groups a result tells apart, none where results are alike', () => {
    expect(mutualInformation(Float64Array.of(1, 0, 0, 1), 2)).toBeCloseTo(1, 9)
    expect(mutualInformation(Float64Array.of(1, 1, 1, 1), 2)).toBeCloseTo(0, 9)
    expect(mutualInformation(Float64Array.of(0, 0), 2)).toBe(0)
  })

  it('is never negative, never more than either side can hold, and does not care for scale', () => {
    const cell = fc.double({ min: 0, max: 1, noNaN: true })
    fc.assert(
      fc.property(fc.array(cell, { minLength: 6, maxLength: 6 }), fc.double({ min: 0.1, max: 50, noNaN: true }), (cells, scale) => {
        const bits = mutualInformation(Float64Array.from(cells), 3)
        expect(bits).toBeGreaterThanOrEqual(0)
        expect(bits).toBeLessThanOrEqual(1 + 1e-9)
        fc.pre(cells.reduce((sum, one) => sum + one, 0) > 0.05)
        expect(
          mutualInformation(
            Float64Array.from(cells, (one) => one * scale),
            3,
          ),
        ).toBeCloseTo(bits, 6)
      }),
    )
  })
})
