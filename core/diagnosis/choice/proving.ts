import type { Catalogue, Check } from '../catalogue/index.ts'
import { isRepaired, type JournalRead } from '../evidence/index.ts'

/** The checks that run a demand right through, of those a catalogue has. */
export function runsThrough({ checks }: Pick<Catalogue, 'checks'>): Check[] {
  return checks.filter((one) => one.runsThrough !== undefined)
}

/** minutes to prove a repair: both demands run through. Common practice */
export const provingMinutes = 12

/** what stands as surely as this is mended beside what was mended, without running anything between. Chosen */
const surely = 0.97

/**
 * Whether what failed is to be run before an act, by what was repaired and not proved since: before leaving, before doing the same again, before
 * changing anything else that does not stand for certain.
 */
export function runsFirst(journal: Pick<JournalRead, 'mendings' | 'tried'>, act: { kind: string; remedies: readonly string[]; mass: number }): boolean {
  if (!isRepaired(journal)) return false
  if (act.kind === 'nothingWrong') return true
  return act.kind === 'faults' && (act.mass < surely || act.remedies.every((id) => journal.tried.has(id)))
}
