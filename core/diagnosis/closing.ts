import { within } from './acts.ts'
import type { Belief } from './belief.ts'
import type { Catalogue, Check } from './catalogue.ts'
import { isRepaired, outcomesOf, type Case } from './evidence.ts'
import { expectedOf } from './expected.ts'
import { leadingRows } from './leadingRows.ts'
import { resultChances } from './nextCheck.ts'
import { runsThrough, settledBy } from './proving.ts'
import type { Diagnosis } from './result.ts'
import type { Signatures } from './signatures.ts'

/** Complaints no part that stands out explains, and no later reading has shown put right. */
export function openComplaints(catalogue: Catalogue, signatures: Signatures, belief: Belief, journal: Case, standsOut: boolean): Diagnosis['open'] {
  const leader = leadingRows(belief)[0] ?? 0
  return journal.complaints.flatMap((entry) => {
    const complaint = catalogue.complaints.find((one) => one.id === entry.payload.what)
    const explained = (complaint?.evidence ?? []).every(({ check: id, outcome }) => {
      const check = catalogue.checks.find((one) => one.id === id)!
      const expected = expectedOf(catalogue, signatures, belief, check, leader)
      return signatures.sets[leader]?.length !== 0 && (expected.outcomes?.[outcome] ?? 0) > 0.4
    })
    return (standsOut && explained) || proved(catalogue, signatures, belief, journal, complaint?.evidence ?? [])
      ? []
      : [{ entry: entry.id, complaint: entry.payload.what, label: complaintLabel(catalogue, entry.payload.what) }]
  })
}

/** Whether what was complained of has been shown put right since the last repair: its demand run through, or the healthy answer given. */
function proved(catalogue: Catalogue, signatures: Signatures, belief: Belief, journal: Case, evidence: { check: string; outcome: string }[]): boolean {
  const epoch = journal.mendings.length
  const saidSince = (id: string) => {
    const found = epoch > 0 ? journal.evidence.find((one) => one.epoch === epoch && one.check.id === id && one.outcomes.length > 0) : undefined
    if (!found) return undefined
    const last = found.outcomes.at(-1)!
    return found.check.result.kind === 'outcome' ? found.check.result.outcomes[last]?.id : last === 1 ? 'yes' : 'no'
  }
  const healthy = (id: string) => {
    const result = catalogue.checks.find((one) => one.id === id)?.result
    if (result?.kind !== 'outcome') return 'no'
    return result.outcomes[signatures.values[signatures.checks.indexOf(id)]!]?.id
  }
  return evidence.every(({ check, outcome }) => {
    const known = catalogue.checks.find((one) => one.id === check)
    // what happens over days cannot be shown on the day: it is put right when what still stands would not bring it about
    if (known?.before) return epoch > 0 && chanceNow(catalogue, signatures, belief, known, outcome) < broughtAbout
    const runs = settledBy[check]?.filter((run) => catalogue.checks.some((one) => one.id === run)) ?? []
    return saidSince(check) === healthy(check) || (runs.length > 0 && runs.every((run) => saidSince(run) === 'complete'))
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

export function closingOf(catalogue: Catalogue, signatures: Signatures, belief: Belief, journal: Case, open: Diagnosis['open']): string[] {
  const bars: string[] = []
  const repaired = isRepaired(journal)
  if (!repaired) bars.push('No repair recorded.')
  for (const entry of journal.complaints) {
    const evidence = catalogue.complaints.find((one) => one.id === entry.payload.what)?.evidence ?? []
    if (!repaired || proved(catalogue, signatures, belief, journal, evidence)) continue
    const slow = evidence.some(({ check }) => catalogue.checks.find((one) => one.id === check)?.before)
    bars.push(
      `${complaintLabel(catalogue, entry.payload.what)}: ${slow ? 'what may still stand would go on bringing it about. Trace on.' : 'run that demand through and record it.'}`,
    )
  }
  const both = runsThrough.filter(
    (id) => catalogue.checks.some((check) => check.id === id) && !journal.evidence.some((one) => one.check.id === id && one.epoch === journal.mendings.length),
  )
  if (repaired && both.length > 0)
    bars.push(`Other demand not run since the repair: ${both.map((id) => (id.endsWith('Heating') ? 'heating' : 'hot water')).join(', ')}.`)
  for (const { kind } of journal.acts) bars.push(`${kind.label}: to be undone before leaving (${within(kind.undo!)}).`)
  for (const one of open) bars.push(`${one.label}: not explained.`)
  return [...new Set(bars)]
}

export function complaintLabel(catalogue: Catalogue, id: string): string {
  return catalogue.complaints.find((one) => one.id === id)?.label ?? id
}
