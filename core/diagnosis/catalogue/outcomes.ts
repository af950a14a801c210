import type { Check } from './catalogue.ts'

/** The outcomes a check can be answered with, as ids. */
export function outcomesOf(check: Check): string[] {
  if (check.result.kind === 'cue') return ['yes', 'no']
  if (check.result.kind === 'outcome') return [...check.result.outcomes.map((one) => one.id), 'notReached']
  return [...figureWords, 'notReached']
}

/** The place of an outcome as the evidence counts it: −1 for “not reached”, 1 and 0 for yes and no, those of earlier days behind today’s; null for none of this check. */
export function placeOfOutcome(check: Check, outcome: string): number | null {
  if (check.result.kind === 'cue') return outcome === 'yes' ? 1 : outcome === 'no' ? 0 : null
  if (outcome === 'notReached') return -1
  const place = outcomesOf(check).indexOf(outcome)
  if (place >= 0 || check.result.kind !== 'outcome') return place >= 0 ? place : null
  const before = check.result.once?.findIndex((one) => one.id === outcome) ?? -1
  return before >= 0 ? check.result.outcomes.length + before : null
}

/** What is said of a number where no figure was noted, beside what a sound appliance of this model reads. */
export const figureWords = ['tooLow', 'right', 'tooHigh'] as const

/** The outcome somebody wrote down by what was shown, such as "E 12", instead of by its id. */
export function namedOutcome(check: Check, written: string): string {
  if (check.result.kind !== 'outcome') return written
  const shown = written.trim().toLowerCase()
  return (
    check.result.outcomes.find(({ id, label }) => shown !== '' && (id.toLowerCase() === shown || label.toLowerCase().startsWith(`${shown} ·`)))?.id ?? written
  )
}
