import { describe, expect, it } from 'vitest'
import { scriptedJournal, writtenAt, type Entry } from '../../casebook/index.ts'
import { weighJournal } from '../belief/index.ts'
import { usualCosts, type CheckOrder, type Costs } from '../catalogue/index.ts'
import { readJournal } from '../evidence/index.ts'
import { outcomeOf, smallCatalogue, smallCheck, smallFault, smallRemedy, smallSignatures } from '../tests/testCatalogue.ts'
import { accessLeft, rankChecks } from './nextCheck.ts'
import { wrongActs } from './costs.ts'

/** A boiler of three stages that fan, spark and valve can stop; sensible checks, one that tells nothing, one behind the case. */
const stage = (id: string) => ({ id, label: id, sign: '', action: {}, proof: [], onFail: { then: 'stay' as const }, shows: 'rest' })
const yesNo = outcomeOf(['no', 'yes'], 0.02)
const catalogue = smallCatalogue({
  faults: [smallFault('fan'), smallFault('spark'), smallFault('valve'), smallFault('sparkLead', { remedies: ['mend spark'] })],
  remedies: [
    smallRemedy('mend fan', ['fan'], 40, 200),
    smallRemedy('mend spark', ['spark', 'sparkLead'], 15, 10),
    smallRemedy('mend valve', ['valve'], 30, 150),
  ],
  checks: [
    smallCheck('turns', yesNo, { concerns: { demand: 'heating', stage: 'purges' }, minutes: 2 }),
    smallCheck('sparks', yesNo, { concerns: { demand: 'heating', stage: 'lights' }, minutes: 2 }),
    smallCheck('burns', yesNo, { concerns: { demand: 'heating', stage: 'burns' }, minutes: 2 }),
    smallCheck('everything', outcomeOf(['fan', 'spark', 'valve', 'none'], 0.02), { minutes: 45, access: 'caseOff' }),
    smallCheck('colour', yesNo, { minutes: 1 }),
    smallCheck('whichSpark', yesNo, { minutes: 1 }),
  ],
})
catalogue.system = { ...catalogue.system, sequence: { heating: ['purges', 'lights', 'burns'].map(stage) } }
// causes nobody has a name for are rare here: they alone would make any check worth making
catalogue.prior = { ...catalogue.prior, unlisted: 0.1, noDemand: 1 }
// nothing, fan, spark, valve, lead, no demand
const signatures = smallSignatures(catalogue, {
  turns: [1, 0, 1, 1, 1, 0],
  sparks: [1, 0, 0, 1, 0, 0],
  burns: [1, 0, 0, 0, 0, 0],
  everything: [3, 0, 1, 2, 1, 3],
  colour: [1, 1, 1, 1, 1, 1],
  whichSpark: [0, 0, 1, 0, 0, 0],
})
const { answer, entry, repair } = scriptedJournal()
const ranked = (order: CheckOrder, entries: Entry[] = [], excluded: string[] = [], costs: Costs = usualCosts) => {
  const { journal, signatures: known, belief } = weighJournal(catalogue, signatures, entries)
  return rankChecks(catalogue, known, belief, journal, order, new Set(excluded), costs)
}
const ids = (...of: Parameters<typeof ranked>) => ranked(...of).checks.map((one) => one.check.id)

describe('which check comes next', () => {
  it('one that reads the same under everything is never offered', () => {
    for (const order of ['telling', 'forward', 'backward'] as const) expect(ids(order)).not.toContain('colour')
  })

  it('what calls for the same remedy is one thing to be told apart from the rest: the spark and its lead', () => {
    const { groups } = ranked('telling')
    const spark = groups.filter((one) => one.remedies.join() === 'mend spark')
    const fan = groups.filter((one) => one.remedies.join() === 'mend fan')
    expect([spark.length, fan.length]).toEqual([1, 1])
    expect(spark[0]!.mass).toBeGreaterThan(1.9 * fan[0]!.mass)
  })

  it('a quick one before a long one that tells more', () => {
    const { checks } = ranked('telling')
    const of = (id: string) => checks.findIndex((one) => one.check.id === id)
    expect(checks[of('everything')]!.bits).toBeGreaterThan(checks[of('sparks')]!.bits)
    expect(of('sparks')).toBeLessThan(of('everything'))
  })

  it('forwards and backwards walk along the sequence', () => {
    const along = (order: CheckOrder) => ids(order).filter((id) => ['turns', 'sparks', 'burns'].includes(id))
    expect(along('forward')).toEqual(['turns', 'sparks', 'burns'])
    expect(along('backward')).toEqual(['burns', 'sparks', 'turns'])
  })

  it('what cannot be done is left out', () => expect(ids('telling', [], ['sparks', 'turns'])).not.toEqual(expect.arrayContaining(['sparks'])))

  it('its cost is what going on that way comes to; the best of it is what going on costs', () => {
    const { checks, going } = ranked('telling')
    const costs = checks.flatMap((one) => one.cost ?? [])
    expect(costs).toEqual([...costs].sort((a, b) => a - b))
    expect(going).toBe(costs[0])
  })
})

describe('acting or going on', () => {
  const fan = () => [answer('turns', 'no'), answer('sparks', 'no'), answer('everything', 'fan')]

  it('nobody acts on nothing; a fault that stands alone is acted on', () => {
    const open = ranked('telling')
    expect(open.acting).toBeGreaterThan(open.going)
    const sure = ranked('telling', fan())
    expect(sure.act?.remedies).toEqual(['mend fan'])
    expect(sure.acting).toBeLessThan(sure.going)
  })

  it('the dearer a good part replaced, the surer before it is changed', () => {
    const some = [answer('turns', 'no')]
    const excess = (wrongPart: number) => {
      const { acting, going } = ranked('telling', some, [], { ...usualCosts, wrongPart })
      return acting - Math.min(acting, going)
    }
    expect(excess(5000)).toBeGreaterThan(excess(0))
    const groups = [
      { kind: 'faults' as const, remedies: ['mend fan'] },
      { kind: 'noDemand' as const, remedies: [] },
    ]
    const [dear, cheap] = [500, 0].map((wrongPart) => wrongActs(catalogue, groups, { ...usualCosts, wrongPart }))
    // what needs no part costs no trust
    expect([dear![0]! - cheap![0]!, dear![1]! - cheap![1]!]).toEqual([500, 0])
  })

  it('what was done in vain twice is no way to act again: somebody else must come', () => {
    const groups = [{ kind: 'faults' as const, remedies: ['mend spark'] }]
    const cost = (...entries: Entry[]) => wrongActs(catalogue, groups, usualCosts, readJournal(catalogue, entries))[0]
    // twelve minutes of proving and fifteen of work at one money a minute, the part, and what a good part replaced costs
    expect(cost()).toBe(12 + 15 + 10 + 300)
    expect(cost(repair('mend spark'))).toBe(12 + 15 + 10 + 300)
    expect(cost(repair('mend spark'), repair('mend spark'))).toBe(150 + 60)
  })

  it('leaving costs another day, and after a repair a run to find out that nothing is left', () => {
    const groups = [{ kind: 'nothingWrong' as const, remedies: [] }]
    const cost = (...entries: Entry[]) => wrongActs(catalogue, groups, usualCosts, readJournal(catalogue, entries))[0]
    expect([cost(), cost(repair('mend fan'))]).toEqual([210, 12])
  })
})

describe('getting at it', () => {
  it('is paid once a visit', () => {
    const open = answer('everything', 'none')
    expect(accessLeft(readJournal(catalogue, []), 'caseOff')).toBe(5)
    expect(accessLeft(readJournal(catalogue, [open]), 'caseOff')).toBe(0)
    const nextDay = writtenAt(answer('turns', 'yes'), '2026-03-04T09:00:00.000Z')
    expect(accessLeft(readJournal(catalogue, [open, nextDay]), 'caseOff')).toBe(5)
    expect([accessLeft(readJournal(catalogue, []), 'none'), accessLeft(readJournal(catalogue, [open]), 'drained')]).toEqual([0, 20])
  })

  it('counts in a check’s minutes until it is paid', () => {
    const minutes = (entries: Entry[]) => ranked('telling', entries).checks.find((one) => one.check.id === 'everything')?.minutes
    expect(minutes([])).toBe(50)
    expect(minutes([entry('finding', { what: 'nothing of note' })])).toBe(50)
  })
})
