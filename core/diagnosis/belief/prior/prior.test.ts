import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { smallCatalogue, smallFault } from '../../tests/testCatalogue.ts'
import type { FaultSet } from '../../signatures/index.ts'
import { faultOdds } from './odds.ts'
import { priorOf } from './prior.ts'

/** Nothing, every single fault, every pair. */
function faultSets({ faults }: { faults: readonly unknown[] }): FaultSet[] {
  const all = faults.map((_fault, at) => at)
  return [[], ...all.map((a) => [a]), ...all.flatMap((a) => all.slice(a + 1).map((b) => [a, b]))]
}

const banded = smallFault('old', { per1000: { to5: 1, to12: 4, over12: 10 }, background: ['dirtyWater'] })
const catalogue = smallCatalogue({
  faults: [
    banded,
    smallFault('leak', { per1000: 10, damages: { wet: 0.4 }, background: ['dirtyWater'] }),
    smallFault('wet', { per1000: 2 }),
    smallFault('far', { per1000: 10 }),
    smallFault('stuck', { part: 'valve', per1000: 10, patch: { 'valve.at': 1 } }),
    smallFault('loose', { part: 'valve', per1000: 10, patch: { 'valve.at': 0 } }),
    smallFault('bypassed', { per1000: 1, hides: { far: 0.2 } }),
  ],
})
catalogue.prior = { ...catalogue.prior, sharedBackground: 2.5 }
const sets = faultSets(catalogue)
const { probabilities } = priorOf(catalogue, sets)
const index = (id: string) => catalogue.faults.findIndex((one) => one.id === id)
const of = (...ids: string[]) => {
  const wanted = ids.map(index).sort((a, b) => a - b)
  return probabilities[sets.findIndex((set) => set.join() === wanted.join())]!
}

describe('odds before any reading', () => {
  it('go by the age of the appliance where it is known, else by the mean', () => {
    const old = (age?: number) => faultOdds(catalogue, { age })[0]
    expect([old(3), old(5), old(6), old(12), old(13), old()]).toEqual([1, 1, 4, 4, 10, 5])
  })

  it('move with the firm’s proved cases as counts move the mean of a Dirichlet distribution: (4 + 12) of (400 + 100)', () => {
    const odds = faultOdds(catalogue, { experience: { cases: 100, proven: { far: 12 } } })
    expect(odds[index('far')]).toBeCloseTo(32, 12)
    // what was never found in a hundred cases is a fifth less likely
    expect(odds[index('leak')]).toBeCloseTo(8, 12)
    expect(faultOdds(catalogue, { experience: { cases: 0, proven: {} } })).toEqual(faultOdds(catalogue))
  })

  it('what is known of the place makes its own faults three times likelier; work on a part, that part’s', () => {
    expect(faultOdds(catalogue, { known: new Set(['dirtyWater']) })[index('leak')]).toBe(30)
    expect(faultOdds(catalogue, { known: new Set(['hardWater']) })[index('leak')]).toBe(10)
    expect(faultOdds(catalogue, { recentWork: new Map([['valve', 4]]) })[index('stuck')]).toBe(40)
  })
})

describe('the prior of every row', () => {
  it('sums to one, and nothing is impossible', () => {
    expect(probabilities.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 12)
    expect(Math.min(...probabilities)).toBeGreaterThan(0)
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0.01, max: 200, noNaN: true }), { minLength: 2, maxLength: 8 }), (odds) => {
        const some = smallCatalogue({ faults: odds.map((per1000, at) => smallFault(`f${at}`, { per1000 })) })
        const own = priorOf(some, faultSets(some))
        expect(own.probabilities.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 9)
        expect(own.unexamined).toBeGreaterThanOrEqual(0)
        expect(own.unexamined).toBeLessThan(1)
      }),
    )
  })

  it('two unrelated faults together are rarer than pure chance', () => {
    expect(of('far', 'stuck') / of('far')).toBeCloseTo(0.4 * 0.01, 9)
  })

  it('a shared background makes two likelier together, damage much more, a workaround too', () => {
    expect(of('old', 'leak') / of('leak')).toBeCloseTo(0.4 * 2.5 * 0.005, 9)
    // a leak wets the motor four times in ten
    expect(of('leak', 'wet') / of('leak')).toBeCloseTo(0.4 * 0.002 + 0.4, 9)
    expect(of('far', 'bypassed') / of('far')).toBeCloseTo(0.4 * 0.001 + 0.2, 9)
  })

  it('two states of one thing cannot stand at once', () => expect(of('stuck', 'loose')).toBeLessThan(1e-9))

  it('a larger set is reached by its likeliest way', () => {
    const three = [...sets, [index('leak'), index('wet'), index('far')].sort((a, b) => a - b)]
    const grown = priorOf(catalogue, three).probabilities
    const pair = grown[three.findIndex((set) => set.join() === [index('leak'), index('wet')].join())]!
    const triple = grown[three.length - 1]!
    // by way of leak and far, which the damage then joins: as likely as by way of the pair and chance
    expect(triple / pair).toBeLessThan(0.4 * 0.01 * 1.05)
    expect(triple / pair).toBeGreaterThan(0.4 * 0.01 * 0.9)
  })

  it('sets that have no row are told as not examined', () => {
    const singles = sets.filter((set) => set.length < 2)
    expect(priorOf(catalogue, singles).unexamined).toBeGreaterThan(priorOf(catalogue, sets).unexamined)
  })
})
