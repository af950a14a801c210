import { type BoilerSystem, nominal, type Parameters, parametersOf } from '../../system/index.ts'
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { uniformInt } from 'pure-rand/distribution/uniformInt'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import type { Fault } from '../catalogue/index.ts'

/**
 * Healthy appliances of one system that differ within its spread. Draw 0 is the nominal one.
 * The same draws serve every hypothesis, so that what appliances share is shared.
 *
 * @param count how many, ≥ 1
 * @param seed of the pseudo-random sequence
 */
export function healthyDraws(system: BoilerSystem, count: number, seed = 1): readonly Readonly<Parameters>[] {
  let known = drawn.get(system)
  if (!known) drawn.set(system, (known = new Map()))
  const key = `${count} ${seed}`
  let plants = known.get(key)
  if (!plants) known.set(key, (plants = drawHealthy(system, count, seed)))
  return plants
}

const drawn = new WeakMap<BoilerSystem, Map<string, Parameters[]>>()

function drawHealthy(system: BoilerSystem, count: number, seed: number): Parameters[] {
  const random = xoroshiro128plus(seed)
  return Array.from({ length: count }, (_unused, draw) => {
    const values = nominal(system)
    let others = 0
    for (const [key, { value, spread, elsewhere, min = -Infinity, max = Infinity }] of parametersOf(system)) {
      // one plant of every four, not the same for every such parameter, never the nominal one
      if (elsewhere !== undefined && draw % 4 === 1 + (others++ % 3)) values[key] = elsewhere
      if (spread === undefined) continue
      const deviate = normalDeviate(uniformFloat64(random), uniformFloat64(random))
      if (draw > 0) values[key] = Math.min(max, Math.max(min, value + spread * Math.max(-2.2, Math.min(2.2, deviate))))
    }
    return values
  })
}

/**
 * How far along its severity range a fault stands in each draw: evenly spread over the range, in an order of the fault's own,
 * and evenly over the first half of the draws as well, which is all that pairs are simulated in.
 *
 * @param count even
 * @returns one number between 0 (mild) and 1 (severe) a draw
 */
export function severities(fault: Pick<Fault, 'id'>, count: number): number[] {
  const random = xoroshiro128plus(hashOf(fault.id))
  const half = count / 2
  const first = shuffled(half, random)
  const second = shuffled(half, random)
  const lower = first.map(() => uniformInt(random, 0, 1))
  return Array.from({ length: count }, (_unused, draw) => {
    const block = draw < half ? first[draw]! : second[draw - half]!
    const place = 2 * block + (draw < half ? lower[block]! : 1 - lower[block]!)
    return (place + 0.5) / count
  })
}

function shuffled(count: number, random: ReturnType<typeof xoroshiro128plus>): number[] {
  const order = Array.from({ length: count }, (_unused, index) => index)
  for (let index = count - 1; index > 0; index--) {
    const other = uniformInt(random, 0, index)
    const kept = order[index]!
    order[index] = order[other]!
    order[other] = kept
  }
  return order
}

/** From this ratio of severe to mild on, a range is passed through by its logarithm: a leak is as often a weep as a stream. */
const wide = 5

/**
 * The parameters a fault changes, at a severity.
 *
 * @param severity 0 mild to 1 severe
 */
export function patched(fault: Pick<Fault, 'patch'>, severity: number): Parameters {
  const changes: Parameters = {}
  for (const [key, value] of Object.entries(fault.patch)) changes[key] = typeof value === 'number' ? value : between(value[0], value[1], severity)
  return changes
}

function between(mild: number, severe: number, severity: number): number {
  const ratio = mild > 0 && severe > 0 ? Math.max(severe / mild, mild / severe) : 0
  return ratio >= wide ? mild * Math.pow(severe / mild, severity) : mild + (severe - mild) * severity
}

/**
 * Several faults at once. Where two change the same parameter the one farther from healthy wins.
 */
export function combined(healthy: Parameters, changes: Parameters[]): Parameters {
  const values = { ...healthy }
  for (const change of changes) {
    for (const [key, value] of Object.entries(change)) {
      const base = healthy[key]
      if (base === undefined) throw new RangeError(`a fault changes ${key}, which the system does not have`)
      if (Math.abs(value - base) >= Math.abs(values[key]! - base)) values[key] = value
    }
  }
  return values
}

/** Standard normal deviate from two uniforms. Source: Box and Muller 1958. */
function normalDeviate(u: number, v: number): number {
  return Math.sqrt(-2 * Math.log(1 - u)) * Math.cos(2 * Math.PI * v)
}

function hashOf(text: string): number {
  let hash = 2166136261
  for (let index = 0; index < text.length; index++) hash = Math.imul(hash ^ text.charCodeAt(index), 16777619)
  return hash >>> 0
}
