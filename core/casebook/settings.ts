import { number, object } from 'yup'

/** What things cost a firm, in its own money, with the range each can have: for the firm, or for one case. */
export const costKinds = {
  hourlyRate: { label: 'money an hour on site', min: 0, max: 10_000 },
  /** the way, and the customer's patience */
  secondTrip: { label: 'money a second trip costs', min: 0, max: 10_000 },
  /** trust, and a part that cannot go back */
  wrongPart: { label: 'money a good part replaced costs beyond its price', min: 0, max: 10_000 },
} as const

/** What things cost, each in the firm's own money. */
export type Costs = Record<keyof typeof costKinds, number>

/** What may be set for one case instead of for the whole firm. */
export type CaseSettings = Partial<Costs>

const within = (name: keyof Costs, message: string) => {
  const { min, max } = costKinds[name]
  return number().typeError(message).min(min, message).max(max, message)
}
const ofCase = (name: keyof Costs) => {
  const { label, min, max } = costKinds[name]
  return within(name, `\${path} must be a number from ${min} to ${max} (${label})`)
}
const ofFirm = (name: keyof Costs) => {
  const { min, max } = costKinds[name]
  const message = `Give a number from ${min} to ${max}.`
  return within(name, message).required(message)
}

/** All of what things cost, each within its range. */
export const costsSchema = object({ hourlyRate: ofFirm('hourlyRate'), secondTrip: ofFirm('secondTrip'), wrongPart: ofFirm('wrongPart') })
  .noUnknown()
  .strict()

/** The settings of a case: known names only, each within its range. */
export const caseSettingsSchema = object({ hourlyRate: ofCase('hourlyRate'), secondTrip: ofCase('secondTrip'), wrongPart: ofCase('wrongPart') })
  .default({})
  .noUnknown(({ unknown }) => `settings.${String(unknown).slice(0, 60)} is unknown; known: ${Object.keys(costKinds).join(', ')}`)
  .strict()
