import { check, costsSchema, outOfBounds, type Costs, type Parsed } from '@dewpoint/core/casebook'
import { array, number, object, string, type InferType } from 'yup'

/** What things cost a firm, in its own money: what the next check is weighed by. */
export type FirmCosts = Costs

const profileSchema = object({
  /** ISO 4217; empty for bare figures */
  currency: string()
    .matches(/^[A-Z]{3}$/, { message: 'give the currency as three capitals, such as EUR', excludeEmptyString: true })
    .default(''),
  /** as it stands on a report */
  name: string().max(120),
  address: string().max(200),
  phone: string().max(40),
  /** the number to ring from outside when gas is smelled; each place has its own */
  emergency: string().max(40),
  /** what readings are shown in on a report */
  units: string().oneOf(['metric', 'imperial'] as const, 'choose the units from the list'),
  /** how it works where practitioners disagree, by question */
  ways: array(object({ question: string().max(40).required(), choice: string().max(40).required() }).noUnknown()).max(20),
})
  .noUnknown()
  .strict()

/** What is said of the firm itself. */
export type FirmProfile = InferType<typeof profileSchema>

/** A firm's settings as they are sent: with the revision they were read in, so that nobody's change is undone unseen. */
const firmSettingsSchema = object({
  costs: costsSchema.required(),
  timeZone: string()
    .max(60)
    .test('zone', 'choose a time zone from the list', (zone) => zone === undefined || isTimeZone(zone))
    .required('choose the firm’s time zone'),
  profile: profileSchema.default(undefined).optional(),
  revision: number().integer().min(0).max(2_000_000_000).required(),
})
  .noUnknown()
  .strict()

export type FirmSettings = InferType<typeof firmSettingsSchema>

/** What the firm has set; null before it said anything. */
export interface Firm {
  settings: FirmSettings | null
}

/** Whether a name is a time zone of the IANA database this runtime knows. */
export function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name })
    return /^[A-Z]/.test(name)
  } catch {
    return false
  }
}

/** Reads a firm's settings, or says field by field what is wrong with them. */
export function readFirmSettings(input: unknown): Parsed<FirmSettings> {
  const large = outOfBounds(input, { depth: 4, values: 100, text: 200, list: 20, fields: 8 })
  return large ? { ok: false, problems: [large] } : check(() => firmSettingsSchema.validateSync(input, { abortEarly: false }), '')
}
