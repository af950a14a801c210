import type { Catalogue } from '../../catalogue/index.ts'
import type { JournalRead } from '../../evidence/index.ts'
import { type FaultSet, moves, type Signatures } from '../../signatures/index.ts'

/** A sign shows often enough with a fault to be put down to it: this often, and so many times as often as without it. Assumed */
const shows = { atLeast: 0.2, times: 3 }

/**
 * Which of the complaints a case was opened for a set of faults may bring about, as places in the list of complaints.
 *
 * A fault is taken to explain a complaint when any of its plants, mild or severe, moves an answer the complaint consists of: the model is
 * not so exact that a fault which brings about “lukewarm” could not be behind “cold only” in the house.
 *
 * @returns null where nothing was complained of that any fault of the catalogue could bring about
 */
export function explaining(
  catalogue: Catalogue,
  signatures: Signatures,
  { complaints }: Pick<JournalRead, 'complaints'>,
): ((set: FaultSet) => number[]) | null {
  const { checks, faults } = signatures
  const brings = (fault: number, id: string): boolean => {
    if (checks.includes(id)) return moves(signatures, fault, id)
    const check = catalogue.checks.find((one) => one.id === id)
    if (check?.result.kind !== 'cue') return false
    const share = catalogue.faults[fault]!.cues?.[id] ?? 0
    return share >= shows.atLeast && share >= shows.times * check.result.without
  }
  const by = complaints.map(({ payload }) => {
    const evidence = catalogue.complaints.find((one) => one.id === payload.what)?.evidence ?? []
    return faults.map((_id, fault) => evidence.some(({ check }) => brings(fault, check)))
  })
  if (!by.some((faultsOf) => faultsOf.includes(true))) return null
  return (set) => by.flatMap((faultsOf, complaint) => (set.some((fault) => faultsOf[fault]) ? [complaint] : []))
}

/** What is left of a set that explains none of the complaints: the customer would not have rung about it. Chosen: ten to a hundred do the same */
const unexplaining = 1 / 30

/** What to multiply the odds of every row by for the complaints the case was opened for; nothing wrong, no demand and an unlisted cause stand as they are. */
export function complaintWeights(catalogue: Catalogue, signatures: Signatures, journal: Pick<JournalRead, 'complaints'>): Float64Array {
  const key = JSON.stringify(journal.complaints.map(({ payload }) => payload.what))
  const before = latest.get(signatures)
  if (before?.catalogue === catalogue && before.key === key) return before.weights
  const { sets } = signatures
  const weights = new Float64Array(sets.length + 2).fill(1)
  const explained = explaining(catalogue, signatures, journal)
  if (explained) {
    const alone = signatures.faults.map((_id, fault) => explained([fault]).length > 0)
    for (let row = 1; row < sets.length; row++) if (!sets[row]!.some((fault) => alone[fault])) weights[row] = unexplaining
  }
  latest.set(signatures, { catalogue, key, weights })
  return weights
}

/** the last of each set of signatures: what was complained of is mostly the same from one reading to the next */
const latest = new WeakMap<Signatures, { catalogue: Catalogue; key: string; weights: Float64Array }>()
