import type { Entry } from '../../casebook/index.ts'
import type { Catalogue, Experience } from '../catalogue/index.ts'
import { pairIndex, type Signatures } from '../signatures/index.ts'
import { rowsByBelief } from './rowsByBelief.ts'
import { weighJournal } from './weighJournal.ts'

/** a pair below this share is not worth simulating */
const plausible = 0.02

/** The likeliest pairs of a journal that are still put together from their singles, by their place among all of them. */
export function likeliestPairs(
  catalogue: Catalogue,
  known: Signatures,
  entries: readonly Entry[],
  simulated: ReadonlySet<number>,
  many: number,
  experience?: Experience,
): number[] {
  const found: number[] = []
  const { signatures, belief } = weighJournal(catalogue, known, entries, experience)
  for (const row of rowsByBelief(belief)) {
    if (belief.posterior[row]! < plausible || found.length === many) break
    const [a, b, more] = signatures.sets[row] ?? []
    if (a === undefined || b === undefined || more !== undefined || !known.rowOf.has(`${a},${b}`)) continue
    const pair = pairIndex(catalogue.faults.length, a, b)
    if (!simulated.has(pair)) found.push(pair)
  }
  return found
}
