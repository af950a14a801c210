import { type Belief, leadingRows, resultChances } from '../../belief/index.ts'
import { type Catalogue, type Check, type Diagnosis, outcomesOf, type RecordItem } from '../../catalogue/index.ts'
import { runsThrough } from '../../choice/index.ts'
import { isRepaired, type JournalRead, within } from '../../evidence/index.ts'
import type { Signatures } from '../../signatures/index.ts'
import { healthyOutcome, saidSince } from './proofs.ts'
import { expectedOf } from '../expected.ts'

/** Complaints no part that stands out explains, and no later reading has shown put right. */
export function openComplaints(catalogue: Catalogue, signatures: Signatures, belief: Belief, journal: JournalRead, standsOut: boolean): Diagnosis['open'] {
  const leader = leadingRows(belief)[0] ?? 0
  // it was complained of before anything was mended
  const asFound = { ...belief, standing: (row: number) => [{ row, weight: 1 }], shown: (row: number) => row }
  return journal.complaints.flatMap((entry) => {
    const complaint = catalogue.complaints.find((one) => one.id === entry.payload.what)
    const explained = (complaint?.evidence ?? []).every(({ check: id, outcome }) => {
      const check = catalogue.checks.find((one) => one.id === id)!
      const expected = expectedOf(catalogue, signatures, asFound, check, leader)
      return signatures.sets[leader]?.length !== 0 && (expected.outcomes?.[outcome] ?? 0) > 0.4
    })
    return (standsOut && explained) || proved(catalogue, signatures, belief, journal, complaint?.evidence ?? [])
      ? []
      : [{ entry: entry.id, complaint: entry.payload.what, label: complaintLabel(catalogue, entry.payload.what) }]
  })
}

/** Whether what was complained of has been shown put right since the last repair: its demand run through, or the healthy answer given. */
function proved(catalogue: Catalogue, signatures: Signatures, belief: Belief, journal: JournalRead, evidence: { check: string; outcome: string }[]): boolean {
  const repaired = journal.mendings.length > 0
  const of = (id: string) => catalogue.checks.find((one) => one.id === id)
  return evidence.every(({ check: id, outcome }) => {
    const check = of(id)
    if (!check) return false
    // what happens over days cannot be shown on the day: it is put right when what still stands would not bring it about
    if (check.before) return repaired && chanceNow(catalogue, signatures, belief, check, outcome) < broughtAbout
    const runs = (check.settledBy ?? []).flatMap((run) => of(run) ?? [])
    const sound = (one: Check) => {
      const said = saidSince(journal, one)
      return said !== null && said.outcome === healthyOutcome(signatures, one)
    }
    return sound(check) || (runs.length > 0 && runs.every(sound))
  })
}

/** a complaint is put right when what still stands brings it about less likely than this. Assumed */
const broughtAbout = 0.3

/** Chance that what still stands makes a check read so. */
function chanceNow(catalogue: Catalogue, signatures: Signatures, belief: Belief, check: Check, outcome: string): number {
  const rows = leadingRows(belief)
  const total = rows.reduce((sum, row) => sum + belief.posterior[row]!, 0)
  const place = outcomesOf(check).indexOf(outcome)
  return rows.reduce((sum, row) => sum + belief.posterior[row]! * resultChances(catalogue, signatures, belief, check, row)[place]!, 0) / total
}

/**
 * What bars closing, in words; empty when the case is really finished.
 *
 * @param record what must stand in the record, with what stands there
 */
export function closingOf(
  catalogue: Catalogue,
  signatures: Signatures,
  belief: Belief,
  journal: JournalRead,
  open: Diagnosis['open'],
  record: Diagnosis['record'],
): string[] {
  const bars: string[] = []
  const repaired = isRepaired(journal)
  if (!repaired) bars.push('No repair recorded.')
  for (const entry of journal.complaints) {
    const evidence = catalogue.complaints.find((one) => one.id === entry.payload.what)?.evidence ?? []
    if (!repaired || proved(catalogue, signatures, belief, journal, evidence)) continue
    const slow = evidence.some(({ check }) => catalogue.checks.find((one) => one.id === check)?.before)
    bars.push(
      `${complaintLabel(catalogue, entry.payload.what)}: ${slow ? 'what is still possible would go on causing it. Trace on.' : 'run that demand through and record it.'}`,
    )
  }
  const notRun = runsThrough(catalogue).filter((check) => !journal.evidence.some((one) => one.check === check && one.epoch === journal.mendings.length))
  if (repaired && notRun.length > 0)
    bars.push(`Other demand not run since the repair: ${notRun.map((check) => (check.runsThrough === 'heating' ? 'heating' : 'hot water')).join(', ')}.`)
  for (const { kind } of journal.acts) bars.push(`${kind.label}: to be undone before leaving (${within(kind.undo!)}).`)
  for (const one of open) bars.push(`${one.label}: not explained.`)
  return [...new Set([...bars, ...record.flatMap((one) => barOf(one) ?? [])])]
}

export function complaintLabel(catalogue: Catalogue, id: string): string {
  return catalogue.complaints.find((one) => one.id === id)?.label ?? id
}

/** What an item of the record says against closing; null where nothing. */
export function barOf({ label, why, state, leaves }: RecordItem): string | null {
  if (state === 'open') return `${label}. ${why}`
  if (state === 'notRight') return `${label}: not right. Put it right and look again.`
  return state === 'notDone' && !leaves ? `${label}: it cannot be left out. ${why}` : null
}
