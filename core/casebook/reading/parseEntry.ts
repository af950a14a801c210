import { ValidationError, type AnyObject } from 'yup'
import { entryBounds, outOfBounds } from './bounds.ts'
import { clockOf } from '../clock.ts'
import { byName } from '../person.ts'
import { entrySchemaVersion, envelopeSchema, isEnvelope, type Entry, type EntryType } from '../entry.ts'
import { payloadSchemas } from '../payloads.ts'
import { asPresent } from './present.ts'

/** What was wrong with one field of something that came from outside. */
export interface FieldProblem {
  /** path of the field, like `entries[2].payload.unit` */
  field: string
  /** what is wrong and what is right */
  message: string
}

/** A parsed thing, or every reason why it could not be parsed. */
export type Parsed<T> = { ok: true; value: T } | { ok: false; problems: FieldProblem[] }

/**
 * Reads one journal entry from outside, raising older schema versions to the present one.
 * Nothing is converted silently: "12" is not a number here.
 */
export function parseEntry(input: unknown, path = ''): Parsed<Entry> {
  const large = outOfBounds(input, entryBounds)
  if (large) return { ok: false, problems: [under(path, large)] }
  const raised = upcast(input)
  const envelope = isEnvelope(raised) ? { ok: true as const, value: raised } : check(() => envelopeSchema.validateSync(raised, { abortEarly: false }), path)
  if (!envelope.ok) return envelope
  const type = envelope.value.type as EntryType
  const { payload } = envelope.value
  const schema = asPresent<AnyObject>(payloadSchemas[type], payload)
  const body = check(() => schema.validateSync(payload, { abortEarly: false }), path === '' ? 'payload' : `${path}.payload`)
  if (!body.ok) return body
  return { ok: true, value: { ...envelope.value, payload: body.value } as Entry }
}

/**
 * Raises an entry of an older schema version to the present one; an entry without `schema` is read as version 1.
 * Version 1 had no clock: its own time is the order it was written in. Up to version 3 the author was a name: the person known by that name.
 */
export function upcast(input: unknown): unknown {
  if (typeof input !== 'object' || input === null || Array.isArray(input)) return input
  const entry = { schema: 1, ...input } as Record<string, unknown>
  if (![1, 2, 3].includes(entry.schema as number)) return input
  const { author } = entry
  return {
    ...entry,
    schema: entrySchemaVersion,
    ...(entry.schema === 1 && { clock: clockOf({ at: String(entry.at), id: String(entry.id) }) }),
    // what is no name stays as it is, and is told so
    ...(typeof author === 'string' && author !== '' && author.length <= 120 && { author: byName(author).id, authorName: author }),
  }
}

function under(path: string, { field, message }: FieldProblem): FieldProblem {
  const full = path === '' ? field : field === '' ? path : `${path}.${field}`
  return { field: full, message: field === '' ? message.replace('the whole', full || 'the entry') : message.replace(field, full) }
}

/** nobody mends more than this at a time, and an answer stays small */
const mostProblems = 20

/** Runs a Yup validation and gives its complaints, the first twenty, as field problems under `path`. */
export function check<T>(validate: () => T, path: string): Parsed<T> {
  try {
    return { ok: true, value: validate() }
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error
    const all = error.inner.length > 0 ? error.inner : [error]
    return {
      ok: false,
      problems: all.slice(0, mostProblems).map((one) => {
        const field = [path, one.path].filter(Boolean).join('.')
        return { field, message: one.message.replace(/^this\b/, field || 'the file') }
      }),
    }
  }
}
