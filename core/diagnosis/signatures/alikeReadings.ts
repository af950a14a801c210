import type { Catalogue, Check } from '../catalogue/index.ts'
import type { Signatures } from './hypotheses.ts'
import { readings } from './probedWiring.ts'

/** What a simulated check reads, put together by value: most plants read what others do. */
export interface Alike {
  /** distinct readings, NaN for "not reached" */
  values: number[]
  /** which of them each plant reads, nothing wrong to no demand */
  of: Uint16Array
}

const known = new WeakMap<Signatures, Map<string, Alike>>()

/** Plants put together by what a check reads on them, made once for a set of signatures. A meter between two terminals is put together anew. */
export function alikeReadings(catalogue: Catalogue, signatures: Signatures, check: Check): Alike {
  if (check.probe) return build(catalogue, signatures, check)
  let checks = known.get(signatures)
  if (!checks) known.set(signatures, (checks = new Map()))
  let alike = checks.get(check.id)
  if (!alike) checks.set(check.id, (alike = build(catalogue, signatures, check)))
  return alike
}

function build(catalogue: Catalogue, signatures: Signatures, check: Check): Alike {
  const { sets, first } = signatures
  const read = readings(catalogue, signatures, check)
  const values: number[] = []
  const of = new Uint16Array(first[sets.length + 1]!)
  const places = new Map<number, number>()
  const placeOf = (value: number) => {
    let place = places.get(value)
    if (place === undefined) {
      place = values.push(value) - 1
      places.set(value, place)
    }
    return place
  }
  const healthy = Array.from({ length: first[1]! }, (_unused, draw) => read(draw))
  for (let row = 0; row <= sets.length; row++) {
    const from = first[row]!
    for (let plant = from; plant < first[row + 1]!; plant++) {
      const value = read(plant)
      of[plant] = row > 0 && value === healthy[plant - from] ? of[plant - from]! : placeOf(value)
    }
  }
  return { values, of }
}
