import { clockAt } from './clock.ts'
import type { Entry, EntryType, Payload } from './entry.ts'
import { newEntry } from './newEntry.ts'
import { byName } from './person.ts'

/** The same entry as if written at another time. */
export function writtenAt<E extends Entry>(entry: E, at: string): E {
  return { ...entry, at, clock: clockAt(Date.parse(at)) }
}

/** Writes a journal entry by entry, one a minute, ids in order: the same every time. For trials and tests. */
export function scriptedJournal() {
  let count = 0
  const entry = <T extends EntryType>(type: T, payload: Payload<T>): Entry => {
    count++
    const id = `01934a00-0000-7000-8000-${String(count).padStart(12, '0')}`
    return newEntry(type, payload, { id, now: Date.UTC(2026, 2, 1, 9, count), author: byName('Engineer'), seen: [] })
  }
  return {
    entry,
    complain: (what: string) => entry('complaint', { what, pattern: 'always' }),
    answer: (check: string, outcome: string, rest: Partial<Payload<'reading'>> = {}) => entry('reading', { check, outcome, ...rest }),
    measure: (check: string, value: number, unit: string, situation?: Payload<'reading'>['situation']) => entry('reading', { check, value, unit, situation }),
    repair: (remedy: string) => entry('repair', { remedy }),
  }
}
