import type { Catalogue, Check } from '../../catalogue/index.ts'
import type { Signatures } from '../../signatures/index.ts'
import type { Belief } from '../posterior.ts'
import { cueProbability, signProbability, strangeAnswer, unlistedProbability } from './readingModel.ts'
import { resultTable } from './resultTable.ts'

/** Chance of each result of a check under one row, after what was repaired: outcomes, or bins over the check's scale, then "not reached"; of a cue yes and no. */
export function resultChances(catalogue: Catalogue, signatures: Signatures, belief: Belief, check: Check, row: number): Float64Array {
  const standing = belief.standing(row)
  const like = belief.like(check)
  const of = (state: number) => {
    const shown = belief.shown(state)
    const there = chancesOf(catalogue, signatures, belief, check, row, shown)
    const share = like ? belief.likeShare(shown) : 0
    if (share === 0) return there
    const away = chancesOf(catalogue, signatures, belief, check, row, shown, like)
    return there.map((chance, result) => (1 - share) * chance + share * away[result]!)
  }
  if (standing.length === 1 && standing[0]!.row === row) return of(row)
  return standing
    .map(({ row: state, weight }) => of(state).map((chance) => chance * weight))
    .reduce((sum, one) => sum.map((chance, index) => chance + one[index]!))
}

function chancesOf(
  catalogue: Catalogue,
  signatures: Signatures,
  belief: Belief,
  check: Check,
  row: number,
  state: number,
  like: Int32Array | null = null,
): Float64Array {
  const { first, sets } = signatures
  const unlisted = state === sets.length + 1
  if (check.result.kind === 'cue') {
    const yes = cueChance(catalogue, check, unlisted ? null : (sets[state] ?? []))
    return Float64Array.of(yes, 1 - yes)
  }
  const { size, chances: lists, readingOf, listOf, strange } = resultTable(catalogue, signatures, check)
  const source = first[unlisted ? 0 : state]!
  const weights = belief.weightsOf(row, state)
  const chances = new Float64Array(size)
  const list = (draw: number) => listOf[readingOf[like ? like[source + draw]! : source + draw]!]!
  let from = 0
  while (from < weights.length) {
    // neighbouring draws that read alike are taken in one go
    const which = list(from)
    let weight = 0
    while (from < weights.length && list(from) === which) weight += weights[from++]!
    for (let result = 0; result < size; result++) chances[result]! += weight * lists[which * size + result]!
  }
  return unlisted ? chances.map((healthy, result) => unlistedProbability(check, healthy, strange[result]!)) : chances
}

/** Chance that "yes" is said of a cue under a set of faults; null is an unlisted cause. */
export function cueChance(catalogue: Catalogue, check: Check, set: readonly number[] | null): number {
  const said = signProbability(check, cueProbability(catalogue, check, set ?? []))
  return set ? said : unlistedProbability(check, said, strangeAnswer(check, 1))
}
