import { allRules, type Catalogue, type Check, type Instrument, type Rules } from '../../catalogue/index.ts'
import type { Evidence, JournalRead } from '../../evidence/index.ts'
import { type Alike, alikeReadings, type Signatures } from '../../signatures/index.ts'
import {
  cueProbability,
  instrumentOf,
  notReachedProbability,
  numberDensity,
  onScale,
  outcomeProbability,
  readingSpread,
  signProbability,
  strangeAnswer,
  strangeDensity,
  unlistedProbability,
  type Usual,
  wordProbability,
} from './readingModel.ts'
import { type Moved, movedFaults, type Worse, worseReadings } from './worseReadings.ts'

/** Short of direct sight no single reading moves odds by more than this. */
const readingCap = 50
/** By a check that tests the part alone. */
const sightCap = 5000
/** A defect seen and written down as such is mistaken once in some thousands. Assumed */
const seenWrongly = 0.0002
/**
 * Log-likelihood of one piece of evidence for every signature row and draw, then for an unlisted cause in the last row.
 * Rows differ by no more than the cap.
 *
 * @returns one a plant, natural logarithms up to a common constant
 */
export function evidenceLikelihood(catalogue: Catalogue, signatures: Signatures, evidence: Evidence, rules: Readonly<Rules> = allRules): Float64Array {
  let known = weighed.get(signatures)
  if (!known) weighed.set(signatures, (known = new Map()))
  const key = JSON.stringify([evidence.check.id, evidence.outcomes, evidence.values, evidence.doubt, rules.plateau])
  let table = known.get(key)
  if (!table) {
    if (known.size > keptTables) known.clear()
    known.set(key, (table = weigh(catalogue, signatures, evidence, rules)))
  }
  return table
}

const keptTables = 80
/** Tables already made: one more reading costs one more table, not the whole journal's. */
const weighed = new WeakMap<Signatures, Map<string, Float64Array>>()

function weigh(catalogue: Catalogue, signatures: Signatures, evidence: Evidence, rules: Readonly<Rules>): Float64Array {
  const { sets, first } = signatures
  const unlisted = sets.length + 1
  const table = new Float64Array(first[unlisted + 1]!)
  const { check } = evidence
  const instrument = instrumentOf(catalogue, check)
  const strange = strangely(evidence)
  const cap = check.direct ? sightCap : readingCap
  const usual = evidence.outcomes.length > 0 ? usualOf(catalogue, signatures, evidence.check) : null
  const likelihood = (value: number, set: readonly number[]) => likelihoodOf(catalogue, evidence, instrument, usual, value, set)
  if (check.result.kind === 'cue') {
    const rows = Float64Array.from({ length: unlisted }, (_unused, row) => likelihood(NaN, sets[row] ?? []))
    const logs = capped(Float64Array.of(...rows, unlistedProbability(check, rows[0]!, strange)), cap)
    for (let row = 0; row <= unlisted; row++) table.fill(logs[row]!, first[row]!, first[row + 1]!)
    return table
  }
  // plants that read alike are as likely: the set itself does not matter, but to a reading worse than was simulated
  const alike = alikeReadings(catalogue, signatures, check)
  const { values, of } = alike
  const each = values.map((value) => likelihood(value, []))
  const ofUnlisted = Array.from({ length: signatures.draws }, (_unused, draw) => unlistedProbability(check, each[of[draw]!]!, strange))
  const worse = rules.plateau ? worseFaults(signatures, alike, evidence, instrument, cap) : []
  const ofWorse = worse.flatMap(({ plants }) => [...plants])
  const likelihoods = Float64Array.of(...each, ...ofUnlisted, ...ofWorse)
  const logs = capped(likelihoods, cap)
  for (let plant = 0; plant < of.length; plant++) table[plant] = logs[of[plant]!]!
  table.set(logs.subarray(each.length, each.length + ofUnlisted.length), first[unlisted]!)
  convict(table, signatures, alike, worse, logs.subarray(each.length + ofUnlisted.length), highestOf(likelihoods))
  return table
}

function worseFaults(signatures: Signatures, alike: Alike, evidence: Evidence, instrument: Instrument, cap: number): Worse[] {
  const { check, values } = evidence
  if (values.length === 0 || evidence.outcomes.length > 0) return []
  const { mean, apart } = middleOf(evidence)
  const density = (is: number, said: number) =>
    doubted(evidence, numberDensity(check, is, said, Math.hypot(readingSpread(check, instrument, is, values.length), apart)))
  const spread = (is: number) => readingSpread(check, instrument, is, values.length)
  let tables = movedBy.get(signatures.faults)
  if (!tables) movedBy.set(signatures.faults, (tables = new Map()))
  const key = JSON.stringify([check.id, values.length, apart, evidence.doubt])
  const judged = { density, spread, cap, onScale: (is: number) => onScale(check, is), strange: unlistedProbability(check, 0, strangely(evidence)) }
  let moved = tables.get(key)
  if (!moved) {
    if (tables.size > keptTables) tables.clear()
    tables.set(key, (moved = movedFaults(signatures, alike, judged)))
  }
  return worseReadings(moved, judged, mean)
}

/** Which faults move a check, found once: they are the same whatever is read, and in every set of signatures made of the same single faults, which share their list. */
const movedBy = new WeakMap<readonly string[], Map<string, Moved[]>>()

/**
 * Puts what a reading that may be worse than was simulated says of some faults into a table: of each alone, then of the sets that read as
 * that one alone does.
 *
 * @param own log-likelihood of every plant of these faults, one after the other
 * @param highest likelihood there is, at which these logarithms are nought
 */
function convict(
  table: Float64Array,
  { faults, sets, first, draws }: Signatures,
  { of }: Alike,
  worse: readonly Worse[],
  own: Float64Array,
  highest: number,
): void {
  if (worse.length === 0) return
  const place = new Int32Array(faults.length).fill(-1)
  worse.forEach(({ fault, least }, index) => {
    place[fault] = index
    const plants = own.subarray(index * draws, (index + 1) * draws)
    raise(plants, least / highest)
    table.set(plants, first[fault + 1]!)
  })
  for (let row = 1; row < sets.length; row++) {
    const set = sets[row]!
    if (set.length < 2) continue
    for (let at = 0; at < set.length; at++) {
      const index = place[set[at]!]!
      if (index < 0) continue
      const single = first[set[at]! + 1]!
      for (let plant = first[row]!; plant < first[row + 1]!; plant++) {
        const draw = plant - first[row]!
        if (of[plant] === of[single + draw]) table[plant] = Math.max(table[plant]!, own[index * draws + draw]!)
      }
    }
  }
}

/** Raises log-likelihoods together until the mean likelihood is so much; none comes above the most likely plant there is, at 0. */
function raise(logs: Float64Array, mean: number): void {
  for (let round = 0; round < logs.length; round++) {
    let below = 0
    let full = 0
    for (const log of logs) {
      if (log >= 0) full++
      else below += Math.exp(log)
    }
    const short = Math.log((mean * logs.length - full) / below)
    if (!(short > 1e-6)) return
    logs.forEach((log, index) => (logs[index] = Math.min(log + short, 0)))
  }
}

/** Log-likelihood of a defect seen directly. */
export function sightLikelihood({ sets, first }: Signatures, fault: number): Float64Array {
  const table = new Float64Array(first[sets.length + 2]!)
  for (let row = 0; row < sets.length + 2; row++) table.fill(sets[row]?.includes(fault) ? 1 : seenWrongly, first[row]!, first[row + 1]!)
  return table.map(Math.log)
}

/** Log-weights of the draws given facts about the configuration: draws near what is known count more. */
export function drawWeights(plants: readonly Record<string, number>[], spreads: Record<string, number>, known: JournalRead['known']): Float64Array {
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

/** What sound appliances read of a check that is a number; null of any other. */
export function usualOf(catalogue: Catalogue, signatures: Signatures, check: Check): Usual | null {
  if (check.result.kind !== 'number') return null
  const { values, of } = alikeReadings(catalogue, signatures, check)
  const read = Array.from({ length: signatures.draws }, (_unused, draw) => onScale(check, values[of[draw]!]!)).filter((one) => !Number.isNaN(one))
  if (read.length === 0) return null
  const [low, high] = [Math.min(...read), Math.max(...read)]
  return { middle: (low + high) / 2, reach: (high - low) / 2 }
}

function likelihoodOf(catalogue: Catalogue, evidence: Evidence, instrument: Instrument, usual: Usual | null, value: number, set: readonly number[]): number {
  const { check } = evidence
  const answers = ofAnswers(evidence, (said) => {
    if (check.result.kind === 'outcome') return outcomeProbability(check, value, said)
    if (check.result.kind === 'number') {
      if (said === -1) return notReachedProbability(value)
      return usual ? wordProbability(check, value, said, usual, readingSpread(check, instrument, value)) : strangeAnswer(check, said)
    }
    const yes = signProbability(check, cueProbability(catalogue, check, set))
    return said === 1 ? yes : 1 - yes
  })
  return doubted(evidence, answers * ofNumbers(evidence, instrument, value))
}

/** A likelihood, as far as the reading is to be trusted. */
function doubted(evidence: Evidence, likelihood: number): number {
  const { doubt } = evidence
  return doubt > 0 ? (1 - doubt) * likelihood + doubt * strangely(evidence) : likelihood
}

/** The same observer asked again makes the same mistake: repeats count a third. */
function ofAnswers({ outcomes }: Evidence, chanceOf: (said: number) => number): number {
  if (outcomes.length === 0) return 1
  const log = outcomes.reduce((sum, said) => sum + Math.log(chanceOf(said)), 0)
  return Math.exp((log / outcomes.length) * (1 + (outcomes.length - 1) / 3))
}

/** Of repeats the random error averages, the bias of the model does not; what they lie apart widens what is compared. */
function ofNumbers(evidence: Evidence, instrument: Instrument, value: number): number {
  const { check, values } = evidence
  if (values.length === 0) return 1
  const { mean, apart } = middleOf(evidence)
  return numberDensity(check, value, mean, Math.hypot(readingSpread(check, instrument, value, values.length), apart))
}

/** The mean of what was read, on the scale of the comparison, and how far from it the farthest lies. */
function middleOf({ check, values }: Evidence): { mean: number; apart: number } {
  const mean = values.reduce((sum, one) => sum + onScale(check, one), 0) / values.length
  return { mean, apart: Math.max(...values.map((one) => Math.abs(onScale(check, one) - mean))) }
}

/** The same where nothing is known of the cause. */
function strangely(evidence: Evidence): number {
  const { check, values } = evidence
  return ofAnswers(evidence, (said) => strangeAnswer(check, said)) * (values.length > 0 ? strangeDensity(check) : 1)
}

/** Logarithms of likelihoods over the highest, none further below it than the cap. */
function capped(likelihoods: Float64Array, cap: number): Float64Array {
  const highest = highestOf(likelihoods)
  return likelihoods.map((one) => Math.log(Math.max(one / highest, 1 / cap)))
}

const highestOf = (likelihoods: Float64Array) => likelihoods.reduce((most, one) => Math.max(most, one), 0)
