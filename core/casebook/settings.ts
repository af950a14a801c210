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

const kind = (name: keyof Costs) => {
  const { label, min, max } = costKinds[name]
  const message = `\${path} must be a number from ${min} to ${max} (${label})`
  return number().typeError(message).min(min, message).max(max, message)
}
const costs = { hourlyRate: kind('hourlyRate'), secondTrip: kind('secondTrip'), wrongPart: kind('wrongPart') }

/** All of what things cost, each named and within its range. */
export const costsSchema = object({
  hourlyRate: costs.hourlyRate.required(),
  secondTrip: costs.secondTrip.required(),
  wrongPart: costs.wrongPart.required(),
})
  .noUnknown()
  .strict()

/** The settings of a case: known names only, each within its range. */
export const caseSettingsSchema = object(costs)
  .default({})
  .noUnknown(({ unknown }) => `settings.${String(unknown).slice(0, 60)} is unknown; known: ${Object.keys(costKinds).join(', ')}`)
  .strict()
