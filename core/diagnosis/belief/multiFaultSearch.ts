import { allRules, type Catalogue, type Experience, type Rules, simulatedChecks } from '../catalogue/index.ts'
import type { JournalRead } from '../evidence/index.ts'
import { checkReader, composePlant, type FaultSet, healthyDraws, plantOf, plantsOf, rowsOf, type Signatures } from '../signatures/index.ts'
import { withoutSlow } from './mended/afterFilling.ts'
import { linksOf } from './prior/links.ts'
import { type Belief, believe, meanLikelihood } from './posterior.ts'
import { rowsByBelief } from './rowsByBelief.ts'

/** from this share of an unlisted cause on, what is looked at does not explain the journal */
const unexplained = 0.25
/** a reading so many times less likely under the leader than under some single fault is not explained by it; such a fault makes it so many times likelier */
export const misses = 12
const helps = 3
/** sets that are grown from in each round, faults that join them, sets kept beside the singles, and the most faults at once */
const grownFrom = 10
const joining = 24
const keptSets = 80
const largest = 9
/** larger sets whose plants are simulated as they stand instead of put together */
const simulatedSets = 3

interface Looked {
  signatures: Signatures
  belief: Belief
}

/** A set put together anew from a smaller one and the fault that joins it. */
interface Fresh {
  set: FaultSet
  from: FaultSet
  by: number
}

/**
 * Larger sets than have a row, where a defect was seen, a reading made or damage is likely that the leading set leaves out, or where nothing
 * explains the journal well: grown from the best sets by one fault at a time, to as many as there are findings. Readings of a larger set are
 * put together from the smaller one and the fault that joins it; those of the likeliest are simulated.
 *
 * @returns a smaller set of signatures that holds nothing, every single fault, the likeliest sets and what grew from them, with the
 * belief in it; null where what has a row explains the journal well enough, or nothing larger does better
 */
export function grow(
  catalogue: Catalogue,
  signatures: Signatures,
  journal: JournalRead,
  belief: Belief,
  experience?: Experience,
  rules: Readonly<Rules> = allRules,
): Looked | null {
  const think = (own: Signatures): Looked => ({ signatures: own, belief: believe(catalogue, own, journal, experience, rules) })
  let now: Looked = { signatures, belief }
  let grew = false
  for (let size = 2; size <= largest; size++) {
    const joins = missing(catalogue, now, journal, rules)
    if (joins.length === 0) break
    const fresh = freshSets(now, joins, size)
    if (fresh.length === 0) {
      if (size === 2) continue
      break
    }
    const wide = think(focused(catalogue, now.signatures, bestSets(now, keptSets), fresh, journal))
    const next = think(focused(catalogue, wide.signatures, bestSets(wide, keptSets), [], journal))
    const leader = next.signatures.sets[rowsByBelief(next.belief)[0]!]
    const leads = leader?.length === size && !now.signatures.rowOf.has(leader.join(','))
    if (!leads && unlistedShare(next.belief) >= unlistedShare(now.belief)) {
      // a pair too rare for a row does not help: three at once still may
      if (size === 2) continue
      break
    }
    now = next
    grew = true
  }
  if (!grew) return null
  const larger = bestSets(now, simulatedSets).filter((set) => !signatures.rowOf.has(set.join(',')))
  if (larger.length === 0) return now
  return think({ ...now.signatures, values: simulateSets(catalogue, now.signatures, larger) })
}

const unlistedShare = (belief: Belief) => belief.posterior.at(-1)!

/** Faults that may stand beside what leads, most telling first; none where nothing is left to explain. */
function missing(catalogue: Catalogue, { signatures, belief }: Looked, { evidence, seen }: JournalRead, rules: Readonly<Rules>): number[] {
  const { sets, faults } = signatures
  const row = rowsByBelief(belief).find((one) => (sets[one]?.length ?? 0) > 0)
  if (row === undefined) return []
  const leader = sets[row]!
  const others = faults.map((_id, fault) => fault).filter((fault) => !leader.includes(fault))
  const leftOut = [...new Set(seen.map(({ fault }) => fault))].filter((fault) => !leader.includes(fault))
  const puzzled = evidence.length >= 3 && unlistedShare(belief) >= unexplained
  if (!rules.growth) return (leftOut.length > 0 && leader.length >= 2) || puzzled ? others : []
  const gains = new Float64Array(faults.length)
  let left = leftOut.length > 0 || puzzled
  for (const { table } of belief.weighed) {
    const mean = (at: number) => meanLikelihood(signatures, belief, table, at)
    const own = mean(row)
    const times = others.map((fault) => mean(fault + 1) / own)
    if (!times.some((one) => one >= misses)) continue
    left = true
    others.forEach((fault, index) => (gains[fault]! += times[index]! >= helps ? Math.log(times[index]!) : 0))
  }
  if (!left) return []
  for (const fault of leftOut) gains[fault] = Infinity
  const links = linksOf(catalogue)
  for (const fault of others) if (leader.some((one) => links[one]!.has(fault))) gains[fault]! += Math.log(helps)
  const telling = others.filter((fault) => gains[fault]! > 0).sort((a, b) => gains[b]! - gains[a]!)
  return puzzled && telling.length === 0 ? others : telling.slice(0, joining)
}

function freshSets(now: Looked, joins: readonly number[], size: number): Fresh[] {
  const fresh = new Map<string, Fresh>()
  for (const from of bestSets(now, grownFrom, Math.min(size - 1, 2))) {
    if (from.length !== size - 1) continue
    for (const by of joins) {
      if (from.includes(by)) continue
      const set = [...from, by].sort((a, b) => a - b)
      if (!fresh.has(set.join(',')) && !now.signatures.rowOf.has(set.join(','))) fresh.set(set.join(','), { set, from, by })
    }
  }
  return [...fresh.values()]
}

/** The likeliest sets of so many and more. */
function bestSets({ signatures, belief }: Looked, many: number, least = 2): FaultSet[] {
  const best: FaultSet[] = []
  for (const row of rowsByBelief(belief)) {
    const set = signatures.sets[row]
    if (set && set.length >= least) best.push(set)
    if (best.length === many) break
  }
  return best
}

/** What a set may become: without what repairs mended, and without what is out of the way or not to be seen at some time. */
function remainders(catalogue: Catalogue, set: FaultSet, { mendings }: JournalRead): FaultSet[] {
  let states: FaultSet[] = [set]
  const all = new Map<string, FaultSet>()
  const keep = (one: FaultSet) => all.set(one.join(','), one)
  keep(set)
  // a fault that comes and goes may be away by itself, where there are two
  if (set.length === 2) for (const fault of set) keep([fault])
  for (const { faults, aside } of mendings) {
    const next = new Map(states.map((one) => [one.join(','), one]))
    for (const one of states) {
      const left = one.filter((fault) => !faults.includes(fault))
      next.set(left.join(','), left)
    }
    states = [...next.values()]
    for (const one of states) {
      keep(one)
      keep(one.filter((fault) => !aside.includes(fault)))
    }
  }
  // once the pressure was set right a set is also read as if what lost it were away
  if (mendings.some((one) => one.filled)) for (const one of [...all.values()]) keep(withoutSlow(catalogue, one))
  return [...all.values()]
}

/** Signatures of nothing, every single fault, some sets with all that may be left of them, and sets put together anew. */
function focused(catalogue: Catalogue, signatures: Signatures, kept: readonly FaultSet[], fresh: readonly Fresh[], journal: JournalRead): Signatures {
  const singles = signatures.sets.filter((set) => set.length < 2)
  const wanted = new Map<string, FaultSet>()
  for (const set of [...kept, ...fresh.map((one) => one.set)])
    for (const one of remainders(catalogue, set, journal)) if (one.length > 1) wanted.set(one.join(','), one)
  const sets = [...singles, ...[...wanted.values()].sort((a, b) => a.length - b.length)]
  const first = plantsOf(sets)
  const width = signatures.checks.length
  const values = new Float32Array(first[sets.length + 1]! * width)
  const copy = (from: number, row: number) =>
    values.set(signatures.values.subarray(signatures.first[from]! * width, signatures.first[from + 1]! * width), first[row]! * width)
  const origin = new Map(fresh.map((one) => [one.set.join(','), one]))
  sets.forEach((set, row) => {
    const known = signatures.rowOf.get(set.join(','))
    if (known !== undefined) return copy(known, row)
    // from the set it grew from where that is known, else fault by fault
    const grown = origin.get(set.join(','))
    const from = grown && signatures.rowOf.get(grown.from.join(','))
    const start = from ?? set[0]! + 1
    const joins = grown && from !== undefined ? [grown.by] : set.slice(1)
    for (let plant = first[row]!; plant < first[row + 1]!; plant++) {
      const draw = plant - first[row]!
      const at = (signatures.first[start]! + draw) * width
      values.set(signatures.values.subarray(at, at + width), plant * width)
      for (const by of joins) composePlant(values, width, plant * width, (first[by + 1]! + draw) * width, draw * width, plant * width)
    }
  })
  copy(signatures.sets.length, sets.length)
  return { ...signatures, sets, rowOf: rowsOf(sets), first, values }
}

function simulateSets(catalogue: Catalogue, { first, rowOf, values, draws }: Signatures, wanted: readonly FaultSet[]): Float32Array {
  const exact = values.slice()
  const checks = simulatedChecks(catalogue)
  const read = checkReader(catalogue)
  const healthy = healthyDraws(catalogue.system, draws)
  for (const set of wanted) {
    const row = rowOf.get(set.join(','))!
    for (let plant = first[row]!; plant < first[row + 1]!; plant++)
      read(plantOf(catalogue, set, plant - first[row]!, healthy), checks, exact, plant * checks.length)
  }
  return exact
}
