import { type Catalogue, type Check, readsOf } from '../../catalogue/index.ts'
import type { Evidence, JournalRead } from '../../evidence/index.ts'
import { moves, type Signatures } from '../../signatures/index.ts'

/** share of what loses or gains water that does so too slowly to be seen on the visit on which the pressure was set right. Assumed */
const tooSlow = 0.7

/** A likelihood table as it is, and as if what loses or gains water were away. */
export interface Filled {
  there: Float64Array
  gone: Float64Array
}

/**
 * A reading made on the visit on which the pressure was set right says little yet of what loses or gains water: mostly it is judged as if that
 * were away, all of that visit, and where it is wrong again at once it convicts. What has only let the pressure go, such as a vessel without
 * charge, is judged so where too little water moves the reading: what else it does is still there. Signs, and what is watched over hours, are
 * judged as ever.
 *
 * @returns null for a reading that is judged as ever
 */
export function afterFilling(
  catalogue: Catalogue,
  signatures: Signatures,
  { mendings }: JournalRead,
  { check, epoch, visit }: Evidence,
  there: Float64Array,
): Filled | null {
  const { sets, first } = signatures
  const away = mendings.slice(0, epoch).some((one) => one.filled && one.visit === visit) ? goneAfterFilling(catalogue, signatures, check) : []
  if (away.length === 0) return null
  const gone = there.slice()
  sets.forEach((_set, row) => {
    const shown = shownIn(signatures, away, row)
    if (shown !== row) for (let plant = first[row]!; plant < first[row + 1]!; plant++) gone[plant] = there[first[shown]! + plant - first[row]!]!
  })
  return { there, gone }
}

/** How likely it was too slow for all of some readings, by what they said. */
export function stillGone(readings: readonly Filled[], plant: number): number {
  let there = 0
  let gone = 0
  for (const one of readings) {
    there += one.there[plant]!
    gone += one.gone[plant]!
  }
  return tooSlow / (tooSlow + (1 - tooSlow) * Math.exp(there - gone))
}

/** Faults that a check mostly shows nothing of on the visit on which the pressure was set right; the same list for checks of one kind. */
export function goneAfterFilling(catalogue: Catalogue, signatures: Signatures, check: Check): readonly number[] {
  if (check.result.kind === 'cue' || check.before || readsOf(check).some((read) => 'story' in read)) return nothing
  let lists = known.get(catalogue.faults)
  if (!lists) known.set(catalogue.faults, (lists = { slow: slowOnes(catalogue), righted: righted(catalogue) }))
  const byWater = catalogue.faults.some(({ setByFilling }, fault) => setByFilling && moves(signatures, fault, check.id))
  return byWater ? lists.righted : lists.slow
}

const nothing: readonly number[] = []
const known = new WeakMap<Catalogue['faults'], { slow: readonly number[]; righted: readonly number[] }>()

/** Log-likelihood of readings made after filling: too slow for all of them, or for none. */
export function mixed(there: number, gone: number): number {
  const highest = Math.max(there, gone)
  return highest + Math.log(tooSlow * Math.exp(gone - highest) + (1 - tooSlow) * Math.exp(there - highest))
}

/** Faults that lose or gain water slowly. */
const slowOnes = ({ faults }: Catalogue): number[] => faults.flatMap(({ slow }, fault) => (slow ? [fault] : []))

/** Those, and faults that have let the pressure go besides what else they do. */
const righted = ({ faults }: Catalogue): number[] => faults.flatMap(({ slow, lostPressure }, fault) => (slow || lostPressure ? [fault] : []))

/** What may be left of a set to be seen once the pressure was set right. */
export function seenAfterFilling(catalogue: Catalogue, set: readonly number[]): number[][] {
  return [slowOnes(catalogue), righted(catalogue)].map((gone) => set.filter((fault) => !gone.includes(fault)))
}

/** The row that holds what is left of another with some faults out of the way; a row of its own stays as it is. */
export function shownIn({ sets, rowOf }: Signatures, aside: readonly number[], row: number): number {
  const set = sets[row]
  if (aside.length === 0 || !set || !set.some((fault) => aside.includes(fault))) return row
  return rowOf.get(set.filter((fault) => !aside.includes(fault)).join(','))!
}
