import type { ControlScheme, Parameters } from '../system/index.ts'
import type { Catalogue, Check } from './catalogue.ts'
import { combined, healthyDraws, patched, severities } from './draws.ts'
import { checkReader, simulatedChecks, sourcesOf } from './reading.ts'

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

/** Every set of up to two faults, in the order of the signature rows. */
function faultSets(catalogue: Pick<Catalogue, 'faults'>): FaultSet[] {
  const count = catalogue.faults.length
  const sets: FaultSet[] = [[]]
  for (let a = 0; a < count; a++) sets.push([a])
  for (let a = 0; a < count; a++) for (let b = a + 1; b < count; b++) sets.push([a, b])
  return sets
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

/**
 * Simulates the rows with at most one fault: the healthy appliance, every single fault, and last "no demand".
 *
 * @param draws how many plants of each; the rest copy them
 * @returns [row][draw][check], faults + 2 rows
 */
export function buildSingles(catalogue: Catalogue, draws = drawCount): Float32Array {
  const building = singlesByRow(catalogue, draws)
  for (;;) {
    const { done, value } = building.next()
    if (done) return value
  }
}

/** {@link buildSingles}, resting after every row with the share that is done, for whoever has other things to do meanwhile. */
export function* singlesByRow(catalogue: Catalogue, draws = drawCount): Generator<number, Float32Array> {
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
    }
    yield (row + 1) / (count + 2)
  }
  return values
}

/** Places where a pair reads other than put together from its singles: index into [pair][pairDraws][check], and what it reads. */
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
function compose(singles: Float32Array, width: number, a: number, b: number, into: Float32Array, at: number): void {
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
 * @param from first pair, in the order of {@link faultSets}
 * @param to behind the last pair
 */
export function simulatePairs(catalogue: Catalogue, singles: Float32Array, from: number, to: number): Exceptions {
  const healthy = healthyDraws(catalogue.system, drawCount)
  const checks = simulatedChecks(catalogue)
  const width = checks.length
  const pairs = pairsOf(catalogue.faults.length)
  const read = checkReader(catalogue)
  const sources = checks.map(sourcesOf)
  const change = changes(catalogue, singles, checks, sources)
  const composed = new Float32Array(pairDraws * width)
  const found: number[] = []
  const at: number[] = []
  const simulated: number[] = []
  for (let pair = from; pair < to; pair++) {
    const [a, b] = pairs[pair]!
    const places = [...checks.keys()].filter((index) => meets(sources[index]!, change[a]!, change[b]!))
    if (places.length === 0) continue
    const clashing = places.map((index) => checks[index]!)
    compose(singles, width, a, b, composed, 0)
    for (let draw = 0; draw < pairDraws; draw++) {
      read(plantOf(catalogue, [a, b], draw, healthy), clashing, simulated)
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

/** Every pair of faults, in the order of the signature rows. */
function pairsOf(count: number): [number, number][] {
  const pairs: [number, number][] = []
  for (let a = 0; a < count; a++) for (let b = a + 1; b < count; b++) pairs.push([a, b])
  return pairs
}

/** How many pairs a catalogue has. */
export function pairCount(catalogue: Pick<Catalogue, 'faults'>): number {
  return (catalogue.faults.length * (catalogue.faults.length - 1)) / 2
}

/**
 * Puts built rows and the catalogue they belong to together.
 *
 * @param singles as {@link buildSingles} gives them
 * @param exceptions as {@link simulatePairs} gives them, for all pairs
 * @throws RangeError when they belong to another catalogue
 */
export function assembleSignatures(catalogue: Catalogue, singles: Float32Array, exceptions: Exceptions): Signatures {
  const sets = faultSets(catalogue)
  const checks = simulatedChecks(catalogue).map((check) => check.id)
  const width = checks.length
  const count = catalogue.faults.length
  const row = drawCount * width
  if (singles.length !== (count + 2) * row) {
    throw new RangeError(`signatures hold ${singles.length} values where the catalogue needs ${(count + 2) * row}: build them again with "npm run signatures"`)
  }
  const first = plantsOf(sets)
  const all = new Float32Array(first[sets.length + 1]! * width)
  all.set(singles.subarray(0, (count + 1) * row))
  all.set(singles.subarray((count + 1) * row), first[sets.length]! * width)
  const pairs = first[count + 1]! * width
  pairsOf(count).forEach(([a, b], pair) => compose(singles, width, a, b, all, pairs + pair * pairDraws * width))
  exceptions.at.forEach((place, index) => {
    all[pairs + place] = exceptions.values[index]!
  })
  return { draws: drawCount, checks, faults: catalogue.faults.map((fault) => fault.id), sets, rowOf: rowsOf(sets), first, values: all }
}

/** Rows by the indices of their faults, and "no demand". */
export function rowsOf(sets: readonly FaultSet[]): Map<string, number> {
  return new Map(sets.map((set, index) => [set.join(','), index])).set('noDemand', sets.length)
}

/** No pair read other than composed: none has been simulated. */
export const noExceptions: Exceptions = { at: new Uint32Array(0), values: new Float32Array(0) }

/**
 * A first set of signatures of a changed system, in a second or so: the nominal plant only, pairs composed.
 */
export function nominalSignatures(catalogue: Catalogue): Signatures {
  return assembleSignatures(catalogue, buildSingles(catalogue, 1), noExceptions)
}

/** A fingerprint of everything in a catalogue that signatures depend on (FNV-1a, 64 bits in two halves). */
export function catalogueHash(catalogue: Catalogue): string {
  const { system, runs, stories, faults, checks, prior } = catalogue
  const text = JSON.stringify([
    system.layout,
    system.gas,
    system.thermistor,
    system.sequence,
    system.autonomous,
    system.powerUp,
    system.overrun,
    system.components.map(({ id, parameters }) => [
      id,
      Object.entries(parameters).map(([name, { value, spread, min, max }]) => [name, value, spread, min, max]),
    ]),
    runs,
    stories,
    faults.map(({ id, patch }) => [id, patch]),
    checks.map(({ id, result }) => [id, result.kind === 'number' ? result.read : result.kind === 'outcome' ? result.decide : result.kind]),
    prior.noDemandPatches,
    ...(system.controls ? [wiringOf(system.controls)] : []),
  ])
  let a = 0x811c9dc5
  let b = 0x9dc5811c
  for (let index = 0; index < text.length; index++) {
    a = Math.imul(a ^ text.charCodeAt(index), 16777619)
    b = Math.imul(b ^ text.charCodeAt(index) ^ (a >>> 16), 16777619)
  }
  return [a, b].map((half) => (half >>> 0).toString(16).padStart(8, '0')).join('')
}

/** What of a control scheme signatures depend on. */
function wiringOf({ devices, conductors, volts, positions }: ControlScheme): unknown {
  return [
    devices.map(({ id, kind, terminals, circuit }) => [id, kind, Object.keys(terminals), circuit]),
    conductors.map(({ role: _role, cable: _cable, ...one }) => one),
    volts,
    positions,
  ]
}
