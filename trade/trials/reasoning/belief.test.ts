import { type Entry, scriptedJournal } from '@dewpoint/core/casebook'
import { believe, readJournal, type Belief, type Check } from '@dewpoint/core/diagnosis'
import { describe, expect, it } from 'vitest'
import { premixCombiCatalogue as catalogue } from '../../index.ts'
import { loadSignatures } from '../../shipped.ts'
import fc from 'fast-check'

const signatures = loadSignatures(catalogue)
const beliefIn = (entries: Entry[]) => believe(catalogue, signatures, readJournal(catalogue, entries))

/** Any reading of any check that can be true. */
const anyReading = fc
  .constantFrom(...catalogue.checks)
  .chain((check) =>
    (check.result.kind === 'number'
      ? fc.record({ value: fc.double({ min: check.result.range[0], max: check.result.range[1], noNaN: true }) })
      : fc.record({ outcome: fc.constantFrom(...(check.result.kind === 'cue' ? ['yes', 'no'] : check.result.outcomes.map((one) => one.id))) })
    ).map((result) => ({ check, ...result })),
  )
type Said = { check: Check; value?: number; outcome?: string }

function written(all: Said[]): Entry[] {
  const { entry } = scriptedJournal()
  return all.map(({ check, value, outcome }) =>
    entry('reading', {
      check: check.id,
      ...(outcome === undefined ? { value, unit: check.result.kind === 'number' ? check.result.unit : '' } : { outcome }),
      situation: { demand: check.situation.demand, drained: true, temperature: { value: 60, unit: '°C' } },
    }),
  )
}
const distinct = (least: number, most: number) => fc.uniqueArray(anyReading, { minLength: least, maxLength: most, selector: (one) => one.check.id })
const runs = { numRuns: 40 }

describe('laws of the belief', () => {
  it('it sums to one and holds no zeros', () => {
    fc.assert(
      fc.property(distinct(0, 10), (all) => {
        const { posterior } = beliefIn(written(all))
        expect(posterior.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 9)
        expect(Math.min(...posterior)).toBeGreaterThan(0)
      }),
      runs,
    )
  })

  it('the order of readings does not matter', () => {
    fc.assert(
      fc.property(distinct(2, 8), (all) => {
        const there = beliefIn(written(all)).posterior
        const back = beliefIn(written([...all].reverse())).posterior
        expect(there.every((one, row) => Math.abs(one - back[row]!) < 1e-9)).toBe(true)
      }),
      runs,
    )
  })

  it('no single reading short of direct sight moves the odds of two suspects by more than fifty', () => {
    fc.assert(
      fc.property(distinct(1, 6), (all) => {
        fc.pre(!all.at(-1)!.check.direct)
        const before = beliefIn(written(all.slice(0, -1)))
        const after = beliefIn(written(all))
        let least = Infinity
        let most = -Infinity
        for (let row = 0; row < after.posterior.length; row++) {
          const moved = Math.log(after.posterior[row]!) - Math.log(before.posterior[row]!)
          least = Math.min(least, moved)
          most = Math.max(most, moved)
        }
        expect(most - least).toBeLessThanOrEqual(Math.log(50) + 1e-6)
      }),
      runs,
    )
  })

  it('a fault no reading so far could have shown keeps its odds', () => {
    const before = beliefIn([])
    const after = beliefIn([scriptedJournal().answer('look.gasCock', 'open')])
    const odds = (belief: Belief, id: string) =>
      belief.posterior[1 + catalogue.faults.findIndex((one) => one.id === id)]! /
      belief.posterior[1 + catalogue.faults.findIndex((one) => one.id === 'mixer.crossover')]!
    for (const id of ['turbine.stuck', 'fan.seized', 'vessel.lostCharge']) expect(odds(after, id) / odds(before, id)).toBeCloseTo(1, 6)
    expect(odds(after, 'gas.cockShut') / odds(before, 'gas.cockShut')).toBeLessThan(0.05)
  })

  it('a complaint is evidence: nothing wrong has to pay for it', () => {
    expect(beliefIn([scriptedJournal().complain('noHotWater')]).posterior[0]!).toBeLessThan(beliefIn([]).posterior[0]! / 5)
  })

  it('a retracted reading leaves no trace', () => {
    const { answer, entry } = scriptedJournal()
    const reading = answer('listen.fanHum', 'yes')
    expect(beliefIn([reading, entry('retract', { entry: reading.id })]).posterior).toEqual(beliefIn([]).posterior)
  })

  it('what somebody is not sure of moves less, and saying it twice moves less than twice', () => {
    const fan = 1 + catalogue.faults.findIndex((one) => one.id === 'fan.seized')
    const { answer } = scriptedJournal()
    const gain = (...entries: Entry[]) => Math.log(beliefIn(entries).posterior[fan]! / beliefIn([]).posterior[fan]!)
    const sure = gain(answer('listen.fanHum', 'yes'))
    expect(gain(answer('listen.fanHum', 'yes', { sureness: 'unsure' }))).toBeLessThan(sure)
    expect(gain(answer('listen.fanHum', 'yes'), answer('listen.fanHum', 'yes'))).toBeLessThan(2 * sure)
  })
})
