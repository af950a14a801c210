import { type Catalogue, simulatedChecks } from '../catalogue/index.ts'
import { drawCount, faultSets, pairDraws, plantsOf, rowsOf, type Signatures } from './hypotheses.ts'
import { pairIndex, pairsOf } from './pairs.ts'
import { buildSingles, compose, type Exceptions, noExceptions } from './simulateRows.ts'

/**
 * Puts built rows and the catalogue they belong to together.
 *
 * @param singles as {@link buildSingles} gives them
 * @param exceptions as {@link simulatePairs} gives them, for all pairs
 * @throws RangeError when they belong to another catalogue
 */
export function assembleSignatures(catalogue: Catalogue, singles: Float32Array, exceptions: Exceptions): Signatures {
  const sets = faultSets(catalogue)
  const checks = simulatedChecks(catalogue).map((check) => check.id)
  const width = checks.length
  const count = catalogue.faults.length
  const row = drawCount * width
  if (singles.length !== (count + 2) * row) {
    throw new RangeError(`signatures hold ${singles.length} values where the catalogue needs ${(count + 2) * row}: build them again with "npm run signatures"`)
  }
  const first = plantsOf(sets)
  const all = new Float32Array(first[sets.length + 1]! * width)
  all.set(singles.subarray(0, (count + 1) * row))
  all.set(singles.subarray((count + 1) * row), first[sets.length]! * width)
  const pairs = first[count + 1]! * width
  const wide = pairDraws * width
  const placeOf = new Map<number, number>()
  pairsOf(catalogue).forEach(([a, b], row) => {
    compose(singles, width, a, b, all, pairs + row * wide)
    placeOf.set(pairIndex(count, a, b), pairs + row * wide)
  })
  exceptions.at.forEach((place, index) => {
    const from = placeOf.get(Math.floor(place / wide))
    if (from !== undefined) all[from + (place % wide)] = exceptions.values[index]!
  })
  return { draws: drawCount, checks, faults: catalogue.faults.map((fault) => fault.id), sets, rowOf: rowsOf(sets), first, values: all }
}

/**
 * A first set of signatures of a changed system, in a second or so: the nominal plant only, pairs composed.
 */
export function nominalSignatures(catalogue: Catalogue): Signatures {
  return assembleSignatures(catalogue, buildSingles(catalogue, 1), noExceptions)
}
