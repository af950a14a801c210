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
 * vessel without charge, is judged as its mildest form, whose pressure is right, where too little water would move the reading. Signs, and what is
 * watched over hours, are judged as ever.
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
  if (check.result.kind === 'cue' || check.before || readsOf(check).some((read) => 'story' in read)) return null
  const byWater = catalogue.faults.some(({ setByFilling }, fault) => setByFilling && moves(signatures, fault, check.id))
  return plantsAfterFilling(catalogue, signatures)[byWater ? 'righted' : 'slow']
}

/** Both ways plants may read, found once for a set of signatures: `righted` also of what has let the pressure go. */
export function plantsAfterFilling(catalogue: Catalogue, signatures: Signatures): { slow: Int32Array; righted: Int32Array } {
  const before = known.get(signatures)
  if (before?.catalogue === catalogue) return before
  const { sets, first, rowOf, draws } = signatures
  const slow = Int32Array.from({ length: first[sets.length + 2]! }, (_unused, plant) => plant)
  const righted = slow.slice()
  const mildest = (fault: number, count: number) => {
    const own = severities(catalogue.faults[fault]!, draws).slice(0, count)
    return own.indexOf(Math.min(...own))
  }
  sets.forEach((set, row) => {
    const left = withoutSlow(catalogue, set)
    const lost = left.find((fault) => catalogue.faults[fault]!.lostPressure)
    if (left.length === set.length && lost === undefined) return
    const from = first[rowOf.get(left.join(','))!]!
    const count = first[row + 1]! - first[row]!
    for (let draw = 0; draw < count; draw++) {
      slow[first[row]! + draw] = from + draw
      righted[first[row]! + draw] = from + (lost === undefined ? draw : mildest(lost, count))
    }
  })
  const plants = { catalogue, slow, righted }
  known.set(signatures, plants)
  return plants
}

const known = new WeakMap<Signatures, { catalogue: Catalogue; slow: Int32Array; righted: Int32Array }>()

/** What is left of a set without what loses or gains water slowly. */
export const withoutSlow = ({ faults }: Catalogue, set: readonly number[]): number[] => set.filter((fault) => !faults[fault]!.slow)

/** The row that holds what is left of another with some faults out of the way; a row of its own stays as it is. */
export function shownIn({ sets, rowOf }: Signatures, aside: readonly number[], row: number): number {
  const set = sets[row]
  if (aside.length === 0 || !set || !set.some((fault) => aside.includes(fault))) return row
  return rowOf.get(set.filter((fault) => !aside.includes(fault)).join(','))!
}
