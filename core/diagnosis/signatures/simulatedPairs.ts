import { type Catalogue, simulatedChecks } from '../catalogue/index.ts'
import { drawCount, pairDraws, type Signatures } from './hypotheses.ts'
import { pairAt, pairCount } from './pairs.ts'
import { simulatePairs } from './simulateRows.ts'

/** A pair of faults that was simulated: where it reads other than put together from the two, "never reached" as null. */
export interface SimulatedPair {
  /** its place among all pairs of the catalogue's faults */
  pair: number
  exceptions: [at: number, value: number | null][]
}

/** Whether a pair from elsewhere is one that a catalogue can hold: a pair of its faults, each place within what is simulated of it, once. */
export function holdsPair(catalogue: Catalogue, { pair, exceptions }: SimulatedPair): boolean {
  const places = pairDraws * simulatedChecks(catalogue).length
  return (
    pair < pairCount(catalogue) &&
    exceptions.every(([at, value], index) => at < places && at > (exceptions[index - 1]?.[0] ?? -1) && Math.fround(value ?? 0) === (value ?? 0))
  )
}

/** Simulates one pair. */
export function simulatePair(catalogue: Catalogue, signatures: Signatures, pair: number): SimulatedPair {
  const width = signatures.checks.length
  const known = (catalogue.faults.length + 1) * drawCount * width
  // the rows of no fault and one, then "no demand", as they were built
  const singles = new Float32Array(known + drawCount * width)
  singles.set(signatures.values.subarray(0, known))
  singles.set(signatures.values.subarray(signatures.first[signatures.sets.length]! * width), known)
  const { at, values } = simulatePairs(catalogue, singles, [pairAt(catalogue.faults.length, pair)])
  const from = pair * pairDraws * width
  return { pair, exceptions: [...at].map((place, index) => [place - from, Number.isNaN(values[index]!) ? null : values[index]!]) }
}

/** The same signatures with some pairs as they were simulated. */
export function withPairs(catalogue: Catalogue, signatures: Signatures, pairs: readonly SimulatedPair[]): Signatures {
  const width = signatures.checks.length
  const values = signatures.values.slice()
  for (const { pair, exceptions } of pairs) {
    const row = signatures.rowOf.get(pairAt(catalogue.faults.length, pair).join(','))
    if (row === undefined) continue
    const from = signatures.first[row]! * width
    for (const [at, value] of exceptions) if (at < pairDraws * width) values[from + at] = value ?? NaN
  }
  return { ...signatures, values }
}
