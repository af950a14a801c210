import { array, boolean, mixed, number, object, string, type AnyObject, type ObjectSchema } from 'yup'
import { dayOrInstant, instant } from './calendar.ts'

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

/** What an identifier made by a client looks like. */
export const uuid7Pattern = /^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/
/** An identifier made by a client: a UUID of version 7, in lower case. */
export const uuid7 = () => string().max(36).matches(uuid7Pattern, { message: '${path} must be a UUID of version 7 in lower case' })

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

/** What a measured value was held against, as it was then. */
const limit = object({ low: finite(), high: finite(), unit: id().required(), source: text() }).noUnknown().default(undefined).optional()

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
  said: payload(object({ words: text().min(1).required(), by: string().max(120) })),
  booking: payload(
    object({
      urgency: string().oneOf(['now', 'today', 'soon', 'planned'] as const),
      vulnerable: array(
        string()
          .oneOf(['infant', 'elderly', 'ill', 'noOtherHeat', 'noOtherHotWater', 'trade', 'nobody'] as const)
          .required(),
      ).max(10),
      engineer: string().max(120),
      from: instant(),
      to: instant(),
      contact: string().max(120),
      phone: string().max(40),
      note: text(),
    }),
  ),
  visit: payload(
    object({
      event: string()
        .oneOf(['setOut', 'arrived', 'left'] as const)
        .required(),
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
      /** of the gauge: the heating off for hours, or on for half an hour and more */
      state: string().oneOf(['cold', 'hot'] as const),
      /** since the reading before: the filling loop off, the heating left off or on all the time */
      loopOff: boolean(),
      heating: string().oneOf(['off', 'on'] as const),
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
      limit,
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
      parts: array(object({ name: text().required(), quantity: number().min(0).max(10_000).required(), price: number().min(0).max(largest) }).noUnknown()).max(
        100,
      ),
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
        .oneOf(['condemned', 'closed', 'lookalikePassedOver', 'checkNotPossible', 'planChosen', 'reopened'] as const)
        .required(),
      ending: string().oneOf(['proven', 'unproven', 'notMended', 'unsafe'] as const),
      plan: id(),
      /** of a plan that was chosen: what is to be done, in its order */
      remedies: array(object({ remedy: id().required(), faults: ids().required() }).noUnknown()).max(40),
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
  step: payload(
    object({
      remedy: id().required(),
      step: number().integer().min(0).max(200).required(),
      state: string()
        .oneOf(['done', 'notDone', 'open'] as const)
        .required(),
      value: finite(),
      unit: id(),
      note: text(),
    }),
  ),
  photo: payload(
    object({
      hash: string()
        .max(64)
        .matches(/^[0-9a-f]{64}$/, { message: '${path} must be the SHA-256 of the picture in hexadecimal' })
        .required(),
      type: string()
        .oneOf(['image/jpeg', 'image/webp', 'image/png'] as const)
        .required(),
      width: number().integer().min(1).max(1600).required(),
      height: number().integer().min(1).max(1600).required(),
      caption: text(),
      about: uuid7(),
      place: id(),
    }),
  ),
  followUp: payload(
    object({
      what: text().required(),
      on: dayOrInstant().required(),
      kind: string()
        .oneOf(['visit', 'call', 'watch'] as const)
        .required(),
    }),
  ),
  wording: payload(object({ section: id().required(), text: text().defined() })),
  signature: payload(
    object({
      by: string()
        .oneOf(['engineer', 'customer'] as const)
        .required(),
      name: string().min(1).max(120).required(),
      /** the drawn line as SVG paths in a box of so many units; none where somebody only gave the name */
      strokes: array(text().required()).max(60),
      width: number().min(1).max(4000),
      height: number().min(1).max(4000),
    }),
  ),
  retract: payload(object({ entry: uuid7().required() })),
} as const
