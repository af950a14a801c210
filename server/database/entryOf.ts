import { upcast, type Entry } from '@dewpoint/core/casebook'
import type { entries } from './schema.ts'

/** An entry of a journal as its row keeps it, raised to the present schema. */
export function entryOf({
  id,
  at,
  clock,
  author,
  authorName,
  device,
  type,
  schemaVersion,
  payload,
}: Pick<typeof entries.$inferSelect, 'id' | 'at' | 'clock' | 'author' | 'authorName' | 'device' | 'type' | 'schemaVersion' | 'payload'>): Entry {
  return upcast({
    id,
    at,
    ...(clock !== null && { clock }),
    author,
    ...(authorName !== null && { authorName }),
    ...(device !== null && { device }),
    schema: schemaVersion,
    type,
    payload,
  }) as Entry
}
