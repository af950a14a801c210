import { entriesOf, type Entry, type Payload } from '@dewpoint/core/casebook'
import { impossibility, outcomesOf, type Catalogue } from '@dewpoint/core/diagnosis'
import type { CaseFile } from '@dewpoint/core/formats'
import { isUnit, unitsLike, type UnitSymbol } from '@dewpoint/core/quantity'
import { createEvents, type DateArray } from 'ics'
import Papa from 'papaparse'

/** A case as the published case file. */
export const caseFileOf = (system: string, controls: string, settings: CaseFile['settings'], entries: readonly Entry[]): CaseFile => ({
  ...{ format: 'dewpoint-case', version: 1, system, controls, settings },
  entries: [...entries],
})

const columns = ['at', 'check', 'what', 'value', 'unit', 'outcome', 'demand', 'note'] as const
type Row = Record<(typeof columns)[number], string>

/** what a table program takes for a formula begins so: it is told that it is text */
const guarded = (text: string) => (/^[=+@\t\r]|^-(?!\d)/.test(text) ? `'${text}` : text)

/** Readings as a table, one a line: what may be read in again, with the check in words beside its id. */
export function readingsCsv(catalogue: Catalogue, live: readonly Entry[]): string {
  const rows = entriesOf(live, 'reading').map(({ at, payload }): Row => {
    const check = catalogue.checks.find((one) => one.id === payload.check)
    return {
      ...{
        at,
        check: payload.check,
        what: guarded(check?.label ?? ''),
        value: payload.value === undefined ? '' : String(payload.value),
        unit: payload.unit ?? '',
      },
      ...{ outcome: payload.outcome ?? '', demand: payload.situation?.demand ?? '', note: guarded(payload.note ?? '') },
    }
  })
  return Papa.unparse(rows, { columns: [...columns], newline: '\r\n' })
}

/** What is wrong with a table, by line and column as a table program counts them. */
export interface CsvProblem {
  line: number
  column: string
  says: string
}

const mostRows = 500
const demands = ['none', 'heating', 'hotWater', 'both'] as const

/**
 * Reads readings from a table: a header line with at least `check` and either `value` with `unit` or `outcome`, in any order of columns.
 *
 * @returns the rows that are good, and of each that is not where and why
 */
export function readReadings(catalogue: Catalogue, text: string): { readings: Payload<'reading'>[]; problems: CsvProblem[] } {
  const { data, meta, errors } = Papa.parse<Partial<Row>>(text.replace(/^\ufeff/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (name) => name.trim().toLowerCase(),
  })
  const problems: CsvProblem[] = errors.filter((one) => one.type !== 'Delimiter').map((one) => ({ line: (one.row ?? 0) + 2, column: '', says: one.message }))
  const broken = new Set(problems.map((one) => one.line))
  const fields = meta.fields ?? []
  if (!fields.includes('check'))
    return {
      readings: [],
      problems: [{ line: 1, column: 'check', says: 'There is no column named check. Begin with a line of names: check, value, unit, outcome.' }],
    }
  if (!fields.includes('value') && !fields.includes('outcome'))
    return { readings: [], problems: [{ line: 1, column: 'value', says: 'There is neither a column value nor a column outcome.' }] }
  const readings: Payload<'reading'>[] = []
  data.slice(0, mostRows).forEach((row, index) => {
    const line = index + 2
    if (broken.has(line)) return
    const read = readRow(catalogue, row)
    if ('says' in read) problems.push({ line, ...read })
    else readings.push(read)
  })
  if (data.length > mostRows) problems.push({ line: mostRows + 2, column: '', says: `More than ${mostRows} readings: what follows is left out.` })
  return { readings, problems: problems.sort((a, b) => a.line - b.line) }
}

function readRow(catalogue: Catalogue, row: Partial<Row>): Payload<'reading'> | Omit<CsvProblem, 'line'> {
  const cell = (name: keyof Row) => (row[name] ?? '').trim()
  const named = cell('check')
  const check = catalogue.checks.find((one) => one.id === named || one.label.toLowerCase() === named.toLowerCase())
  if (!check) return { column: 'check', says: `“${named.slice(0, 60)}” is no check of this boiler.` }
  const demand = cell('demand')
  if (demand && !demands.includes(demand as (typeof demands)[number]))
    return { column: 'demand', says: `“${demand.slice(0, 30)}” is none of ${demands.join(', ')}.` }
  const note = cell('note').replace(/^'(?=[=+@-])/, '')
  if (note.length > 2000) return { column: 'note', says: 'A note has at most 2000 letters.' }
  const more = { ...(demand && { situation: { demand: demand as (typeof demands)[number] } }), ...(note && { note }) }
  const outcome = cell('outcome')
  if (outcome) {
    if (!outcomesOf(check).includes(outcome))
      return { column: 'outcome', says: `“${outcome.slice(0, 40)}” is no answer to it: ${outcomesOf(check).slice(0, 8).join(', ')}.` }
    return { check: check.id, outcome, ...more }
  }
  if (check.result.kind !== 'number') return { column: 'outcome', says: `“${check.label}” is answered in words: ${outcomesOf(check).slice(0, 8).join(', ')}.` }
  const typed = cell('value')
  const value = Number(typed.replace(/^(-?\d+),(\d+)$/, '$1.$2'))
  if (typed === '' || !Number.isFinite(value)) return { column: 'value', says: `“${typed.slice(0, 30)}” is no number.` }
  const unit = cell('unit') || check.result.unit
  const units = unitsLike(check.result.unit)
  if (!isUnit(unit) || !units.includes(unit)) return { column: 'unit', says: `“${unit.slice(0, 20)}” is no unit of it: ${units.join(', ')}.` }
  const odd = impossibility(check.result, value, unit as UnitSymbol)
  return odd ? { column: 'value', says: odd } : { check: check.id, value, unit, ...more }
}

/** Follow-ups of a case as a calendar: whole days, with where. Null where there are none. */
export function calendarOf(id: string, place: { name: string; address: string }, live: readonly Entry[]): string | null {
  const dayOf = (iso: string): DateArray => iso.slice(0, 10).split('-').map(Number) as [number, number, number]
  const events = entriesOf(live, 'followUp').map(({ id: entry, payload }) => ({
    ...{
      uid: `${entry}@dewpoint`,
      productId: 'dewpoint',
      title: `${payload.what}: ${place.name}`,
      location: place.address,
      description: `Case ${id.slice(-6).toUpperCase()}`,
    },
    ...{ start: dayOf(payload.on), duration: { days: 1 } },
  }))
  if (events.length === 0) return null
  const { value, error } = createEvents(events)
  if (error || !value) throw new Error('The follow-up could not be written as a calendar.')
  return value
}
