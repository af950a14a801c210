import { check, uuid7, type CaseSummary, type Entry, type Parsed } from '@dewpoint/core/casebook'
import { lazy, mixed, object, string, type InferType } from 'yup'
import type { Appliance, Site } from './site.ts'

/** A site written down together with its first case. */
const newSiteSchema = object({
  id: uuid7().required(),
  name: string().trim().min(1, 'give the customer or the place a name').max(120).required('give the customer or the place a name'),
  address: string().trim().max(200).default(''),
  note: string().trim().max(500).default(''),
})
  .noUnknown()
  .strict()

/** What opens a case: the place, the boiler and the settings of the case. */
export const newCaseSchema = object({
  id: uuid7().required(),
  openedAt: string()
    .matches(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}(\.\d{1,3})?Z$/, { message: '${path} must be a time in UTC like 2026-03-01T09:30:00Z' })
    .required(),
  site: newSiteSchema,
  appliance: object({
    id: uuid7().required(),
    system: string().min(1).max(60).required(),
    label: string().trim().min(1).max(120).required(),
    installedOn: string()
      .matches(/^(\d{4}-\d{2}-\d{2})?$/, { message: '${path} must be a date like 2019-05-01' })
      .default(''),
  })
    .noUnknown()
    .strict(),
  controls: string().max(60).default('direct'),
  settings: lazy((value: unknown) =>
    mixed<Record<string, string | number | boolean>>().test(
      'plain',
      '${path} must be names with plain values',
      () => value === undefined || (typeof value === 'object' && value !== null && !Array.isArray(value)),
    ),
  ),
})
  .noUnknown()
  .strict()

/** A new case as the client sends it. */
export type NewCase = InferType<typeof newCaseSchema>

/** Reads a new case, or says field by field what is wrong with it. */
export function readCase(input: unknown): Parsed<NewCase> {
  return check(() => newCaseSchema.validateSync(input, { abortEarly: false }), '')
}

/** One case with its place, its boiler and its whole journal. */
export interface Case {
  id: string
  openedAt: string
  controls: string
  settings: Record<string, string | number | boolean>
  site: Site
  appliance: Appliance
  entries: Entry[]
}

/** A case as a list shows it. */
export interface CaseLine extends Omit<Case, 'entries'> {
  summary: CaseSummary
}
