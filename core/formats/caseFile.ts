import { array, mixed, object, string, number } from 'yup'
import { caseSettingsSchema, check, parseEntry, type CaseSettings, type Entry, type FieldProblem, type Parsed } from '../casebook/index.ts'
import { causeItem, closingAnswers, isProbe, outcomesOf, placeOfOutcome, probeCheck, probeProblem, specOf, type Catalogue } from '../diagnosis/index.ts'
import { dimensionOf, isUnit, unitsLike } from '../quantity/index.ts'

/** The published case format: one system, its settings and a journal. */
export interface CaseFile {
  format: 'dewpoint-case'
  version: 1
  /** catalogue id of the boiler system */
  system: string
  /** catalogue id of the control scheme */
  controls: string
  settings: CaseSettings
  entries: Entry[]
}

const outer = object({
  format: string().oneOf(['dewpoint-case'], '${path} must be "dewpoint-case"').required(),
  version: number().oneOf([1], '${path} must be 1').required(),
  system: string().required(),
  controls: string().default('direct'),
  settings: mixed<CaseSettings>().default({}),
  entries: array().required(),
})
  .noUnknown()
  .strict()

/** The catalogues a case file may name. */
export interface KnownCatalogues {
  systems: readonly string[]
  /** ways a system may be wired, by the ids of their schemes */
  controlsOf(system: string): readonly string[]
  find(system: string, controls: string): Catalogue | undefined
}

/**
 * Reads a case file from parsed JSON, against the catalogues it may name.
 *
 * @returns the case, or every problem with the path of its field
 */
export function readCaseFile(input: unknown, known: KnownCatalogues): Parsed<CaseFile> {
  if (typeof input !== 'object' || input === null || Array.isArray(input))
    return fail('the file', 'must hold one JSON object with format, version, system and entries')
  const shape = check(() => outer.validateSync({ controls: 'direct', settings: {}, ...input }, { abortEarly: false }), '')
  if (!shape.ok) return shape
  const { system, controls, settings, entries } = shape.value
  if (!known.systems.includes(system)) return fail('system', `"${system}" is unknown; known: ${known.systems.join(', ')}`)
  const catalogue = known.find(system, controls)
  if (!catalogue) return fail('controls', `"${controls}" is not a way ${system} is wired; known: ${known.controlsOf(system).join(', ')}`)
  const problems: FieldProblem[] = settingProblems(settings)
  const read: Entry[] = []
  const seen = new Set<string>()
  entries.forEach((raw, index) => {
    const path = `entries[${index}]`
    const parsed = parseEntry(raw, path)
    if (!parsed.ok) problems.push(...parsed.problems)
    else if (seen.has(parsed.value.id)) problems.push({ field: `${path}.id`, message: `${path}.id is used twice` })
    else {
      seen.add(parsed.value.id)
      problems.push(...catalogueProblems(catalogue, parsed.value, `${path}.payload`))
      read.push(parsed.value)
    }
  })
  if (problems.length > 0) return { ok: false, problems }
  return { ok: true, value: { format: 'dewpoint-case', version: 1, system, controls, settings, entries: read } }
}

/** A case as a file of the published format. */
export function writeCaseFile(file: Omit<CaseFile, 'format' | 'version'>): CaseFile {
  const { system, controls, settings, entries } = file
  return { format: 'dewpoint-case', version: 1, system, controls, settings, entries }
}

/** What an entry names that the catalogue does not have. */
function catalogueProblems(catalogue: Catalogue, entry: Entry, path: string): FieldProblem[] {
  const unknown = (field: string, id: string | undefined, known: readonly { id: string }[], kind: string): FieldProblem[] =>
    id === undefined || known.some((one) => one.id === id)
      ? []
      : [{ field: `${path}.${field}`, message: `${path}.${field}: "${id}" is not a ${kind} of ${catalogue.system.id}; list them with diagnose -- --list` }]
  switch (entry.type) {
    case 'complaint':
      return unknown('what', entry.payload.what, catalogue.complaints, 'complaint')
    case 'fact':
      return [...unknown('fact', entry.payload.fact, catalogue.facts, 'fact'), ...factProblems(catalogue, entry.payload, path)]
    case 'action':
      return unknown('action', entry.payload.action, catalogue.actions, 'action')
    case 'finding':
      return unknown('fault', entry.payload.fault, catalogue.faults, 'fault')
    case 'repair':
      return unknown('remedy', entry.payload.remedy, catalogue.remedies, 'remedy')
    case 'decision':
      return [...unknown('fault', entry.payload.fault, catalogue.faults, 'fault'), ...unknown('check', entry.payload.check, catalogue.checks, 'check')]
    case 'reading':
      return readingProblems(catalogue, entry.payload, path)
    default:
      return []
  }
}

function factProblems(catalogue: Catalogue, { fact, value, unit }: Extract<Entry, { type: 'fact' }>['payload'], path: string): FieldProblem[] {
  const kind = catalogue.facts.find((one) => one.id === fact)
  if (!kind) return []
  if (kind.type === 'text' && typeof value !== 'string') return [{ field: `${path}.value`, message: `${path}.value: ${fact} is a text` }]
  if (kind.type === 'number' && typeof value !== 'number') return [{ field: `${path}.value`, message: `${path}.value: ${fact} is a number` }]
  if (kind.unit && unit !== undefined && (!isUnit(unit) || dimensionOf(unit) !== dimensionOf(kind.unit))) {
    return [{ field: `${path}.unit`, message: `${path}.unit: "${unit}" is not a unit of ${fact}; use ${unitsLike(kind.unit).join(', ')}` }]
  }
  return []
}

function readingProblems(catalogue: Catalogue, payload: Extract<Entry, { type: 'reading' }>['payload'], path: string): FieldProblem[] {
  const { check: id, outcome, unit, value } = payload
  const scheme = catalogue.system.controls
  if (isProbe(id) && !scheme) {
    return [{ field: `${path}.check`, message: `${path}.check: a meter between two terminals needs the wiring to be known: give "controls" of the case` }]
  }
  const spec = isProbe(id) ? specOf(id, payload) : undefined
  const why = spec && probeProblem(scheme!, spec)
  if (why) return [{ field: `${path}.place`, message: `${path}.place: ${why}` }]
  const item = catalogue.closing.some((one) => one.id === id) || catalogue.faults.some((one) => causeItem(one.id) === id)
  if (item)
    return outcome !== undefined && (closingAnswers as readonly string[]).includes(outcome)
      ? []
      : [{ field: `${path}.outcome`, message: `${path}.outcome: ${id} is answered with ${closingAnswers.join(', ')}` }]
  const found = spec ? probeCheck(scheme!, spec) : catalogue.checks.find((one) => one.id === id)
  if (!found)
    return [{ field: `${path}.check`, message: `${path}.check: "${id}" is not a check of ${catalogue.system.id}; list them with diagnose -- --list checks` }]
  if (outcome !== undefined) {
    const known = outcomesOf(found)
    // an outcome of earlier days, told apart since, is still one
    return placeOfOutcome(found, outcome) !== null
      ? []
      : [{ field: `${path}.outcome`, message: `${path}.outcome: "${outcome}" is not an outcome of ${id}; known: ${known.join(', ')}` }]
  }
  if (found.result.kind !== 'number')
    return [{ field: `${path}.value`, message: `${path}.value: ${id} is answered with an outcome: ${outcomesOf(found).join(', ')}` }]
  if (value === undefined || unit === undefined || !isUnit(unit) || dimensionOf(unit) !== dimensionOf(found.result.unit)) {
    return [{ field: `${path}.unit`, message: `${path}.unit: "${unit}" is not a unit of ${id}; use ${unitsLike(found.result.unit).join(', ')}` }]
  }
  return []
}

function settingProblems(settings: unknown): FieldProblem[] {
  const read = check(() => caseSettingsSchema.validateSync(settings, { abortEarly: false }), 'settings')
  return read.ok ? [] : read.problems
}

function fail(field: string, message: string): Parsed<never> {
  return { ok: false, problems: [{ field, message: `${field}: ${message}` }] }
}
