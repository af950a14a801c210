import { clockAfter, latestClock } from './clock.ts'
import type { Person } from './person.ts'
import { entrySchemaVersion, type Entry, type EntryType, type Payload } from './entry.ts'

/** Who writes an entry, when, and after what. */
export interface Writing {
  /** UUID, version 7 */
  id: string
  /** the writer's own time, ms since 1970 */
  now: number
  author: Person
  device?: string
  /** what the writer has seen of the journal: the entry sorts after all of it */
  seen: readonly Entry[]
}

/** An entry as it is written now, after everything its writer has seen. */
export function newEntry<T extends EntryType>(type: T, payload: Payload<T>, { id, now, author, device, seen }: Writing): Entry {
  const at = new Date(now).toISOString()
  return {
    id,
    at,
    clock: clockAfter(latestClock(seen), now),
    author: author.id,
    authorName: author.name,
    ...(device !== undefined && { device }),
    schema: entrySchemaVersion,
    type,
    payload,
  } as Entry
}
