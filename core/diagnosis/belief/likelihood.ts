import type { Catalogue, Instrument } from '../catalogue/index.ts'
import type { Evidence, JournalRead } from '../evidence/index.ts'
import { alikeReadings, type Signatures } from '../signatures/index.ts'
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
} from './readingModel.ts'

/** Short of direct sight no single reading moves odds by more than this. */
const readingCap = 50
/** By a check that tests the part alone. */
const sightCap = 500
/** A defect seen and written down as such is mistaken once in some thousands. Assumed */
const seenWrongly = 0.0003
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
  const strange = strangely(evidence)
  const cap = check.direct ? sightCap : readingCap
  const likelihood = (value: number, set: readonly number[]) => likelihoodOf(catalogue, evidence, instrument, value, set)
  if (check.result.kind === 'cue') {
    const rows = Float64Array.from({ length: unlisted }, (_unused, row) => likelihood(NaN, sets[row] ?? []))
    const logs = capped(Float64Array.of(...rows, unlistedProbability(rows[0]!, strange)), cap)
    for (let row = 0; row <= unlisted; row++) table.fill(logs[row]!, first[row]!, first[row + 1]!)
    return table
  }
  // plants that read alike are as likely: the set itself does not matter
  const { values, of } = alikeReadings(catalogue, signatures, check)
  const each = values.map((value) => likelihood(value, []))
  const ofUnlisted = Array.from({ length: signatures.draws }, (_unused, draw) => unlistedProbability(each[of[draw]!]!, strange))
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

function likelihoodOf(catalogue: Catalogue, evidence: Evidence, instrument: Instrument, value: number, set: readonly number[]): number {
  const { check, doubt } = evidence
  const answers = ofAnswers(evidence, (said) => {
    if (check.result.kind === 'outcome') return outcomeProbability(check, value, said)
    if (check.result.kind === 'number') return notReachedProbability(value)
    const yes = signProbability(cueProbability(catalogue, check, set))
    return said === 1 ? yes : 1 - yes
  })
  const likelihood = answers * ofNumbers(evidence, instrument, value)
  return doubt > 0 ? (1 - doubt) * likelihood + doubt * strangely(evidence) : likelihood
}

/** The same observer asked again makes the same mistake: repeats count a third. */
function ofAnswers({ outcomes }: Evidence, chanceOf: (said: number) => number): number {
  if (outcomes.length === 0) return 1
  const log = outcomes.reduce((sum, said) => sum + Math.log(chanceOf(said)), 0)
  return Math.exp((log / outcomes.length) * (1 + (outcomes.length - 1) / 3))
}

/** Of repeats the random error averages, the bias of the model does not; what they lie apart widens what is compared. */
function ofNumbers({ check, values }: Evidence, instrument: Instrument, value: number): number {
  if (values.length === 0) return 1
  const mean = values.reduce((sum, one) => sum + onScale(check, one), 0) / values.length
  const apart = Math.max(...values.map((one) => Math.abs(onScale(check, one) - mean)))
  return numberDensity(check, value, mean, Math.hypot(readingSpread(check, instrument, value, values.length), apart))
}

/** The same where nothing is known of the cause. */
function strangely(evidence: Evidence): number {
  const { check, values } = evidence
  return ofAnswers(evidence, (said) => strangeAnswer(check, said)) * (values.length > 0 ? strangeDensity(check) : 1)
}

/** Logarithms of likelihoods, none further below the highest than the cap. */
function capped(likelihoods: Float64Array, cap: number): Float64Array {
  const highest = likelihoods.reduce((most, one) => Math.max(most, one), 0)
  return likelihoods.map((one) => Math.log(Math.max(one / highest, 1 / cap)))
}
