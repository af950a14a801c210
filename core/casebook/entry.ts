import { mixed, number, object, string, type InferType } from 'yup'
import { instant, isInstant } from './calendar.ts'
import { personId, personIdPattern } from './person.ts'
import { isClock, type Clock } from './clock.ts'
import { payloadSchemas, uuid7, uuid7Pattern } from './payloads.ts'

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

/** What stands around a payload. */
type Envelope = Record<'id' | 'at' | 'clock' | 'author' | 'authorName' | 'device' | 'schema' | 'type' | 'payload', unknown>
const around = new Set(Object.keys(envelopeSchema.fields))

/**
 * Whether every field of an envelope is right, in a tenth of the time the schema takes, for the thousands that are. What this does not know to be right
 * is for the schema to judge, and to say in words.
 */
export function isEnvelope(value: unknown): value is InferType<typeof envelopeSchema> {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return false
  for (const field in value) if (!around.has(field)) return false
  const { id, at, clock, author, authorName, device, schema, type, payload } = value as Envelope
  return (
    fits(uuid7Pattern, id) &&
    typeof at === 'string' &&
    isInstant(at) &&
    typeof clock === 'string' &&
    isClock(clock) &&
    fits(personIdPattern, author) &&
    typeof authorName === 'string' &&
    authorName.length > 0 &&
    authorName.length <= 120 &&
    (device === undefined || fits(uuid7Pattern, device)) &&
    typeof schema === 'number' &&
    Number.isInteger(schema) &&
    schema >= 1 &&
    schema <= entrySchemaVersion &&
    (entryTypes as unknown[]).includes(type) &&
    payload !== undefined &&
    payload !== null
  )
}

const fits = (pattern: RegExp, value: unknown) => typeof value === 'string' && pattern.test(value)
