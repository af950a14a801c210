import { allRules, type Catalogue, type Experience, type Rules, simulatedChecks } from '../catalogue/index.ts'
import type { JournalRead } from '../evidence/index.ts'
import { checkReader, composePlant, type FaultSet, healthyDraws, plantOf, plantsOf, rowsOf, type Signatures } from '../signatures/index.ts'
import { type Belief, believe } from './posterior.ts'
import { rowsByBelief } from './rowsByBelief.ts'

/** from this share of an unlisted cause on, pairs do not explain the journal */
const unexplained = 0.25
/** sets that are grown from in each round, sets kept beside the singles, and the largest */
const grownFrom = 14
const keptSets = 80
const largest = 5
/** larger sets whose plants are simulated as they stand instead of put together */
const simulatedSets = 3

/**
 * When no pair explains a journal: larger sets, grown from the best ones by one fault at a time while that explains more. Their readings
 * are put together from the smaller set and the fault that joins it; those of the likeliest are simulated.
 *
 * @returns a smaller set of signatures that holds nothing, every single fault, the likeliest pairs and what grew from them, with the
 * belief in it; null where a pair or less explains the journal well enough, or nothing larger does better
 */
export function grow(
  catalogue: Catalogue,
  signatures: Signatures,
  journal: JournalRead,
  belief: Belief,
  experience?: Experience,
  rules: Readonly<Rules> = allRules,
): { signatures: Signatures; belief: Belief } | null {
  if (explained(signatures, belief, journal)) return null
  const count = catalogue.faults.length
  let now = { signatures, belief }
  let grew = false
  for (let size = 3; size <= largest && !explained(now.signatures, now.belief, journal); size++) {
    const best = bestSets(now, grownFrom)
    const fresh = new Map<string, { set: FaultSet; from: FaultSet; by: number }>()
    for (const set of best) {
      if (set.length !== size - 1) continue
      for (let fault = 0; fault < count; fault++) {
        if (set.includes(fault)) continue
        const larger = [...set, fault].sort((a, b) => a - b)
        if (!fresh.has(larger.join(','))) fresh.set(larger.join(','), { set: larger, from: set, by: fault })
      }
    }
    if (fresh.size === 0) break
    const wide = focused(now.signatures, bestSets(now, keptSets), [...fresh.values()])
    const seen = { signatures: wide, belief: believe(catalogue, wide, journal, experience, rules) }
    const narrow = focused(wide, bestSets(seen, keptSets), [])
    const next = { signatures: narrow, belief: believe(catalogue, narrow, journal, experience, rules) }
    const leader = narrow.sets[rowsByBelief(next.belief)[0]!]
    if (leader?.length !== size && unlistedShare(next.belief) >= unlistedShare(now.belief)) break
    now = next
    grew = true
  }
  if (!grew) return null
  const larger = bestSets(now, simulatedSets).filter((set) => set.length > 2)
  if (larger.length > 0) {
    const exact = { ...now.signatures, values: simulateSets(catalogue, now.signatures, larger) }
    now = { signatures: exact, belief: believe(catalogue, exact, journal, experience, rules) }
  }
  return now
}

/** Whether what leads leaves no defect that was seen out, and no unlisted cause rivals it. */
function explained(signatures: Signatures, belief: Belief, { evidence, seen }: JournalRead): boolean {
  const leader = signatures.sets[rowsByBelief(belief)[0]!] ?? []
  const leftOut = seen.some(({ fault }) => !leader.includes(fault))
  if (leftOut && leader.length >= 2) return false
  return evidence.length < 3 || unlistedShare(belief) < unexplained
}

const unlistedShare = (belief: Belief) => belief.posterior.at(-1)!

/** The likeliest sets of two and more. */
function bestSets({ signatures, belief }: { signatures: Signatures; belief: Belief }, many: number): FaultSet[] {
  const best: FaultSet[] = []
  for (const row of rowsByBelief(belief)) {
    const set = signatures.sets[row]
    if (set && set.length > 1) best.push(set)
    if (best.length === many) break
  }
  return best
}

/** Signatures of nothing, every single fault, some sets with all that may be left of them after a repair, and sets put together anew. */
function focused(signatures: Signatures, kept: readonly FaultSet[], fresh: readonly { set: FaultSet; from: FaultSet; by: number }[]): Signatures {
  const singles = signatures.sets.filter((set) => set.length < 2)
  const wanted = new Map<string, FaultSet>()
  const include = (set: FaultSet) => {
    if (set.length < 2 || wanted.has(set.join(','))) return
    wanted.set(set.join(','), set)
    for (const fault of set) include(set.filter((one) => one !== fault))
  }
  for (const set of kept) include(set)
  for (const { set } of fresh) include(set)
  const sets = [...singles, ...[...wanted.values()].sort((a, b) => a.length - b.length)]
  const first = plantsOf(sets)
  const width = signatures.checks.length
  const values = new Float32Array(first[sets.length + 1]! * width)
  const rowOf = rowsOf(sets)
  const copy = (from: number, row: number) =>
    values.set(signatures.values.subarray(signatures.first[from]! * width, signatures.first[from + 1]! * width), first[row]! * width)
  const origin = new Map(fresh.map(({ set, from, by }) => [set.join(','), { from, by }]))
  sets.forEach((set, row) => {
    const known = signatures.rowOf.get(set.join(','))
    if (known !== undefined) return copy(known, row)
    const { from, by } = origin.get(set.join(',')) ?? { from: set.slice(0, -1), by: set.at(-1)! }
    const rest = first[rowOf.get(from.join(','))!]!
    for (let plant = first[row]!; plant < first[row + 1]!; plant++) {
      const draw = plant - first[row]!
      composePlant(values, width, (rest + draw) * width, (first[by + 1]! + draw) * width, draw * width, plant * width)
    }
  })
  copy(signatures.sets.length, sets.length)
  return { ...signatures, sets, rowOf, first, values }
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
