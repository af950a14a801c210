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

/** The columns from one to before another of a table of plants by checks. */
function build({ sets, first }: Signatures, table: Float32Array, width: number, from: number, to: number): Alike[] {
  const plants = first[sets.length + 1]!
  const columns = Array.from({ length: to - from }, (_unused, index) => {
    const values: number[] = []
    const of = new Uint16Array(plants)
    const places = new Map<number, number>()
    const healthy = Array.from({ length: first[1]! }, (_each, draw) => table[draw * width + from + index]!)
    const place = (value: number) => {
      let at = places.get(value)
      if (at === undefined) {
        at = values.push(value) - 1
        places.set(value, at)
      }
      return at
    }
    return { values, of, healthy, place }
  })
  for (let row = 0; row <= sets.length; row++) {
    const nominal = first[row]!
    for (let plant = nominal; plant < first[row + 1]!; plant++) {
      for (let index = 0; index < columns.length; index++) {
        const { of, healthy, place } = columns[index]!
        const value = table[plant * width + from + index]!
        of[plant] = row > 0 && value === healthy[plant - nominal] ? of[plant - nominal]! : place(value)
      }
    }
  }
  return columns.map(({ values, of }) => ({ values, of }))
}
