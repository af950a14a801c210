import type { Catalogue, Check, Fault } from './catalogue.ts'

/** A look shows a fault when it would be seen more often than not. */
const shows = 0.5

/**
 * The faults a look says “yes” to alike, where they are several: whoever looks at the part itself sees which of them it is.
 *
 * @returns none where the look is not a direct one, or shows one fault only
 */
export function seenAlike({ faults }: Pick<Catalogue, 'faults'>, check: Check): Fault[] {
  if (!check.direct || check.result.kind !== 'cue') return []
  const alike = faults.filter((fault) => (fault.cues?.[check.id] ?? 0) >= shows)
  return alike.length > 1 ? alike : []
}
