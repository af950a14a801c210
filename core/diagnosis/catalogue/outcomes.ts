import type { Check } from './catalogue.ts'

/** The outcomes a check can be answered with, as ids. */
export function outcomesOf(check: Check): string[] {
  if (check.result.kind === 'cue') return ['yes', 'no']
  if (check.result.kind === 'outcome') return [...check.result.outcomes.map((one) => one.id), 'notReached']
  return [...figureWords, 'notReached']
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
