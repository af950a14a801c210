import type { Entry } from '../casebook/index.ts'
import { believe } from './belief.ts'
import type { Catalogue } from './catalogue.ts'
import { readJournal } from './evidence.ts'
import { rowsByBelief } from './leadingRows.ts'
import { simulatedChecks } from './reading.ts'
import { drawCount, pairCount, pairDraws, simulatePairs, type Signatures } from './signatures.ts'

/** A pair of faults that was simulated: where it reads other than put together from the two, "never reached" as null. */
export interface SimulatedPair {
  /** in the order of the signature rows */
  pair: number
  exceptions: [at: number, value: number | null][]
}

/** a pair below this share is not worth simulating */
const plausible = 0.02

/** The likeliest pairs of a journal that are still put together from their singles. */
export function likeliestPairs(
  catalogue: Catalogue,
  signatures: Signatures,
  entries: readonly Entry[],
  simulated: ReadonlySet<number>,
  many: number,
): number[] {
  const firstPair = catalogue.faults.length + 1
  const found: number[] = []
  const belief = believe(catalogue, signatures, readJournal(catalogue, entries))
  for (const row of rowsByBelief(belief)) {
    if (belief.posterior[row]! < plausible) break
    if (signatures.sets[row]?.length === 2 && !simulated.has(row - firstPair)) found.push(row - firstPair)
    if (found.length === many) break
  }
  return found
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
  const { at, values } = simulatePairs(catalogue, singles, pair, pair + 1)
  const from = pair * pairDraws * width
  return { pair, exceptions: [...at].map((place, index) => [place - from, Number.isNaN(values[index]!) ? null : values[index]!]) }
}

/** The same signatures with some pairs as they were simulated. */
export function withPairs(catalogue: Catalogue, signatures: Signatures, pairs: readonly SimulatedPair[]): Signatures {
  const width = signatures.checks.length
  const values = signatures.values.slice()
  for (const { pair, exceptions } of pairs) {
    const row = catalogue.faults.length + 1 + pair
    if (signatures.sets[row]?.length !== 2) continue
    const from = signatures.first[row]! * width
    for (const [at, value] of exceptions) if (at < pairDraws * width) values[from + at] = value ?? NaN
  }
  return { ...signatures, values }
}
