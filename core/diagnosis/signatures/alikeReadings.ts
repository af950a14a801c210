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
/** checks whose readings lie in one line of a processor’s cache: the table is passed through once for all of them */
const together = 16

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
  const columns = Array.from({ length: to - from }, (_unused, index) => ({
    at: from + index,
    values: [] as number[],
    of: new Uint16Array(first[sets.length + 1]!),
    places: new Map<number, number>(),
  }))
  for (let row = 0; row <= sets.length; row += atOnce) {
    const end = Math.min(sets.length + 1, row + atOnce)
    for (const { at, values, of, places } of columns) {
      const placeOf = (value: number) => {
        let place = places.get(value)
        if (place === undefined) places.set(value, (place = values.push(value) - 1))
        return place
      }
      for (let each = row; each < end; each++) {
        const nominal = first[each]!
        for (let plant = nominal; plant < first[each + 1]!; plant++) {
          const draw = plant - nominal
          const value = table[plant * width + at]!
          // most faults leave a check as it is on the same appliance without them
          of[plant] = each > 0 && value === table[draw * width + at]! ? of[draw]! : placeOf(value)
        }
      }
    }
  }
  return columns.map(({ values, of }) => ({ values, of }))
}
