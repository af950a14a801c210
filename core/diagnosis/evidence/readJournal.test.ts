import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { scriptedJournal, writtenAt, type Entry } from '../../casebook/index.ts'
import type { Catalogue } from '../catalogue/index.ts'
import { numberOf, outcomeOf, smallCatalogue, smallCheck } from '../tests/testCatalogue.ts'
import { answered, blind, isRepaired } from './journalRead.ts'
import { readJournal } from './readJournal.ts'

const fault = (id: string, part: string): Catalogue['faults'][number] => ({
  id,
  part,
  label: id,
  kind: 'failure',
  patch: {},
  per1000: 1,
  remedies: [`mend ${id}`],
})
const remedy = (id: string, mends: string[]): Catalogue['remedies'][number] => ({
  id,
  label: id,
  mends,
  works: 0.9,
  minutes: 10,
  partsCost: 0,
  parts: [],
  seals: [],
  access: 'none',
  skill: 'anyone',
  steps: [],
  cautions: [],
})
const catalogue = smallCatalogue({
  faults: [fault('pump', 'pump'), fault('valve', 'valve')],
  remedies: [remedy('mend pump', ['pump']), remedy('mend valve', ['valve'])],
  instruments: [
    { id: 'clamp', label: 'clamp thermometer', absolute: 1.5, relative: 0 },
    { id: 'gauge', label: 'appliance gauge', absolute: 0.1, relative: 0, cutOffBy: /gauge/i },
  ],
  checks: [
    smallCheck('flow', numberOf(), { situation: { demand: 'heating' } }),
    smallCheck('back', numberOf(), { situation: { demand: 'heating' }, downstreamOf: { check: 'flow', what: 'radiator' } }),
    smallCheck('bar', numberOf({ unit: 'bar', instrument: 'gauge', range: [0, 4], possible: [-0.5, 6] })),
    smallCheck('seen', outcomeOf(['dry', 'wet'])),
    smallCheck('told', outcomeOf(['no', 'yes']), { kind: 'ask', before: true }),
    smallCheck('topped', { kind: 'cue', without: 0.1 }, { kind: 'ask', answeredBy: 'topUps', before: true }),
    smallCheck('worked', { kind: 'cue', without: 0.1 }, { kind: 'ask', answeredBy: 'recentWork' }),
    smallCheck(
      'code',
      {
        kind: 'outcome',
        outcomes: [
          { id: 'none', label: 'none' },
          { id: 'e12', label: 'E 12 · no flame' },
        ],
        decide: { rules: [], otherwise: 'none' },
        confusion: 0,
      },
      { answeredBy: 'codeReturned' },
    ),
    smallCheck('night', numberOf({ unit: 'bar', range: [-1.5, 2], possible: [-4, 4] }), { answeredBy: 'overnightChange' }),
    smallCheck('inside', numberOf({ unit: 'bar', range: [0, 4], possible: [0, 6] }), { situation: { demand: 'none', drained: true } }),
  ],
  complaints: [{ id: 'cold', label: 'Cold', evidence: [{ check: 'told', outcome: 'yes' }] }],
  facts: [
    { id: 'age', label: 'Age', type: 'number', narrows: 'age' },
    { id: 'volume', label: 'Volume', type: 'number', unit: 'l', narrows: 'system.volume' },
  ],
  actions: [
    { id: 'drained', label: 'Drained', undo: 'Filled again', drains: true },
    { id: 'feedShut', label: 'Feed shut', undo: 'Opened again', bars: { demand: 'heating' } },
    { id: 'spare', label: 'Spare fitted', undo: 'Original part refitted', aside: 'part', names: 'part' },
    { id: 'vented', label: 'Vented', mends: ['pump'], works: 0.8 },
  ],
})
const read = (...entries: Entry[]) => readJournal(catalogue, entries)
const of = (id: string, ...entries: Entry[]) => read(...entries).evidence.filter((one) => one.check.id === id)
const { entry, complain, answer, measure, repair } = scriptedJournal()

describe('doubt belongs to the reading', () => {
  const unsure = () => answer('seen', 'wet', { sureness: 'unsure' })
  const sure = () => answer('seen', 'dry')

  it('a proper reading after a doubtful one lifts the doubt, and the doubtful one counts no more', () => {
    const [first, second] = [unsure(), sure()]
    expect(of('seen', first)[0]).toMatchObject({ outcomes: [1], doubt: 0.35, entries: [first.id] })
    expect(of('seen', first, second)[0]).toMatchObject({ outcomes: [0], doubt: 0, entries: [second.id] })
    expect(read(first, second).doubted).toEqual([{ entry: first.id, why: 'taken again with less doubt: that one counts' }])
  })

  it('a doubtful reading after a proper one takes nothing from it', () => {
    const [first, second] = [sure(), unsure()]
    expect(of('seen', first, second)[0]).toMatchObject({ outcomes: [0], doubt: 0, entries: [first.id] })
    expect(read(first, second).doubted.map((one) => one.entry)).toEqual([second.id])
  })

  it('of two as doubtful both count', () => {
    expect(of('seen', unsure(), unsure())[0]).toMatchObject({ outcomes: [1, 1], doubt: 0.35 })
  })

  it('one made out of its situation is doubted with why, and a proper one beside it counts instead', () => {
    const wrong = measure('inside', 1.2, 'bar')
    expect(read(wrong).doubted).toEqual([{ entry: wrong.id, why: 'the water side was not drained' }])
    const right = measure('inside', 0.8, 'bar', { drained: true })
    expect(of('inside', wrong, right)[0]).toMatchObject({ values: [0.8], doubt: 0 })
    expect(read(wrong, right).doubted).toEqual([{ entry: wrong.id, why: 'the water side was not drained; taken again as it should be' }])
  })

  it('whatever the order, what counts is what was doubted least', () => {
    const doubts = { sure: 0, unsure: 0.35, doubtful: 0.6 }
    fc.assert(
      fc.property(fc.array(fc.constantFrom('sure' as const, 'unsure' as const, 'doubtful' as const), { minLength: 1, maxLength: 6 }), (how) => {
        const entries = how.map((sureness) => entry('reading', { check: 'flow', value: 50, unit: '°C', situation: { demand: 'heating' }, sureness }))
        const [group, ...others] = of('flow', ...entries)
        const least = Math.min(...how.map((one) => doubts[one]))
        expect(others).toEqual([])
        expect(group!.doubt).toBe(least)
        expect(group!.values).toHaveLength(how.filter((one) => doubts[one] === least).length)
        // every reading either counts or is said not to
        expect(new Set([...group!.entries, ...read(...entries).doubted.map((one) => one.entry)]).size).toBe(how.length)
      }),
    )
  })
})

describe('what cannot be', () => {
  it('gives nothing back hotter than it took it: the later of the two is refused', () => {
    const journal = [measure('flow', 60, '°C', { demand: 'heating' }), measure('back', 70, '°C', { demand: 'heating' })]
    expect(read(...journal).refused).toEqual([
      { entry: journal[1]!.id, check: 'back', why: expect.stringContaining('radiator’s outlet (70.0 °C) cannot be hotter than its inlet (60.0 °C)') as string },
    ])
    expect(of('back', ...journal)).toEqual([])
    // measured in the other order the other one is the later
    expect(read(measure('back', 70, '°C'), measure('flow', 60, '°C')).refused[0]!.check).toBe('flow')
  })

  it('within three degrees the clamps agree; the very same while hot is one pipe', () => {
    expect(read(measure('flow', 60, '°C'), measure('back', 62.5, '°C')).refused).toEqual([])
    expect(read(measure('flow', 60, '°C'), measure('back', 60, '°C')).refused[0]!.why).toContain('both clamps sit on one pipe')
    expect(read(measure('flow', 20, '°C'), measure('back', 20, '°C')).refused).toEqual([])
  })

  it('an instrument cut off from what it measures shows what was there before', () => {
    const shut = { isolated: ['gauge cock'] }
    expect(read(measure('bar', 1.2, 'bar', shut)).refused[0]!.why).toContain('The appliance gauge is shut off from the system')
    expect(read(measure('bar', 1.2, 'bar', { isolated: ['filling loop'] })).refused).toEqual([])
    // a clamp does not care
    expect(read(measure('flow', 50, '°C', shut)).refused).toEqual([])
  })

  it('kept as doubtful it is neither refused again nor weighed', () => {
    const kept = entry('reading', { check: 'bar', value: 40, unit: 'bar', sureness: 'doubtful' })
    expect([read(kept).refused, read(kept).evidence]).toEqual([[], []])
  })
})

describe('the past answers what asks the same, by what the catalogue says of its checks', () => {
  const past = (event: 'topUp' | 'repair' | 'visit' | 'gaugeReading' | 'codeReturned' | 'installation', on: string, rest: object = {}) =>
    entry('history', { event, on, ...rest })

  it('more than three top-ups a year', () => {
    const ups = ['2026-01-05', '2026-01-20', '2026-02-02', '2026-02-20'].map((on) => past('topUp', on))
    expect(of('topped', ...ups)[0]).toMatchObject({ outcomes: [1], entries: [ups[3]!.id], epoch: 0 })
    expect(of('topped', ...ups.slice(0, 3))[0]).toMatchObject({ outcomes: [0] })
  })

  it('work within the half year before the case', () => {
    expect(of('worked', complain('cold'), past('visit', '2026-01-10'))[0]).toMatchObject({ outcomes: [1] })
    expect(of('worked', complain('cold'), past('visit', '2025-01-10'))).toEqual([])
  })

  it('a code by what the display showed', () => {
    for (const note of ['e12', 'E 12', ' e 12 ']) expect(of('code', past('codeReturned', '2026-01-10', { note }))[0]).toMatchObject({ outcomes: [1] })
    expect(of('code', past('codeReturned', '2026-01-10', { note: 'something' }))).toEqual([])
  })

  it('two gauge readings a night apart, as the change of twelve hours', () => {
    const gauge = (on: string, value: number, unit = 'bar') => past('gaugeReading', on, { value, unit })
    const night = [gauge('2026-02-01T20:00:00Z', 1.5), gauge('2026-02-02T08:00:00Z', 1.2)]
    expect(of('night', ...night)[0]!.values[0]).toBeCloseTo(-0.3, 9)
    expect(of('night', gauge('2026-02-01T08:00:00Z', 1.5), gauge('2026-02-02T08:00:00Z', 1.2))[0]!.values[0]).toBeCloseTo(-0.15, 9)
    // filled in between, too soon, too late, or in no unit of pressure: nothing
    expect(of('night', ...night, past('topUp', '2026-02-02T07:00:00Z'))).toEqual([])
    expect(of('night', gauge('2026-02-01T20:00:00Z', 1.5), gauge('2026-02-01T22:00:00Z', 1.2))).toEqual([])
    expect(of('night', gauge('2026-02-01T20:00:00Z', 1.5), gauge('2026-02-04T20:00:00Z', 1.2))).toEqual([])
    expect(of('night', gauge('2026-02-01T20:00:00Z', 1.5), gauge('2026-02-02T08:00:00Z', 20, '°C'))).toEqual([])
  })

  it('an installation of the last year tells of how it was put in', () => {
    expect([...read(complain('cold'), past('installation', '2025-10-01')).circumstances.known!]).toEqual(['poorInstallation'])
    expect([...read(complain('cold'), past('installation', '2024-10-01')).circumstances.known!]).toEqual([])
  })
})

describe('repairs and acts', () => {
  it('part readings into before and after; what is told of before stays before', () => {
    const journal = [answer('seen', 'wet'), repair('mend pump'), answer('seen', 'dry'), answer('told', 'yes')]
    expect(read(...journal).evidence.map((one) => [one.check.id, one.epoch])).toEqual([
      ['seen', 0],
      ['seen', 1],
      ['told', 0],
    ])
    expect(answered(read(...journal))).toEqual(['seen', 'told'])
    // before the repair the check was answered, after it it is worth making again
    expect(answered(read(...journal.slice(0, 2)))).toEqual([])
  })

  it('leave nothing to be read where the last look since then says so', () => {
    const dark = { ...catalogue, checks: [...catalogue.checks, smallCheck('figure', numberOf(), { blindBy: { check: 'seen', outcome: 'dry' } })] }
    const blindAfter = (...entries: Entry[]) => blind(dark, readJournal(dark, entries))
    expect(blindAfter(answer('seen', 'dry'))).toEqual(['figure'])
    expect(blindAfter(answer('seen', 'wet'))).toEqual([])
    expect(blindAfter(answer('seen', 'dry'), answer('seen', 'wet'))).toEqual([])
    expect(blindAfter(answer('seen', 'dry', { sureness: 'unsure' }))).toEqual([])
    expect(blindAfter(answer('seen', 'dry'), repair('mend pump'))).toEqual([])
  })

  it('a remedy done again works less often; one that failed hardly did', () => {
    expect(read(repair('mend pump'), repair('mend pump')).mendings.map((one) => one.works)).toEqual([0.9, 0.9 * 0.6])
    expect(read(entry('repair', { remedy: 'mend pump', result: 'failed' })).mendings[0]!.works).toBe(0.05)
    expect(read(entry('repair', { remedy: 'of another catalogue' })).mendings).toEqual([])
    expect([isRepaired(read(repair('mend pump'))), isRepaired(read(entry('action', { action: 'feedShut' })))]).toEqual([true, false])
  })

  it('an act that puts something right does so with its chance; one that stands until undone is in sight', () => {
    expect(read(entry('action', { action: 'vented' })).mendings[0]).toMatchObject({ faults: [0], works: 0.8 })
    const spare = entry('action', { action: 'spare', value: 'valve' })
    expect(read(spare)).toMatchObject({ acts: [{ kind: { id: 'spare' }, value: 'valve' }], mendings: [{ aside: [1], faults: [] }] })
    expect(read(spare, entry('action', { action: 'spare', value: 'valve', undone: true })).acts).toEqual([])
    // fitted for good
    expect(read(spare, repair('mend valve')).acts).toEqual([])
    expect(read(spare, repair('mend pump')).acts).toHaveLength(1)
  })

  it('what is in the way of a reading makes it doubtful', () => {
    const shut = entry('action', { action: 'feedShut' })
    const taken = measure('flow', 50, '°C', { demand: 'heating' })
    expect(read(shut, taken).doubted).toEqual([{ entry: taken.id, why: 'taken before this was undone: feed shut' }])
    const undone = entry('action', { action: 'feedShut', undone: true })
    expect(read(shut, undone, measure('flow', 50, '°C', { demand: 'heating' })).doubted).toEqual([])
    // drained water is what some checks need
    expect(read(entry('action', { action: 'drained' }), measure('inside', 0.8, 'bar')).doubted).toEqual([])
  })
})

describe('what is known of the place', () => {
  it('facts narrow the plants, in their own unit', () => {
    expect(read(entry('fact', { fact: 'volume', value: 80, unit: 'l' })).known).toEqual({ 'system.volume': 80 })
    expect(read(entry('fact', { fact: 'volume', value: 80, unit: '°C' })).known).toEqual({})
    expect(read(entry('fact', { fact: 'age', value: 9 })).circumstances.age).toBe(9)
  })

  it('what cannot be done on this visit can be tried on the next', () => {
    const cannot = entry('decision', { kind: 'checkNotPossible', check: 'seen', reason: 'no ladder' })
    expect([...read(cannot).impossible]).toEqual(['seen'])
    const later = writtenAt(answer('told', 'yes'), '2026-03-04T09:00:00.000Z')
    expect([...read(cannot, later).impossible]).toEqual([])
  })

  it('an intermittent complaint says how readily a fault is away through a visit', () => {
    for (const [pattern, away] of [
      ['always', 0],
      ['sometimes', 0.35],
      ['workedOnArrival', 0.85],
    ] as const)
      expect(read(entry('complaint', { what: 'cold', pattern })).comesAndGoes).toBe(away)
  })

  it('what was taken back says nothing', () => {
    const wet = answer('seen', 'wet')
    expect(read(wet, entry('retract', { entry: wet.id })).evidence).toEqual([])
  })
})
