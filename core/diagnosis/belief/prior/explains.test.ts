import { describe, expect, it } from 'vitest'
import { scriptedJournal } from '../../../casebook/index.ts'
import { allRules } from '../../catalogue/index.ts'
import { readJournal } from '../../evidence/index.ts'
import { outcomeOf, smallCatalogue, smallCheck, smallFault, smallSignatures } from '../../tests/testCatalogue.ts'
import { complaintWeights, explaining } from './explains.ts'
import { folded } from '../folding.ts'
import { believe } from '../posterior.ts'

/** A boiler that gets cold by its fan, whines with it, leaks by its seal, and has a gauge nobody rings about. */
const catalogue = smallCatalogue({
  faults: [
    smallFault('fan', { cues: { whine: 0.6 } }),
    smallFault('seal', { damages: { board: 0.3 } }),
    smallFault('gauge'),
    smallFault('board', { per1000: 2 }),
  ],
  checks: [
    smallCheck('askHeating', outcomeOf(['none', 'weak', 'fine'], 0.05), { kind: 'ask' }),
    smallCheck('whine', { kind: 'cue', without: 0.05 }, { kind: 'ask' }),
    smallCheck('creaks', { kind: 'cue', without: 0.4 }, { kind: 'ask' }),
    smallCheck('fanTurns', outcomeOf(['no', 'yes'], 0.02)),
  ],
  complaints: [
    { id: 'cold', label: 'Cold', evidence: [{ check: 'askHeating', outcome: 'none' }] },
    { id: 'whined', label: 'Whined', evidence: [{ check: 'whine', outcome: 'yes' }] },
    { id: 'creaked', label: 'Creaked', evidence: [{ check: 'creaks', outcome: 'yes' }] },
  ],
})
// nothing, fan, seal, gauge, board, no demand
const signatures = smallSignatures(catalogue, { askHeating: [2, 0, 1, 2, 0, 0], fanTurns: [1, 0, 1, 1, 0, 0] })
const [fan, seal, gauge, board] = [0, 1, 2, 3]
const { complain, answer, entry } = scriptedJournal()
const read = (...entries: Parameters<typeof readJournal>[1]) => readJournal(catalogue, entries)
const rowOf = (...set: number[]) => signatures.rowOf.get(set.join(','))!

describe('what a complaint may be put down to', () => {
  const of = (...complaints: string[]) => explaining(catalogue, signatures, read(...complaints.map(complain)))

  it('is what moves its answer, if only to a milder one: a boiler that heats weakly may be behind “cold”', () => {
    const explains = of('cold')!
    expect([fan, seal, gauge, board].map((fault) => explains([fault]))).toEqual([[0], [0], [], [0]])
  })

  it('is a sign’s cause where it shows often enough beside how often it shows without', () => {
    expect([fan, seal, gauge].map((fault) => of('whined')!([fault]))).toEqual([[0], [], []])
  })

  it('of several complaints each is put down to its own, by any of a set', () => {
    expect(of('cold', 'whined')!([fan, gauge])).toEqual([0, 1])
    expect(of('whined', 'cold')!([seal, gauge])).toEqual([1])
  })

  it('is nothing at all where no fault of the catalogue brings it about, or nothing was complained of', () => {
    expect(of('creaked')).toBeNull()
    expect(of()).toBeNull()
    expect([...complaintWeights(catalogue, signatures, read(complain('creaked')))]).toEqual(new Array(signatures.sets.length + 2).fill(1))
  })

  it('a set that explains none keeps a thirtieth, whatever it is; a pair stands by either of its two; the standing alternatives stand', () => {
    const weights = complaintWeights(catalogue, signatures, read(complain('cold')))
    expect(weights[rowOf(gauge)]).toBeCloseTo(1 / 30, 12)
    expect([rowOf(fan), rowOf(fan, gauge), rowOf(gauge, board), 0, signatures.sets.length, signatures.sets.length + 1].map((row) => weights[row])).toEqual([
      1, 1, 1, 1, 1, 1,
    ])
  })
})

describe('what is left out of what is shown', () => {
  const entries = [complain('cold'), answer('fanTurns', 'no')]
  const looked = (...more: typeof entries) => {
    const journal = read(...entries, ...more)
    const belief = believe(catalogue, signatures, journal)
    return { belief, shown: folded(catalogue, signatures, journal, belief) }
  }

  it('is a second fault nothing speaks for: its share goes to the rest, and none is lost', () => {
    const { belief, shown } = looked()
    expect(shown.posterior[rowOf(fan, gauge)]).toBe(0)
    expect(shown.posterior[rowOf(fan)]).toBeGreaterThan(belief.posterior[rowOf(fan)]!)
    expect(shown.posterior.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 12)
  })

  it('is not what was seen, nor what the other damages', () => {
    const { belief, shown } = looked(entry('finding', { what: 'Gauge fogged', fault: 'gauge' }))
    expect(shown.posterior[rowOf(fan, gauge)]).toBeGreaterThanOrEqual(belief.posterior[rowOf(fan, gauge)]!)
    const before = looked()
    expect(before.shown.posterior[rowOf(seal, board)]).toBeGreaterThanOrEqual(before.belief.posterior[rowOf(seal, board)]!)
  })

  it('is nothing once something has been repaired: from then on it is about what may still stand', () => {
    const some = smallCatalogue({ ...catalogue, remedies: [{ ...catalogue.remedies[0]!, id: 'mend fan', mends: ['fan'], works: 0.9 }] })
    const journal = readJournal(some, [...entries, entry('repair', { remedy: 'mend fan' })])
    const belief = believe(some, signatures, journal)
    expect(folded(some, signatures, journal, belief)).toBe(belief)
  })

  it('each rule can be left out to measure it: without the complaint the gauge stands thirty times as high', () => {
    const odds = (rules = allRules) => {
      const { posterior } = believe(catalogue, signatures, read(...entries), undefined, rules)
      return posterior[rowOf(gauge)]! / posterior[rowOf(fan)]!
    }
    expect(odds({ ...allRules, complaint: false }) / odds()).toBeCloseTo(30, 6)
  })
})
