import { clockOf } from './clock.ts'
import type { Entry, EntryType } from './entry.ts'
import { inOrder, summarise, type CaseSummary } from './journal.ts'

/** types of entry that tell a summary more than that they are there, and of readings how many */
const telling = new Set<EntryType>(['complaint', 'booking', 'decision', 'repair', 'retract', 'history'])

/** A summary, and what more entries are added to it by. */
export interface Folded {
  summary: CaseSummary
  /** where its last standing entry has its place in the order, '' of an empty journal; null where more entries mean folding anew */
  upTo: string | null
}

/** Folds a journal so that more can be added to it. */
export function fold(entries: readonly Entry[]): Folded {
  const last = inOrder(entries).at(-1)
  // what was taken back, perhaps before it was there, only the whole journal tells
  const taken = entries.some((entry) => entry.type === 'retract')
  return { summary: summarise(entries), upTo: taken ? null : last ? placeOf(last) : '' }
}

/** The fold with more entries, none of which it has; null where the journal has to be folded anew. */
export function foldMore({ summary, upTo }: Folded, more: readonly Entry[]): Folded | null {
  if (upTo === null || more.some((entry) => telling.has(entry.type))) return null
  const last = inOrder(more).at(-1)
  const later = last !== undefined && placeOf(last) > upTo
  return {
    summary: {
      ...summary,
      entries: summary.entries + more.length,
      readings: summary.readings + more.filter((entry) => entry.type === 'reading').length,
      lastAt: later ? last.at : summary.lastAt,
    },
    upTo: later ? placeOf(last) : upTo,
  }
}

/** Sorts as the order of a journal does. */
const placeOf = (entry: Entry) => `${clockOf(entry)} ${entry.id}`
