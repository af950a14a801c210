import { type Catalogue, type Check, simulatedChecks, sourcesOf } from '../catalogue/index.ts'
import { checkReader } from './checkReader.ts'
import { combined, healthyDraws } from './healthyPlants.ts'
import { drawCount, pairDraws, plantOf } from './hypotheses.ts'
import { pairIndex, pairsOf } from './pairs.ts'
import { type KeepRuns, lending, type SingleRuns } from './singleRuns.ts'

/**
 * Simulates the rows with at most one fault: the healthy appliance, every single fault, and last "no demand".
 *
 * @param draws how many plants of each; the rest copy them
 * @param keep called after every plant, as {@link singleRuns} wants it
 * @returns [row][draw][check], faults + 2 rows
 */
export function buildSingles(catalogue: Catalogue, draws = drawCount, keep?: KeepRuns): Float32Array {
  const building = singlesByRow(catalogue, draws, keep)
  for (;;) {
    const { done, value } = building.next()
    if (done) return value
  }
}

/** {@link buildSingles}, resting after every row with the share that is done, for whoever has other things to do meanwhile. */
export function* singlesByRow(catalogue: Catalogue, draws = drawCount, keep?: KeepRuns): Generator<number, Float32Array> {
  const healthy = healthyDraws(catalogue.system, drawCount)
  const checks = simulatedChecks(catalogue)
  const width = checks.length
  const count = catalogue.faults.length
  const read = checkReader(catalogue)
  const patches = catalogue.prior.noDemandPatches
  const values = new Float32Array((count + 2) * drawCount * width)
  for (let row = 0; row < count + 2; row++) {
    for (let draw = 0; draw < drawCount; draw++) {
      const at = (row * drawCount + draw) * width
      if (draw >= draws) {
        values.copyWithin(at, (row * drawCount + (draw % draws)) * width, (row * drawCount + (draw % draws) + 1) * width)
        continue
      }
      const plant = row <= count ? plantOf(catalogue, row === 0 ? [] : [row - 1], draw, healthy) : combined(healthy[draw]!, [patches[draw % patches.length]!])
      read(plant, checks, values, at)
      keep?.(row, draw, read.timelineOf)
    }
    yield (row + 1) / (count + 2)
  }
  return values
}

/** Places where a pair reads other than put together from its singles: index into [place of the pair among all][pairDraws][check], and what it reads. */
export interface Exceptions {
  at: Uint32Array
  values: Float32Array
}

/**
 * Puts a pair's readings together from its singles: where only one of the two changes a reading, that one's; where both do, the one
 * farther from healthy, and "not reached" before anything.
 *
 * @param into receives [pairDraws][check], from `at`
 */
export function compose(singles: Float32Array, width: number, a: number, b: number, into: Float32Array, at: number): void {
  for (let draw = 0; draw < pairDraws; draw++) {
    const place = (row: number) => (row * drawCount + draw) * width
    composePlant(singles, width, place(a + 1), place(b + 1), place(0), at + draw * width, into)
  }
}

/** {@link compose} for one plant: two lists of readings beside the healthy ones of the same draw, all in one array. */
export function composePlant(values: Float32Array, width: number, a: number, b: number, healthy: number, at: number, into = values): void {
  for (let index = 0; index < width; index++) {
    const one = values[a + index]!
    const other = values[b + index]!
    const none = values[healthy + index]!
    into[at + index] = same(one, none) ? other : same(other, none) ? one : farther(one, other, none)
  }
}

/**
 * Simulates pairs of faults in every run and story in which both change something, and gives what reads other than composed.
 * Where only one of the two changes anything a run shows, the pair's run is that fault's.
 *
 * @param singles as {@link buildSingles} gives them
 * @param pairs those to be simulated
 * @param runs where many pairs are simulated: a run in which not both change anything at all is taken from here, and not simulated again
 */
export function simulatePairs(
  catalogue: Catalogue,
  singles: Float32Array,
  pairs: readonly (readonly [number, number])[] = pairsOf(catalogue),
  runs?: SingleRuns,
): Exceptions {
  const healthy = healthyDraws(catalogue.system, drawCount)
  const checks = simulatedChecks(catalogue)
  const width = checks.length
  const read = checkReader(catalogue)
  const sources = checks.map(sourcesOf)
  const change = changes(catalogue, singles, checks, sources)
  const lend = runs && lending(catalogue, runs, change)
  const composed = new Float32Array(pairDraws * width)
  const found: number[] = []
  const at: number[] = []
  const simulated: number[] = []
  for (const [a, b] of pairs) {
    const pair = pairIndex(catalogue.faults.length, a, b)
    const places = [...checks.keys()].filter((index) => meets(sources[index]!, change[a]!, change[b]!))
    if (places.length === 0) continue
    const clashing = places.map((index) => checks[index]!)
    const lent = lend?.(a, b)
    compose(singles, width, a, b, composed, 0)
    for (let draw = 0; draw < pairDraws; draw++) {
      read(plantOf(catalogue, [a, b], draw, healthy), clashing, simulated, 0, lent?.(draw))
      places.forEach((index, place) => {
        const value = Math.fround(simulated[place]!)
        if (same(value, composed[draw * width + index]!)) return
        at.push((pair * pairDraws + draw) * width + index)
        found.push(value)
      })
    }
  }
  return { at: Uint32Array.from(at), values: Float32Array.from(found) }
}

/** Which runs and stories each fault changes anything in. */
function changes(catalogue: Catalogue, singles: Float32Array, checks: Check[], sources: string[][]): Set<string>[] {
  const width = checks.length
  return catalogue.faults.map((_fault, fault) => {
    const changed = new Set<string>()
    for (let draw = 0; draw < drawCount; draw++) {
      for (let index = 0; index < width; index++) {
        if (!same(singles[((fault + 1) * drawCount + draw) * width + index]!, singles[draw * width + index]!))
          for (const one of sources[index]!) changed.add(one)
      }
    }
    return changed
  })
}

/** Whether two faults both change something a check is read from. */
function meets(sources: string[], a: Set<string>, b: Set<string>): boolean {
  return sources.some((one) => a.has(one) && b.has(one)) || (sources.some((one) => a.has(one)) && sources.some((one) => b.has(one)))
}

const same = (one: number, other: number) => one === other || (Number.isNaN(one) && Number.isNaN(other))

function farther(one: number, other: number, from: number): number {
  if (Number.isNaN(one) || Number.isNaN(other)) return NaN
  return Math.abs(one - from) >= Math.abs(other - from) ? one : other
}

/** No pair read other than composed: none has been simulated. */
export const noExceptions: Exceptions = { at: new Uint32Array(0), values: new Float32Array(0) }
