import { mixed, number, object, string, type InferType } from 'yup'
import { instant } from './calendar.ts'
import { personId } from './person.ts'
import { isClock, type Clock } from './clock.ts'
import { payloadSchemas, uuid7 } from './payloads.ts'

/**
 * The schema version new entries are written in. Older ones are raised by `upcast`: version 1 had no clock and no device, version 2 fewer types of
 * entry, up to version 3 the author was a name.
 */
export const entrySchemaVersion = 4

/** The kinds of journal entry. */
export type EntryType = keyof typeof payloadSchemas

/** Every entry type, in the order of the published format. */
export const entryTypes = Object.keys(payloadSchemas) as EntryType[]

/** What an entry of type `T` carries. */
export type Payload<T extends EntryType> = InferType<(typeof payloadSchemas)[T]>

/** One line of a case's journal. */
export type Entry = {
  [T in EntryType]: {
    /** UUID, version 7, made by whoever wrote the entry */
    id: string
    /** when it happened by the writer's own clock, ISO 8601 in UTC */
    at: string
    /** where it stands in the order of the journal, whatever anybody's clock says */
    clock: Clock
    /** the id of the person who wrote it */
    author: string
    /** the name they went by then */
    authorName: string
    /** the device it was written on; unknown of entries of schema 1 */
    device?: string
    schema: number
    type: T
    payload: Payload<T>
  }
}[EntryType]

/** An entry of one type. */
export type EntryOf<T extends EntryType> = Extract<Entry, { type: T }>

/** What every entry has around its payload. */
export const envelopeSchema = object({
  id: uuid7().required(),
  at: instant().required(),
  clock: string()
    .max(17)
    .test(
      'clock',
      '${path} must be a clock like 0193a1b2c3d4-0000: milliseconds since 1970 and a counter, in hexadecimal',
      (text) => text === undefined || isClock(text),
    )
    .required(),
  author: personId().required(),
  authorName: string().min(1).max(120).required(),
  device: uuid7(),
  schema: number().integer().min(1).max(entrySchemaVersion).required(),
  type: string().oneOf(entryTypes).required(),
  payload: mixed().required(),
})
  .noUnknown()
  .strict()
