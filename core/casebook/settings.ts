import { number, object } from 'yup'

/** Settings of a case the reasoning listens to, with their range. */
export const settingKinds = {
  hourlyRate: { label: 'money an hour on site', min: 0, max: 10_000 },
  secondTrip: { label: 'money a second trip costs', min: 0, max: 10_000 },
  wrongPart: { label: 'money a good part replaced costs beyond its price', min: 0, max: 10_000 },
} as const

/** What may be set for one case instead of for the whole firm. */
export type CaseSettings = { [K in keyof typeof settingKinds]?: number }

const kind = (name: keyof typeof settingKinds) => {
  const { label, min, max } = settingKinds[name]
  const message = `\${path} must be a number from ${min} to ${max} (${label})`
  return number().typeError(message).min(min, message).max(max, message)
}

/** The settings of a case: known names only, each within its range. */
export const caseSettingsSchema = object({ hourlyRate: kind('hourlyRate'), secondTrip: kind('secondTrip'), wrongPart: kind('wrongPart') })
  .default({})
  .noUnknown(({ unknown }) => `settings.${String(unknown).slice(0, 60)} is unknown; known: ${Object.keys(settingKinds).join(', ')}`)
  .strict()
