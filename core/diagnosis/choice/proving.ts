import type { Catalogue, Check } from '../catalogue/index.ts'
import { isRepaired, type JournalRead } from '../evidence/index.ts'

/** The checks that run a demand right through, of those a catalogue has. */
export function runsThrough({ checks }: Pick<Catalogue, 'checks'>): Check[] {
  return checks.filter((one) => one.runsThrough !== undefined)
}

/** minutes to prove a repair: both demands run through. Common practice */
export const provingMinutes = 12

/**
 * Whether what failed is to be run before an act, by what was repaired and not proved since: before leaving, and before doing the same again. (Before
 * changing anything else on a hunch too was tried: nine minutes more a case, and no more was found.)
 */
export function runsFirst(journal: Pick<JournalRead, 'mendings' | 'tried'>, act: { kind: string; remedies: readonly string[] }): boolean {
  if (!isRepaired(journal)) return false
  return act.kind === 'nothingWrong' || (act.kind === 'faults' && act.remedies.every((id) => journal.tried.has(id)))
}
