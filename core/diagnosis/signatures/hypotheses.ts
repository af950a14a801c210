import type { Parameters } from '../../system/index.ts'
import type { Catalogue } from '../catalogue/index.ts'
import { combined, healthyDraws, patched, severities } from './healthyPlants.ts'
import { pairsOf } from './pairs.ts'

/** How many plants stand behind every hypothesis. */
export const drawCount = 8
/** Two and more faults at once are simulated in the first half of them. */
export const pairDraws = 4

/** A set of faults by their index in the catalogue; the empty set is the healthy appliance. */
export type FaultSet = readonly number[]

/**
 * What every check would read under every hypothesis, in every draw. One row a hypothesis: the empty set, the singles,
 * the larger sets, and last "no demand". A number check holds its value, an outcome check the index of its outcome, NaN "not reached".
 */
export interface Signatures {
  draws: number
  checks: string[]
  faults: string[]
  sets: FaultSet[]
  /** row of a set, keyed by its indices joined with a comma; `noDemand` for that one */
  rowOf: Map<string, number>
  /** first plant of every row, as {@link plantsOf} lays them out; a plant is a row in one draw, the draws of a row in order */
  first: Int32Array
  /** [plant][check] */
  values: Float32Array
}

/**
 * Where the plants of every row begin: of each set, of "no demand", of an unlisted cause, and behind the last.
 *
 * @param draws how many plants the rows with at most one fault have
 * @param fewer how many larger sets have
 */
export function plantsOf(sets: readonly FaultSet[], draws = drawCount, fewer = pairDraws): Int32Array {
  const first = new Int32Array(sets.length + 3)
  for (let row = 0; row < sets.length + 2; row++) first[row + 1] = first[row]! + ((sets[row]?.length ?? 0) > 1 ? fewer : draws)
  return first
}

/** The sets that have a row, in their order: nothing wrong, every single fault, the pairs that have one. */
export function faultSets(catalogue: Pick<Catalogue, 'faults' | 'prior'>): FaultSet[] {
  return [[], ...catalogue.faults.map((_fault, index) => [index]), ...pairsOf(catalogue)]
}

/** Parameters of one hypothesis in one draw. */
export function plantOf(catalogue: Catalogue, set: FaultSet, draw: number, healthy = healthyDraws(catalogue.system, drawCount)): Parameters {
  return combined(
    healthy[draw]!,
    set.map((index) => {
      const fault = catalogue.faults[index]!
      return patched(fault, severities(fault, drawCount)[draw]!)
    }),
  )
}

/** Rows by the indices of their faults, and "no demand". */
export function rowsOf(sets: readonly FaultSet[]): Map<string, number> {
  return new Map(sets.map((set, index) => [set.join(','), index])).set('noDemand', sets.length)
}

/** Whether any plant of a fault, mild or severe, reads a simulated check otherwise than the same plant in order. */
export function moves({ checks, values, first, draws }: Signatures, fault: number, check: string): boolean {
  const width = checks.length
  const column = checks.indexOf(check)
  for (let draw = 0; column >= 0 && draw < draws; draw++) {
    const own = values[(first[fault + 1]! + draw) * width + column]!
    const sound = values[draw * width + column]!
    if (own !== sound && !(Number.isNaN(own) && Number.isNaN(sound))) return true
  }
  return false
}
