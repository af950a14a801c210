import { array, boolean, mixed, number, object, string, type AnyObject, type InferType, type ObjectSchema } from 'yup'
import { dayOrInstant, instant } from './calendar.ts'
import { isClock, type Clock } from './clock.ts'

/** The schema version new entries are written in. Older ones are raised by `upcast`: version 1 had no clock and no device. */
export const entrySchemaVersion = 2

/** no reading, price or time is larger, in any unit */
const largest = 1e12

const text = () => string().max(2000)
const id = () => string().min(1).max(120)
const scalar = () =>
  mixed<string | number | boolean>(
    (value): value is string | number | boolean => ['string', 'boolean'].includes(typeof value) || (typeof value === 'number' && Number.isFinite(value)),
  ).meta({ scalar: true })
const finite = () => number().min(-largest).max(largest)
const ids = (most = 60) => array(id().required()).max(most)
const quantity = () => object({ value: finite().required(), unit: id().required() }).noUnknown()
const payload = <T extends AnyObject>(shape: ObjectSchema<T>) => shape.noUnknown().strict()

/** An identifier made by a client: a UUID of version 7, in lower case. */
export const uuid7 = () =>
  string()
    .max(36)
    .matches(/^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/, {
      message: '${path} must be a UUID of version 7 in lower case',
    })

const situation = object({
  demand: string().oneOf(['none', 'heating', 'hotWater', 'both'] as const),
  stage: id(),
  temperature: quantity().default(undefined).optional(),
  tapFlow: quantity().default(undefined).optional(),
  open: ids(),
  isolated: ids(),
  drained: boolean(),
  moved: ids(),
  powerOff: boolean(),
})
  .noUnknown()
  .default(undefined)
  .optional()

/**
 * What each type of journal entry carries. The journal is the contract of the whole product:
 * every type stands here from the first version, also those a part of the engine does not weigh yet.
 */
export const payloadSchemas = {
  complaint: payload(
    object({
      what: id().required(),
      where: string().oneOf(['all', 'oneTap', 'oneZone'] as const),
      since: text(),
      pattern: string().oneOf(['always', 'sometimes', 'workedOnArrival'] as const),
      setTemperature: quantity().default(undefined).optional(),
      actualTemperature: quantity().default(undefined).optional(),
      words: text(),
    }),
  ),
  fact: payload(object({ fact: id().required(), value: scalar().required(), unit: id() })),
  history: payload(
    object({
      event: string()
        .oneOf(['topUp', 'repair', 'visit', 'installation', 'gaugeReading', 'codeReturned'] as const)
        .required(),
      on: dayOrInstant().required(),
      value: finite(),
      unit: id(),
      note: text(),
      followedBy: text(),
    }),
  ),
  action: payload(object({ action: id().required(), undone: boolean(), value: scalar(), unit: id(), note: text() })),
  reading: payload(
    object({
      check: id().required(),
      outcome: id(),
      value: finite(),
      unit: id(),
      situation,
      instrument: id(),
      place: id(),
      sureness: string().oneOf(['sure', 'unsure', 'doubtful'] as const),
      note: text(),
    }).test('one-result', '${path} needs either an outcome or a value with its unit', (reading) =>
      reading.outcome === undefined ? reading.value !== undefined && reading.unit !== undefined : reading.value === undefined,
    ),
  ),
  finding: payload(object({ what: text().required(), fault: id(), part: id(), explainsComplaint: boolean(), note: text() })),
  repair: payload(
    object({
      remedy: id().required(),
      faults: ids(),
      parts: array(object({ name: text().required(), quantity: number().min(0).max(10_000).required() }).noUnknown()).max(100),
      result: string().oneOf(['unknown', 'worked', 'failed'] as const),
      minutes: number().min(0).max(100_000),
      cost: number().min(0).max(largest),
      note: text(),
    }),
  ),
  advice: payload(
    object({
      what: text().required(),
      answer: string()
        .oneOf(['given', 'declined'] as const)
        .required(),
      about: id(),
      due: dayOrInstant(),
      note: text(),
    }),
  ),
  decision: payload(
    object({
      kind: string()
        .oneOf(['condemned', 'closed', 'lookalikePassedOver', 'checkNotPossible'] as const)
        .required(),
      fault: id(),
      part: id(),
      check: id(),
      reason: text().required(),
      shown: object({
        catalogue: id().required(),
        belief: array(object({ faults: ids().required(), probability: number().min(0).max(1).required() }).noUnknown())
          .max(300)
          .required(),
      })
        .noUnknown()
        .default(undefined)
        .optional(),
    }),
  ),
  retract: payload(object({ entry: uuid7().required() })),
} as const

/** The ten kinds of journal entry. */
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
    author: string
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
  author: string().min(1).max(120).required(),
  device: uuid7(),
  schema: number().integer().min(1).max(entrySchemaVersion).required(),
  type: string().oneOf(entryTypes).required(),
  payload: mixed().required(),
})
  .noUnknown()
  .strict()
