import { scriptedJournal, type Entry } from '@dewpoint/core/casebook'
import { diagnose, type Diagnosis } from '@dewpoint/core/diagnosis'
import { pressureStory, type Phase } from '@dewpoint/core/plant'
import { nominal } from '@dewpoint/core/system'
import { describe, expect, it } from 'vitest'
import { premixCombiCatalogue as catalogue } from '../../index.ts'
import { loadSignatures } from '../../shipped.ts'

// Five days of a gauge as the plant's own pressure story has them, read cold in the morning and hot in the evening, told by the customer.
const signatures = loadSignatures(catalogue)

/** what the gauge shows with something wrong, a morning and an evening each day */
function gauge(wrong: Record<string, number>): { hours: number; bar: number; state: 'cold' | 'hot' }[] {
  const day: Phase[] = [
    { hours: 6, state: 'cold' },
    { hours: 2.5, state: 'heating' },
    { hours: 8, state: 'cold' },
    { hours: 4, state: 'heating' },
    { hours: 1.5, state: 'heating' },
    { hours: 2, state: 'cold' },
  ]
  const records = pressureStory({ ...nominal(catalogue.system), ...wrong }, Array.from({ length: 5 }, () => day).flat())
  return Array.from({ length: 5 }, (_unused, index) => index).flatMap((index) => [
    { hours: index * 24 + 6, bar: records[index * 6]!.after, state: 'cold' as const },
    { hours: index * 24 + 20.5, bar: records[index * 6 + 3]!.after, state: 'hot' as const },
  ])
}

function told(journal: ReturnType<typeof scriptedJournal>, readings: ReturnType<typeof gauge>, from = '2026-11-16T00:00:00.000Z'): Entry[] {
  return readings.map(({ hours, bar, state }) =>
    journal.entry('history', {
      event: 'gaugeReading',
      on: new Date(Date.parse(from) + hours * 3_600_000).toISOString(),
      value: Number(bar.toFixed(2)),
      unit: 'bar',
      state,
    }),
  )
}
const of = (result: Diagnosis, ...ids: string[]) => ids.reduce((sum, id) => sum + (result.faults[id] ?? 0), 0)
const leaks = [
  'pipework.leak',
  'casing.unionLeaking',
  'hoses.leaking',
  'airVent.dribbling',
  'exchanger.leaking',
  'pump.sealDripping',
  'relief.passing',
  'diverter.spindleLeaking',
  'plate.gasketWeeping',
  'vessel.shellLeaking',
]
const cushions = ['vessel.lostCharge', 'vessel.corePassing', 'vessel.diaphragm', 'vessel.pipeBlocked', 'relief.liftsEarly']

describe('a gauge watched over days feeds the one posterior', () => {
  it.each([
    ['a slow leak', { 'pipework.leak': 0.0004 }, leaks],
    ['a vessel without its charge', { 'vessel.preCharge': -0.3 }, cushions],
    ['a filling loop letting by, or the plate', { 'fillingLoop.letBy': 0.0006 }, ['fillingLoop.lettingBy', 'fillingLoop.leftOpen', 'plate.perforated']],
    ['a gauge that does not move', { 'gauge.follows': 0 }, ['gauge.stuck', 'gauge.sluggish']],
  ])('%s', (_what, wrong, faults) => {
    const journal = scriptedJournal()
    const complaint = journal.entry('complaint', { what: 'gaugeLow', where: 'all', pattern: 'always' })
    const before = diagnose(catalogue, signatures, [complaint])
    const after = diagnose(catalogue, signatures, [complaint, ...told(journal, gauge(wrong))])
    expect(of(after, ...faults)).toBeGreaterThan(of(before, ...faults))
    expect(of(after, ...faults)).toBeGreaterThan(0.5)
  })

  it('two readings a night apart are still weighed as the change of that night, and no watch', () => {
    const journal = scriptedJournal()
    const entries = told(journal, gauge({ 'pipework.leak': 0.0004 })).filter((_one, index) => index === 0 || index === 2)
    const result = diagnose(catalogue, signatures, entries)
    expect(result.suspects.flatMap(({ account }) => account).some(({ label }) => label === 'The gauge, read over days')).toBe(false)
  })

  it('readings that come in after a repair speak of what it left: steady clears it, falling on says it did not hold', () => {
    const repaired = (wrong: Record<string, number>) => {
      const journal = scriptedJournal()
      const entries = [
        journal.entry('complaint', { what: 'gaugeLow', where: 'all', pattern: 'always' }),
        ...told(journal, gauge({ 'pipework.leak': 0.0004 })),
        journal.entry('finding', { what: 'weeps', fault: 'airVent.dribbling', explainsComplaint: true }),
        journal.entry('repair', { remedy: catalogue.remedies.find(({ mends }) => mends.includes('airVent.dribbling'))!.id, faults: ['airVent.dribbling'] }),
        ...told(journal, gauge(wrong), '2026-11-26T00:00:00.000Z'),
      ]
      return diagnose(catalogue, signatures, entries)
    }
    const held = (result: Diagnosis) => result.standing.find(({ kind }) => kind === 'nothingWrong')?.probability ?? 0
    expect(held(repaired({}))).toBeGreaterThan(0.4)
    expect(held(repaired({ 'pipework.leak': 0.0004 }))).toBeLessThan(0.05)
  })
})
