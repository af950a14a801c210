import {
  caseSettingsSchema,
  check,
  dayOrNothing,
  instant,
  outOfBounds,
  uuid7,
  type Bounds,
  type CaseSettings,
  type CaseSummary,
  type Parsed,
} from '@dewpoint/core/casebook'
import { object, string, type InferType } from 'yup'
import type { News } from './entries.ts'
import type { Appliance, Site } from './site.ts'

/** A site written down together with its first case. */
const newSiteSchema = object({
  id: uuid7().required(),
  name: string().trim().min(1, 'give the customer or the place a name').max(120).required('give the customer or the place a name'),
  address: string().trim().max(200).default(''),
  note: string().trim().max(500).default(''),
  phone: string()
    .trim()
    .max(40)
    .matches(/^[\d\s+()/.-]*$/, { message: 'give a telephone number in figures', excludeEmptyString: true })
    .default(''),
})
  .noUnknown()
  .strict()
  .required()

/** What opens a case: the place, the boiler and the settings of the case. */
export const newCaseSchema = object({
  id: uuid7().required(),
  openedAt: instant().required(),
  site: newSiteSchema,
  appliance: object({
    id: uuid7().required(),
    system: string().min(1).max(60).required(),
    label: string().trim().min(1).max(120).required(),
    installedOn: dayOrNothing().default(''),
  })
    .noUnknown()
    .strict()
    .required(),
  controls: string().min(1).max(60).default('direct'),
  settings: caseSettingsSchema,
})
  .noUnknown()
  .strict()

/** A new case as the client sends it. */
export type NewCase = InferType<typeof newCaseSchema>

const caseBounds: Bounds = { depth: 4, values: 60, text: 500, list: 0, fields: 12 }

/** Reads a new case, or says field by field what is wrong with it. */
export function readCase(input: unknown): Parsed<NewCase> {
  const large = outOfBounds(input, caseBounds)
  if (large) return { ok: false, problems: [large] }
  const read = check(() => newCaseSchema.validateSync(input, { abortEarly: false }), '')
  // a strict reading fills nothing in
  return read.ok ? { ok: true, value: newCaseSchema.cast(read.value) } : read
}

/** One case with its place, its boiler and its whole journal. */
export interface Case extends News {
  id: string
  openedAt: string
  controls: string
  settings: CaseSettings
  site: Site
  appliance: Appliance
  /** when the person was taken out of it; missing where nobody asked for that */
  erasedAt?: string
}

/** A case as a list shows it. */
export interface CaseLine extends Omit<Case, keyof News> {
  summary: CaseSummary
  /** how many entries the server holds: another figure, and there is something new */
  position: number
}

/** A stretch of the list of cases, newest first. */
export interface CaseList {
  cases: CaseLine[]
  /** what to ask for to get the next stretch; null at the end */
  next: string | null
}

/** What the server holds under the ids of a case that was sent with other content. */
export interface PresentCase {
  case?: Pick<NewCase, 'id' | 'openedAt' | 'controls' | 'settings'> & { siteId: string; applianceId: string }
  site?: Site
  appliance?: Appliance
}
