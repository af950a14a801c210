import { alikeReadings } from './alike.ts'
import type { Catalogue, Check, Instrument } from './catalogue.ts'
import type { Case, Evidence } from './evidence.ts'
import type { Signatures } from './signatures.ts'

/** Short of direct sight no single reading moves odds by more than this. */
const readingCap = 50
/** By a check that tests the part alone. */
const sightCap = 500
/** A defect seen and written down as such is mistaken once in some thousands. Assumed */
const seenWrongly = 0.0003
/** Share of every signature that is "anything". */
const anything = 0.015

/** Chance of "yes" to a cue for a set of faults: causes combine by noisy-OR over the base rate. */
export function cueProbability(catalogue: Catalogue, check: Check, set: readonly number[]): number {
  if (check.result.kind !== 'cue') return NaN
  let no = 1 - check.result.without
  for (const index of set) no *= 1 - (catalogue.faults[index]!.cues?.[check.id] ?? 0)
  return 1 - no
}

/** Probability that a check reports outcome `said` (−1 not reached) when the simulation says `is` (NaN not reached). */
export function outcomeProbability(check: Check, is: number, said: number): number {
  if (check.result.kind !== 'outcome') return NaN
  const { confusion, outcomes } = check.result
  const others = outcomes.length
  if (Number.isNaN(is)) return mixed(said === -1 ? 1 - confusion : confusion / others, others + 1)
  if (said === -1) return mixed(confusion / others, others + 1)
  return mixed(said === is ? 1 - confusion : confusion / others, others + 1)
}

/** Standard deviation of one reading about the simulated value, on the scale of the comparison. */
export function readingSpread(check: Check, instrument: Instrument, value: number, repeats = 1): number {
  if (check.result.kind !== 'number') return NaN
  const { width, scale } = check.result
  const random = scale === 'log' ? instrument.relative : instrument.absolute + instrument.relative * Math.abs(value)
  return Math.hypot(width, random / Math.sqrt(repeats))
}

/** A number on the scale its check is compared on, held within what can be told apart at the ends. */
export function onScale(check: Check, value: number): number {
  if (check.result.kind !== 'number') return value
  const [low, high] = scaleRange(check)
  const clamped = Math.min(Math.max(check.result.scale === 'log' ? Math.log(Math.max(value, 1e-9)) : value, low), high)
  return clamped
}

/** The ends of that scale. A thermistor is compared as a factor, a thousandth to a thousandfold. */
export function scaleRange(check: Check): [number, number] {
  if (check.result.kind !== 'number') return [0, 1]
  const { range, scale, thermistor } = check.result
  if (thermistor) return [Math.log(1e-3), Math.log(1e3)]
  return scale === 'log' ? [Math.log(range[0]), Math.log(range[1])] : range
}

/** Density of a heavy-tailed error (Student's t with four degrees of freedom, scaled). */
function errorDensity(distance: number, spread: number): number {
  const z = distance / spread
  return (0.375 / spread) * Math.pow(1 + (z * z) / 4, -2.5)
}

/**
 * Log-likelihood of one piece of evidence for every signature row and draw, then for an unlisted cause in the last row.
 * Rows differ by no more than the cap.
 *
 * @returns one a plant, natural logarithms up to a common constant
 */
export function evidenceLikelihood(catalogue: Catalogue, signatures: Signatures, evidence: Evidence): Float64Array {
  let known = weighed.get(signatures)
  if (!known) weighed.set(signatures, (known = new Map()))
  const key = JSON.stringify([evidence.check.id, evidence.outcomes, evidence.values, evidence.doubt])
  let table = known.get(key)
  if (!table) {
    if (known.size > keptTables) known.clear()
    known.set(key, (table = weigh(catalogue, signatures, evidence)))
  }
  return table
}

const keptTables = 40
/** Tables already made: one more reading costs one more table, not the whole journal's. */
const weighed = new WeakMap<Signatures, Map<string, Float64Array>>()

function weigh(catalogue: Catalogue, signatures: Signatures, evidence: Evidence): Float64Array {
  const { sets, first } = signatures
  const unlisted = sets.length + 1
  const table = new Float64Array(first[unlisted + 1]!)
  const { check } = evidence
  const instrument = instrumentOf(catalogue, check)
  const flat = flatLikelihood(evidence)
  const cap = check.direct ? sightCap : readingCap
  const likelihood = (value: number, set: readonly number[]) => likelihoodOf(catalogue, evidence, instrument, value, set)
  if (check.result.kind === 'cue') {
    const rows = Float64Array.from({ length: unlisted }, (_unused, row) => likelihood(NaN, sets[row] ?? []))
    const logs = capped(Float64Array.of(...rows, 0.5 * rows[0]! + 0.5 * flat), cap)
    for (let row = 0; row <= unlisted; row++) table.fill(logs[row]!, first[row]!, first[row + 1]!)
    return table
  }
  // plants that read alike are as likely: the set itself does not matter
  const { values, of } = alikeReadings(catalogue, signatures, check)
  const each = values.map((value) => likelihood(value, []))
  const ofUnlisted = Array.from({ length: signatures.draws }, (_unused, draw) => 0.5 * each[of[draw]!]! + 0.5 * flat)
  const logs = capped(Float64Array.of(...each, ...ofUnlisted), cap)
  for (let plant = 0; plant < of.length; plant++) table[plant] = logs[of[plant]!]!
  table.set(logs.subarray(each.length), first[unlisted]!)
  return table
}

/** Log-likelihood of a defect seen directly. */
export function sightLikelihood({ sets, first }: Signatures, fault: number): Float64Array {
  const table = new Float64Array(first[sets.length + 2]!)
  for (let row = 0; row < sets.length + 2; row++) table.fill(sets[row]?.includes(fault) ? 1 : seenWrongly, first[row]!, first[row + 1]!)
  return table.map(Math.log)
}

/** Log-weights of the draws given facts about the configuration: draws near what is known count more. */
export function drawWeights(plants: readonly Record<string, number>[], spreads: Record<string, number>, known: Case['known']): Float64Array {
  const weights = new Float64Array(plants.length)
  plants.forEach((plant, draw) => {
    for (const [key, value] of Object.entries(known)) {
      const spread = spreads[key]
      if (spread) weights[draw]! -= 0.5 * ((plant[key]! - value) / spread) ** 2
    }
  })
  const highest = Math.max(...weights)
  const total = weights.reduce((sum, weight) => sum + Math.exp(weight - highest), 0)
  return weights.map((weight) => weight - highest - Math.log(total))
}

/** The instrument a check is made with. */
export function instrumentOf(catalogue: Catalogue, check: Check): Instrument {
  const id = check.result.kind === 'number' ? check.result.instrument : ''
  return catalogue.instruments.find((one) => one.id === id) ?? { id: 'eye', label: 'eye', absolute: 0, relative: 0 }
}

function likelihoodOf(catalogue: Catalogue, evidence: Evidence, instrument: Instrument, value: number, set: readonly number[]): number {
  const { check, outcomes, values } = evidence
  let likelihood = 1
  if (outcomes.length > 0) {
    let log = 0
    for (const said of outcomes) {
      let p: number
      if (check.result.kind === 'cue') {
        const yes = cueProbability(catalogue, check, set)
        p = mixed(said === 1 ? yes : 1 - yes, 2)
      } else if (check.result.kind === 'number') p = mixed(Number.isNaN(value) ? 0.95 : 0.02, 2)
      else p = outcomeProbability(check, value, said)
      log += Math.log(p)
    }
    // the same observer asked again makes the same mistake: repeats count a third
    likelihood *= Math.exp((log / outcomes.length) * (1 + (outcomes.length - 1) / 3))
  }
  if (values.length > 0) {
    const [low, high] = scaleRange(check)
    const flat = 1 / (high - low)
    if (Number.isNaN(value)) likelihood *= anything * flat
    else {
      const mean = values.reduce((sum, one) => sum + onScale(check, one), 0) / values.length
      const apart = Math.max(...values.map((one) => Math.abs(onScale(check, one) - mean)))
      const spread = Math.hypot(readingSpread(check, instrument, value, values.length), apart)
      likelihood *= (1 - anything) * errorDensity(mean - onScale(check, value), spread) + anything * flat
    }
  }
  return evidence.doubt > 0 ? (1 - evidence.doubt) * likelihood + evidence.doubt * flatLikelihood(evidence) : likelihood
}

function flatLikelihood({ check, outcomes, values }: Evidence): number {
  const [low, high] = scaleRange(check)
  let flat = values.length > 0 ? 1 / (high - low) : 1
  if (outcomes.length > 0) {
    if (check.result.kind === 'cue') {
      const yes = check.result.without + 0.15 * (1 - check.result.without)
      flat *= outcomes.at(-1) === 1 ? yes : 1 - yes
    } else if (check.result.kind === 'outcome') flat *= 1 / (check.result.outcomes.length + 1)
    else flat *= 0.2
  }
  return flat
}

function mixed(p: number, ways: number): number {
  return (1 - anything) * p + anything / ways
}

/** Logarithms of likelihoods, none further below the highest than the cap. */
function capped(likelihoods: Float64Array, cap: number): Float64Array {
  const highest = likelihoods.reduce((most, one) => Math.max(most, one), 0)
  return likelihoods.map((one) => Math.log(Math.max(one / highest, 1 / cap)))
}
