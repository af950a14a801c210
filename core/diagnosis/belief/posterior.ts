import { parametersOf } from '../../system/index.ts'
import { allRules, type Catalogue, type Check, type Experience, type Rules } from '../catalogue/index.ts'
import type { JournalRead, Mending } from '../evidence/index.ts'
import { healthyDraws, type Signatures } from '../signatures/index.ts'
import { afterFilling, type Filled, likeAfterFilling, mixed, plantsAfterFilling, shownIn, stillGone } from './mended/afterFilling.ts'
import { notListedAfter } from './mended/inVain.ts'
import { complaintWeights } from './prior/explains.ts'
import { drawWeights, evidenceLikelihood, sightLikelihood } from './reading/likelihood.ts'
import { watchLikelihood } from './reading/watchLikelihood.ts'
import { priorOf } from './prior/prior.ts'

/** How little plants of the other kind count once it is known which kind stands here, as a spread: they keep a twelfth, being the only ones of their severity. Chosen */
const otherKind = 0.45

/** One likelihood table and where in the course of repairs it belongs. */
interface Weighed {
  entries: string[]
  check: string | null
  /** what was done, in words */
  label: string
  epoch: number
  table: Float64Array
  /** of a reading made after filling, which is judged together with the others of its sitting */
  filled?: Filled
}

/** Evidence that stands or falls together: what was told, or what was read on one visit between two repairs. */
interface Sitting {
  epoch: number
  /** faults out of the way through it */
  aside: number[]
  /** a fault that comes and goes may have been away through all of it */
  awayPossible: boolean
  members: Weighed[]
}

/**
 * What is believed about the system as it was found. Rows are the signature rows (nothing wrong, singles, larger sets,
 * no demand) and last the unlisted cause.
 */
export interface Belief {
  /** before any reading, by what the case was opened for */
  prior: Float64Array
  posterior: Float64Array
  /** natural log of the likelihood of the whole journal, a row */
  logLikelihood: Float64Array
  /** weights of the plants within each row, each row summing to one */
  plantPosterior: Float64Array
  weighed: Weighed[]
  /** prior mass of sets which no row holds */
  unexamined: number
  /** what of a row's faults may still stand after the repairs, with the chance of each */
  standing: (row: number) => readonly { row: number; weight: number }[]
  /** how likely what may still stand was mended in vain because it is something on no list that reads like it */
  notListed: (row: number) => number
  /** of every plant the one it mostly reads like in a check for now, because the pressure was set right on this visit; null where each reads as itself */
  like: (check: Check) => Int32Array | null
  /** how likely it does, of a row, by what was read since; 0 where it makes no difference to any check */
  likeShare: (row: number) => number
  /** the row a row reads like while something is out of the way */
  shown: (row: number) => number
  /** weights of the plants of what still stands, by those of the row it came from */
  weightsOf: (row: number, state: number) => Float64Array
  /** likelihood of one row with one piece of evidence left out */
  without: (row: number, omitted: Weighed) => number
}

/**
 * Exact posterior over every row: prior times the average over shared draws of the product over readings. Readings made
 * after a repair are judged by what the repair left: a hidden Markov chain over the subsets still standing. Where the complaint
 * comes and goes, a fault may have been away through a whole visit, once, whatever was read on it.
 */
export function believe(
  catalogue: Catalogue,
  signatures: Signatures,
  journal: JournalRead,
  experience?: Experience,
  rules: Readonly<Rules> = allRules,
): Belief {
  const { sets, first } = signatures
  const rows = sets.length + 2
  const plants = first[rows]!
  const { probabilities, unexamined } = priorOf(catalogue, sets, { ...journal.circumstances, experience })
  const prior = rules.complaint ? times(probabilities, complaintWeights(catalogue, signatures, journal)) : probabilities
  const sittings = sittingsOf(catalogue, signatures, journal, rules)
  const weighed = sittings.flatMap((one) => one.members)
  const away = catalogue.faults.map((fault) => journal.comesAndGoes * (fault.kind === 'state' ? stateGoes : 1))
  const weightOf = plantWeights(catalogue, signatures, journal)
  const tables = sittings.map((one) => (journal.mendings.length > 0 || one.awayPossible ? tableOf(signatures, one, away) : null))
  const aside = journal.mendings.at(-1)?.aside ?? []
  const filledNow = journal.mendings.some((one) => one.filled && one.visit === journal.visit)
  const notListed = notListedAfter(catalogue, journal.mendings)
  const left = new Map<number, { row: number; weight: number }[]>()
  const omittedKnown = new Map<Weighed, Map<number, number>>()

  /** log-likelihood of every plant of a row, the weight of the plant included */
  const rowLogs = (row: number, omitted?: Weighed): Float64Array => {
    const from = first[row]!
    const count = first[row + 1]! - from
    const logs = new Float64Array(count)
    const likelihood = likelihoodAt(omitted)
    for (let draw = 0; draw < count; draw++) {
      if (journal.mendings.length > 0) logs[draw] = logSum([...afterRepairs(signatures, journal.mendings, likelihood, row, draw).values()])
      else for (let index = 0; index < sittings.length; index++) logs[draw]! += likelihood(index, row, draw)
      logs[draw]! += weightOf(count)[draw]!
    }
    return logs
  }
  /** of one sitting, for one plant, perhaps with a piece of it left out */
  const likelihoodAt = (omitted?: Weighed) => {
    const at = (index: number, standing: number, draw: number): number => {
      const sitting = sittings[index]!
      const table = tables[index]
      const row = shownIn(signatures, sitting.aside, standing)
      if (table && !(omitted && sitting.members.includes(omitted))) return table[first[row]! + draw]!
      return sittingLog(signatures, sitting, away, row, draw, omitted)
    }
    return Object.assign(at, { sittings })
  }

  const sinceFilled = sittings.flatMap((one) => (one.epoch === journal.mendings.length ? one.members.flatMap(({ filled }) => filled ?? []) : []))
  const shares = new Map<number, number>()
  const likeShare = (row: number): number => {
    let share = shares.get(row)
    if (share !== undefined) return share
    share = 0
    const [from, to] = [first[row]!, first[row + 1]!]
    const readsOtherwise =
      filledNow &&
      plantsAfterFilling(catalogue, signatures)
        .righted.subarray(from, to)
        .some((plant, draw) => plant !== from + draw)
    if (readsOtherwise) for (let plant = from; plant < to; plant++) share += stillGone(sinceFilled, plant) / (to - from)
    shares.set(row, share)
    return share
  }

  const logLikelihood = new Float64Array(rows)
  const plantPosterior = new Float64Array(plants)
  if (journal.mendings.length === 0) {
    for (let index = 0; index < sittings.length; index++) {
      const whole = tables[index]
      for (const table of whole ? [whole] : sittings[index]!.members.map((one) => one.table)) addTo(plantPosterior, table)
    }
    average(first, weightOf, logLikelihood, plantPosterior)
  } else {
    for (let row = 0; row < rows; row++) {
      const logs = rowLogs(row)
      const total = logSum(logs)
      logLikelihood[row] = total
      logs.forEach((log, draw) => (plantPosterior[first[row]! + draw] = Math.exp(log - total)))
    }
  }
  const joint = logLikelihood.map((log, row) => log + Math.log(prior[row]!))
  const evidence = logSum(joint)
  const weightsOf = (row: number, state: number): Float64Array => {
    const own = plantPosterior.subarray(first[row]!, first[row + 1]!)
    const wanted = first[state + 1]! - first[state]!
    if (wanted === own.length) return own
    // a pair of which one is mended has more plants than the pair had: those it did not have count like the ones it had
    return Float64Array.from({ length: wanted }, (_unused, draw) => (own[draw % own.length]! * own.length) / wanted)
  }
  return {
    prior,
    posterior: joint.map((log) => Math.exp(log - evidence)),
    logLikelihood,
    plantPosterior,
    weighed,
    unexamined,
    notListed: (row) => notListed(sets[row] ?? []),
    standing: (row) => {
      if (journal.mendings.length === 0) return [{ row, weight: 1 }]
      const known = left.get(row)
      if (known) return known
      const chances = new Map<number, number>()
      for (let draw = 0; draw < first[row + 1]! - first[row]!; draw++) {
        const states = afterRepairs(signatures, journal.mendings, likelihoodAt(), row, draw)
        const total = logSum([...states.values()])
        for (const [state, log] of states) chances.set(state, (chances.get(state) ?? 0) + plantPosterior[first[row]! + draw]! * Math.exp(log - total))
      }
      const all = [...chances].map(([state, weight]) => ({ row: state, weight }))
      left.set(row, all)
      return all
    },
    like: (check) => (filledNow ? likeAfterFilling(catalogue, signatures, check) : null),
    likeShare,
    shown: (row) => shownIn(signatures, aside, row),
    weightsOf,
    without: (row, omitted) => {
      let known = omittedKnown.get(omitted)
      if (!known) omittedKnown.set(omitted, (known = new Map()))
      let log = known.get(row)
      if (log === undefined) known.set(row, (log = logSum(rowLogs(row, omitted))))
      return log
    },
  }
}

/** Probabilities that each count so many times, summing to one again. */
function times(probabilities: Float64Array, weights: Float64Array): Float64Array {
  const all = probabilities.map((one, row) => one * weights[row]!)
  const total = all.reduce((sum, one) => sum + one, 0)
  return all.map((one) => one / total)
}

/** A wrong state put by hand goes away by itself more seldom than a failing part works again. Assumed */
const stateGoes = 0.15

function sittingsOf(catalogue: Catalogue, signatures: Signatures, journal: JournalRead, rules: Readonly<Rules>): Sitting[] {
  const sittings = new Map<string, Sitting>()
  const goes = journal.comesAndGoes > 0
  const into = (epoch: number, visit: string | null) => {
    const key = `${epoch} ${visit}`
    let sitting = sittings.get(key)
    if (!sitting) sittings.set(key, (sitting = { epoch, aside: journal.mendings[epoch - 1]?.aside ?? [], awayPossible: goes && visit !== null, members: [] }))
    return sitting.members
  }
  for (const one of journal.evidence) {
    const table = evidenceLikelihood(catalogue, signatures, one, rules)
    const filled = afterFilling(catalogue, signatures, journal, one, table)
    into(one.epoch, one.told ? null : one.visit).push({
      entries: one.entries,
      check: one.check.id,
      label: one.check.label,
      epoch: one.epoch,
      ...(filled ? { filled, table: filled.gone.map((gone, plant) => mixed(filled.there[plant]!, gone)) } : { table }),
    })
  }
  for (const { fault, entry, epoch } of journal.seen)
    into(epoch, null).push({ entries: [entry], check: null, label: catalogue.faults[fault]!.label, epoch, table: sightLikelihood(signatures, fault) })
  for (const watch of journal.watches)
    into(watch.epoch, null).push({
      entries: watch.entries,
      check: null,
      label: 'The gauge, read over days',
      epoch: watch.epoch,
      table: watchLikelihood(catalogue, signatures, watch),
    })
  return [...sittings.values()]
}

/** Log-weights of the plants of a row by how many it has, given facts about the configuration. */
function plantWeights(catalogue: Catalogue, { draws }: Signatures, journal: JournalRead): (count: number) => Float64Array {
  const spreads = Object.fromEntries(
    parametersOf(catalogue.system).flatMap(([key, { value, spread, elsewhere }]) =>
      elsewhere !== undefined ? [[key, otherKind * Math.abs(elsewhere - value)]] : spread ? [[key, spread]] : [],
    ),
  )
  const plants = healthyDraws(catalogue.system, draws)
  const byCount = new Map<number, Float64Array>()
  return (count) => {
    let weights = byCount.get(count)
    if (!weights) byCount.set(count, (weights = drawWeights(plants.slice(0, count), spreads, journal.known)))
    return weights
  }
}

/** Log-likelihood of one sitting for one plant: with the row's faults there, or away where they come and go. */
function sittingLog(signatures: Signatures, { members, awayPossible }: Sitting, away: readonly number[], row: number, draw: number, omitted?: Weighed): number {
  const { sets, first } = signatures
  const at = (other: number) => {
    const plant = first[other]! + draw
    let log = 0
    let there = 0
    let gone = 0
    for (const one of members) {
      if (one === omitted) continue
      if (one.filled) {
        there += one.filled.there[plant]!
        gone += one.filled.gone[plant]!
      } else log += one.table[plant]!
    }
    return there === gone ? log + there : log + mixed(there, gone)
  }
  const set = sets[row]
  const here = at(row)
  if (!awayPossible || !set || set.length === 0 || set.length > 2) return here
  const chances = set.map((fault) => away[fault]! / set.length)
  const gone = chances.reduce((sum, one) => sum + one, 0)
  if (gone === 0) return here
  const rest = set.length === 1 ? [0] : [set[1]! + 1, set[0]! + 1]
  return logSum([here + Math.log(1 - gone), ...rest.map((other, index) => at(other) + Math.log(chances[index]! || 1e-300))])
}

function tableOf(signatures: Signatures, sitting: Sitting, away: readonly number[]): Float64Array {
  const { first, sets } = signatures
  const table = new Float64Array(first[sets.length + 2]!)
  if (!sitting.awayPossible && !sitting.members.some((one) => one.filled)) for (const one of sitting.members) addTo(table, one.table)
  else
    for (let row = 0; row < sets.length + 2; row++)
      for (let plant = first[row]!; plant < first[row + 1]!; plant++) table[plant] = sittingLog(signatures, sitting, away, row, plant - first[row]!)
  return table
}

function addTo(sum: Float64Array, table: Float64Array): void {
  for (let index = 0; index < sum.length; index++) sum[index] = sum[index]! + table[index]!
}

/** All rows at once where nothing has been repaired: what comes in as log-likelihoods leaves as weights within each row. */
function average(first: Int32Array, weightOf: (count: number) => Float64Array, logLikelihood: Float64Array, plants: Float64Array): void {
  for (let row = 0; row < logLikelihood.length; row++) {
    const from = first[row]!
    const to = first[row + 1]!
    const weights = weightOf(to - from)
    let highest = -Infinity
    for (let plant = from; plant < to; plant++) {
      const log = plants[plant]! + weights[plant - from]!
      plants[plant] = log
      if (log > highest) highest = log
    }
    let total = 0
    for (let plant = from; plant < to; plant++) total += plants[plant] = Math.exp(plants[plant]! - highest)
    for (let plant = from; plant < to; plant++) plants[plant] = plants[plant]! / total
    logLikelihood[row] = highest + Math.log(total)
  }
}

/** Log-likelihood of one row and draw through a course of repairs, by the forward algorithm, for each set that may still stand. */
function afterRepairs(
  { sets, rowOf }: Signatures,
  mendings: Mending[],
  likelihood: ((index: number, row: number, draw: number) => number) & { sittings: Sitting[] },
  row: number,
  draw: number,
): Map<number, number> {
  const set = sets[row]
  let states = new Map<number, number>([[row, 0]])
  for (let epoch = 0; epoch <= mendings.length; epoch++) {
    likelihood.sittings.forEach((one, index) => {
      if (one.epoch === epoch) for (const [state, log] of states) states.set(state, log + likelihood(index, state, draw))
    })
    const mending = mendings[epoch]
    if (!mending || !set) continue
    const next = new Map<number, number>()
    for (const [state, log] of states) {
      const standing = sets[state]!
      const left = standing.filter((fault) => !mending.faults.includes(fault))
      if (left.length === standing.length) add(next, state, log)
      else {
        add(next, state, log + Math.log(1 - mending.works))
        add(next, rowOf.get(left.join(','))!, log + Math.log(mending.works))
      }
    }
    states = next
  }
  return states
}

function add(states: Map<number, number>, state: number, log: number): void {
  const present = states.get(state)
  states.set(state, present === undefined ? log : logSum([present, log]))
}

/** Likelihood of one piece of evidence under a row, over its plants as everything read so far weighs them. */
export function meanLikelihood({ first }: Signatures, { plantPosterior }: Pick<Belief, 'plantPosterior'>, table: Float64Array, row: number): number {
  let sum = 0
  for (let plant = first[row]!; plant < first[row + 1]!; plant++) sum += Math.exp(table[plant]!) * plantPosterior[plant]!
  return sum
}

/** Logarithm of a sum of exponentials, without overflow. */
export function logSum(logs: ArrayLike<number>): number {
  let highest = -Infinity
  for (let index = 0; index < logs.length; index++) if (logs[index]! > highest) highest = logs[index]!
  if (highest === -Infinity) return -Infinity
  let sum = 0
  for (let index = 0; index < logs.length; index++) sum += Math.exp(logs[index]! - highest)
  return highest + Math.log(sum)
}
