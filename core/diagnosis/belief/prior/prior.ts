import type { Catalogue } from '../../catalogue/index.ts'
import type { Circumstances } from '../../evidence/index.ts'
import { exclusive, type FaultSet, linkTo, togetherIn } from '../../signatures/index.ts'
import { faultOdds } from './odds.ts'

/**
 * Prior probability of every set of the signature rows, then of "no demand" and of an unlisted cause.
 * Faults stand independently but for the catalogue's coincidence factor, and one which damages another, or is hidden by it, makes it as likely as the link says.
 * A larger set is reached from its likeliest smaller one by the fault that joins it.
 *
 * @returns probabilities that sum to one, and the prior mass of sets which no row holds
 */
export function priorOf(catalogue: Catalogue, sets: readonly FaultSet[], background: Circumstances = {}): Prior {
  const odds = faultOdds(catalogue, background).map((one) => one / 1000)
  const known = latest.get(sets)
  if (known?.catalogue === catalogue && known.odds.every((one, index) => one === odds[index])) return known.prior
  const prior = priorBy(catalogue, sets, odds)
  latest.set(sets, { catalogue, odds, prior })
  return prior
}

interface Prior {
  probabilities: Float64Array
  unexamined: number
}

/** the last prior of each list of sets: from one reading to the next the odds are mostly the same */
const latest = new WeakMap<readonly FaultSet[], { catalogue: Catalogue; odds: number[]; prior: Prior }>()

/** @param odds of each fault by itself, as a share of the call-outs */
function priorBy(catalogue: Catalogue, sets: readonly FaultSet[], odds: readonly number[]): Prior {
  const { nothingWrong, noDemand, unlisted, coincidence } = catalogue.prior
  const together = togetherIn(catalogue)
  /** how likely `fault` stands where all of `others` do */
  const joins = (fault: number, others: FaultSet): number => {
    const own = catalogue.faults[fault]!
    let linked = 0
    let shared = 1
    let possible = 1
    for (const index of others) {
      const other = catalogue.faults[index]!
      linked += linkTo(other, own)
      shared = Math.max(shared, together(own, other))
      // never nothing at all
      if (exclusive(own, other)) possible = 1e-9
    }
    return possible * (coincidence * shared * odds[fault]! + linked)
  }
  const reached = new Map<string, number>()
  const larger = (set: FaultSet): number => {
    if (set.length === 1) return odds[set[0]!]!
    const known = reached.get(set.join(','))
    if (known !== undefined) return known
    const ways = set.map((fault) => {
      const others = set.filter((one) => one !== fault)
      return { others, by: joins(fault, others) }
    })
    // of many faults only the readiest to join is tried as the last
    const tried = set.length <= 3 ? ways : [ways.reduce((most, one) => (one.by > most.by ? one : most))]
    const most = Math.max(...tried.map(({ others, by }) => by * larger(others)))
    reached.set(set.join(','), most)
    return most
  }
  const weights = new Float64Array(sets.length + 2)
  let rowed = 0
  sets.forEach((set, row) => {
    const [a, b] = set
    if (a === undefined) weights[row] = nothingWrong / 1000
    else if (b === undefined) weights[row] = odds[a]!
    else if (set.length === 2) {
      rowed += odds[a]! * odds[b]!
      const first = catalogue.faults[a]!
      const second = catalogue.faults[b]!
      const linked = odds[a]! * linkTo(first, second) + odds[b]! * linkTo(second, first)
      const possible = exclusive(first, second) ? 1e-9 : 1
      weights[row] = possible * (coincidence * together(first, second) * odds[a]! * odds[b]! + linked)
    } else weights[row] = larger(set)
  })
  weights[sets.length] = noDemand / 1000
  weights[sets.length + 1] = unlisted / 1000
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  // sets of three and more, and pairs where not all of them have a row, as if all were unrelated
  const every = odds.reduce((product, one) => product * (1 + one), 1) - 1 - sumOf(odds) - pairSum(odds)
  // differences of large sums may end a rounding below nothing
  const left = Math.max(coincidence ** 2 * every + coincidence * (pairSum(odds) - rowed), 0)
  return { probabilities: weights.map((weight) => weight / total), unexamined: left / (total + left) }
}

const sumOf = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0)

function pairSum(values: readonly number[]): number {
  const sum = sumOf(values)
  return (sum * sum - values.reduce((squares, value) => squares + value * value, 0)) / 2
}
