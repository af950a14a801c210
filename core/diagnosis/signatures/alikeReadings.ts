import type { Catalogue, Check } from '../catalogue/index.ts'
import type { Signatures } from './hypotheses.ts'
import { probeColumn } from './probedWiring.ts'

/** What a simulated check reads, put together by value: most plants read what others do. */
export interface Alike {
  /** distinct readings, NaN for "not reached" */
  values: number[]
  /** which of them each plant reads, nothing wrong to no demand */
  of: Uint16Array
}

const known = new WeakMap<Signatures, Map<string, Alike>>()
/** checks whose readings lie beside one another: the table is passed through once for all of them; more at once cost more before the first answer */
const together = 6

/** Plants put together by what a check reads on them, made once for a set of signatures. A meter between two terminals is put together anew. */
export function alikeReadings(catalogue: Catalogue, signatures: Signatures, check: Check): Alike {
  if (check.probe) return build(signatures, probeColumn(catalogue, signatures, check.probe), 1, 0, 1)[0]!
  let tables = known.get(signatures)
  if (!tables) known.set(signatures, (tables = new Map()))
  const table = tables.get(check.id)
  if (table) return table
  const { checks, values } = signatures
  const from = Math.floor(checks.indexOf(check.id) / together) * together
  const to = Math.min(checks.length, from + together)
  build(signatures, values, checks.length, from, to).forEach((one, index) => tables.set(checks[from + index]!, one))
  return tables.get(check.id)!
}

/** rows looked at before the next column’s turn: what they read stays in the cache meanwhile */
const atOnce = 64

/** The columns from one to before another of a table of plants by checks. */
function build({ sets, first }: Signatures, table: Float32Array, width: number, from: number, to: number): Alike[] {
  const columns = Array.from({ length: to - from }, (_unused, index): Column => ({
    at: from + index,
    values: [],
    of: new Uint16Array(first[sets.length + 1]!),
    places: new Map(),
  }))
  for (let row = 0; row <= sets.length; row += atOnce) {
    const end = Math.min(sets.length + 1, row + atOnce)
    for (const column of columns) for (let each = row; each < end; each++) putRow(column, table, width, first, each, sets[each] ?? [])
  }
  return columns.map(({ values, of }) => ({ values, of }))
}

/** One check’s readings, being put together. */
interface Column extends Alike {
  /** which value of a row of the table */
  at: number
  places: Map<number, number>
}

/** Most faults leave a check as it is on the same appliance without them; several at once mostly leave it as one of them alone does. */
function putRow(column: Column, table: Float32Array, width: number, first: Int32Array, row: number, set: readonly number[]): void {
  const { at, of } = column
  const nominal = first[row]!
  const count = first[row + 1]! - nominal
  const one = set.length > 1 ? first[set[0]! + 1]! : nominal
  const other = set.length > 1 ? first[set[1]! + 1]! : nominal
  for (let draw = 0; draw < count; draw++) {
    const plant = nominal + draw
    const value = table[plant * width + at]!
    if (row > 0 && value === table[draw * width + at]!) of[plant] = of[draw]!
    else if (one + draw < nominal && value === table[(one + draw) * width + at]!) of[plant] = of[one + draw]!
    else if (other + draw < nominal && value === table[(other + draw) * width + at]!) of[plant] = of[other + draw]!
    else of[plant] = placeOf(column, value)
  }
}

function placeOf(column: Column, value: number): number {
  let place = column.places.get(value)
  if (place === undefined) column.places.set(value, (place = column.values.push(value) - 1))
  return place
}
