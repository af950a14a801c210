import { type Catalogue, type Check, readsOf } from '../../catalogue/index.ts'
import type { Evidence, JournalRead } from '../../evidence/index.ts'
import { moves, severities, type Signatures } from '../../signatures/index.ts'

/** share of what loses or gains water that does so too slowly to be seen on the visit on which the pressure was set right. Assumed */
const tooSlow = 0.7

/** A likelihood table as it is, and as if what loses or gains water were away. */
export interface Filled {
  there: Float64Array
  gone: Float64Array
}

/**
 * A reading made on the visit on which the pressure was set right says little yet of what loses or gains water: mostly it is judged as if that
 * were away, all of that visit, and where it is wrong again at once it convicts. What has let the pressure go besides what else it does, such as a
 * vessel without charge, is judged as its mildest form, whose pressure is right, where too little water would move the reading. Over hours
 * what leaks shows. Signs are judged as ever.
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
  const like = mendings.slice(0, epoch).some((one) => one.filled && one.visit === visit) ? likeAfterFilling(catalogue, signatures, check) : null
  return like && { there, gone: Float64Array.from(like, (plant) => there[plant]!) }
}

/** Log-likelihood of readings made after filling: too slow for all of them, or for none. */
export function mixed(there: number, gone: number): number {
  const highest = Math.max(there, gone)
  return highest + Math.log(tooSlow * Math.exp(gone - highest) + (1 - tooSlow) * Math.exp(there - highest))
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

/**
 * Of every plant the one it mostly reads like in a check on the visit on which the pressure was set right.
 *
 * @returns null for a check that is judged as ever
 */
export function likeAfterFilling(catalogue: Catalogue, signatures: Signatures, check: Check): Int32Array | null {
  if (check.result.kind === 'cue' || check.before) return null
  const plants = plantsAfterFilling(catalogue, signatures)
  // over hours what leaks slowly shows, and what had let the pressure go began with it right
  if (readsOf(check).some((read) => 'story' in read)) return plants.begun
  const byWater = catalogue.faults.some(({ setByFilling }, fault) => setByFilling && moves(signatures, fault, check.id))
  return byWater ? plants.righted : plants.slow
}

/** Of every plant the one it reads like where what leaks slowly, where what has let the pressure go, and where both make no difference. */
interface PlantsLike {
  slow: Int32Array
  begun: Int32Array
  righted: Int32Array
}

/** How plants may read after filling, found once for a set of signatures. */
export function plantsAfterFilling(catalogue: Catalogue, signatures: Signatures): PlantsLike {
  const before = known.get(signatures)
  if (before?.catalogue === catalogue) return before
  const { sets, first, rowOf, draws } = signatures
  const slow = Int32Array.from({ length: first[sets.length + 2]! }, (_unused, plant) => plant)
  const begun = slow.slice()
  const righted = slow.slice()
  // pairs have the first of a fault's plants
  const severe = catalogue.faults.map((fault) => (fault.lostPressure ? severities(fault, draws) : []))
  const mildest = (fault: number, count: number) => severe[fault]!.indexOf(Math.min(...severe[fault]!.slice(0, count)))
  sets.forEach((set, row) => {
    const left = withoutSlow(catalogue, set)
    const lost = set.find((fault) => catalogue.faults[fault]!.lostPressure)
    if (left.length === set.length && lost === undefined) return
    const from = first[rowOf.get(left.join(','))!]!
    const count = first[row + 1]! - first[row]!
    const mild = lost === undefined ? -1 : mildest(lost, count)
    for (let draw = 0; draw < count; draw++) {
      slow[first[row]! + draw] = from + draw
      begun[first[row]! + draw] = first[row]! + (mild < 0 ? draw : mild)
      righted[first[row]! + draw] = from + (mild < 0 ? draw : mild)
    }
  })
  const plants = { catalogue, slow, begun, righted }
  known.set(signatures, plants)
  return plants
}

const known = new WeakMap<Signatures, PlantsLike & { catalogue: Catalogue }>()

/** What is left of a set without what loses or gains water slowly. */
export const withoutSlow = ({ faults }: Catalogue, set: readonly number[]): number[] => set.filter((fault) => !faults[fault]!.slow)

/** The row that holds what is left of another with some faults out of the way; a row of its own stays as it is. */
export function shownIn({ sets, rowOf }: Signatures, aside: readonly number[], row: number): number {
  const set = sets[row]
  if (aside.length === 0 || !set || !set.some((fault) => aside.includes(fault))) return row
  return rowOf.get(set.filter((fault) => !aside.includes(fault)).join(','))!
}
