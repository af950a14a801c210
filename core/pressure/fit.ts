import { chanceFrom } from '../chance/index.ts'
import { expansion } from '../physics/index.ts'
import { courseOf, gridOf, pressureOf, type Grid } from './course.ts'
import { explanationsOf, type CourseFigures, type Explanation, type ExplanationId } from './explanations.ts'
import { sample, type Draws } from './sampling.ts'
import type { PressureSeries } from './series.ts'

/** water between cold and as hot as it gets, °C: the plant's means */
const roomCelsius = 17
const hotCelsius = 59
/** share of the swing somebody's “hot” may be off by */
const hotDoubt = 0.1
/** degrees of freedom of a reading's error: now and then one is far off */
const freedom = 5
/** draws kept of each explanation */
const kept = 120

/** One explanation after the readings. */
export interface Fitted {
  id: ExplanationId
  /** before the readings */
  prior: number
  /** after them; all add up to one */
  odds: number
  /** log of how likely the readings are with it */
  logEvidence: number
  explanation: Explanation
  /** equally likely figures of it */
  figures: CourseFigures[]
  /** what the gauge should have shown at each reading, bar, and how sure that is */
  mean: number[]
  spread: number[]
  /** readings its course misses, by their index */
  misses: number[]
}

/** What a gauge's readings say. */
export interface PressureFit {
  series: PressureSeries
  grid: Grid
  /** the likeliest first */
  explanations: Fitted[]
}

/**
 * Fits every explanation to a series of readings, and weighs them: Bayes' rule over a model of the plant's pressure. A step at a time, so that a
 * worker can say how far it is and be stopped.
 *
 * @param seed of chance: the same gives the same
 * @param prior how often it is what, by explanation, where that is known better
 * @yields share done, 0–1
 * @returns nothing is said with no reading at all: the odds are then the prior's
 */
export function* fitting(series: PressureSeries, seed = 1, prior: Partial<Record<ExplanationId, number>> = {}): Generator<number, PressureFit> {
  const grid = gridOf(series)
  const grows = expansion(series.system.litres, roomCelsius, hotCelsius)
  const list = explanationsOf(series, beginningOf(series, grows), grows).map((one) => ({ ...one, prior: prior[one.id] ?? one.prior }))
  const fitted: Fitted[] = []
  const shown = new Float64Array(series.readings.length)
  for (const [index, explanation] of list.entries()) {
    yield index / list.length
    const chance = chanceFrom(seed * 97 + index)
    const draws = sample(explanation.size, (z, at) => logLikelihood(series, grid, explanation, explanation.figures(z, at), shown), chance)
    fitted.push(summary(series, grid, explanation, draws, chance.uniform()))
  }
  yield 1
  const total = list.reduce((sum, one) => sum + one.prior, 0)
  const logs = fitted.map((one) => one.logEvidence + Math.log(Math.max(one.prior, 1e-12) / total) + pipeSays(series, one.explanation))
  const top = Math.max(...logs)
  const sum = logs.reduce((all, one) => all + Math.exp(one - top), 0)
  return {
    series,
    grid,
    explanations: fitted.map((one, index) => ({ ...one, odds: Math.exp(logs[index]! - top) / sum })).sort((one, other) => other.odds - one.odds),
  }
}

/** The same at once. */
export function fitPressure(series: PressureSeries, seed?: number, prior?: Partial<Record<ExplanationId, number>>): PressureFit {
  const steps = fitting(series, seed, prior)
  for (;;) {
    const { done, value } = steps.next()
    if (done) return value
  }
}

/** Cold pressure the first reading points to, bar. */
function beginningOf({ readings, system }: PressureSeries, grows: number): number {
  const [first] = [...readings].sort((one, other) => one.at - other.at)
  if (!first) return system.charge + 0.2
  if (first.state === 'cold') return first.bar
  // back from hot by a sound cushion: the prior is wide enough for the rest
  const gas = Math.max(system.vesselLitres * ((system.charge + 1.013) / (first.bar + 1.013)), 0.5)
  return Math.max(((first.bar + 1.013) * gas) / (gas + grows) - 1.013, 0.2)
}

const half = (freedom + 1) / 2
/** cold pressure above the charge from which a system is filled too far, bar: the higher school fills half a bar above it */
const overfull = 0.75

/** How likely the readings are on one course. */
function logLikelihood(series: PressureSeries, grid: Grid, explanation: Explanation, figures: CourseFigures, into: Float64Array): number {
  const { vesselLitres, relief } = series.system
  if (explanation.must) {
    // whether a vessel is too small is judged by the usual fill, whatever it was filled to
    const fill = explanation.must === 'runUp' ? figures.charge + 0.2 : figures.start
    const water = fill > figures.charge ? vesselLitres * (1 - (figures.charge + 1.013) / (fill + 1.013)) : 0
    const hot = pressureOf(vesselLitres, figures.charge, water + figures.grows)
    if (explanation.must === 'overfull') {
      if (figures.start < figures.charge + overfull) return -Infinity
    } else if (explanation.must === 'suffice' ? hot > relief - 0.4 : hot < relief - 0.5) return -Infinity
  }
  const { shown, strain } = courseOf(series, grid, explanation.flow, figures, into)
  const { readings, gaugeError } = series
  const square = gaugeError * gaugeError
  let log = -strain / 2
  for (let index = 0; index < readings.length; index++) {
    const { bar, state } = readings[index]!
    const doubt = state === 'hot' ? hotDoubt * Math.max(shown[index]! - figures.start, 0) * figures.follows : 0
    const spread = square + doubt * doubt
    const miss = bar - shown[index]!
    log -= 0.5 * Math.log(spread) + half * Math.log1p((miss * miss) / spread / freedom)
  }
  return log
}

/** What the pipe outside says, as a log likelihood. */
function pipeSays({ pipeOutside }: PressureSeries, { wet }: Explanation): number {
  return pipeOutside === null ? 0 : Math.log(pipeOutside === 'wet' ? wet : 1 - wet)
}

function summary(series: PressureSeries, grid: Grid, explanation: Explanation, draws: Draws, offset: number): Fitted {
  const chosen = resampled(draws, offset)
  const figures = chosen.map((draw) => explanation.figures(draws.z, draw * draws.size))
  const courses = figures.map((one) => courseOf(series, grid, explanation.flow, one).shown)
  const mean = series.readings.map((_one, index) => courses.reduce((sum, one) => sum + one[index]!, 0) / courses.length)
  const spread = series.readings.map((_one, index) => Math.sqrt(courses.reduce((sum, one) => sum + (one[index]! - mean[index]!) ** 2, 0) / courses.length))
  return {
    id: explanation.id,
    prior: explanation.prior,
    odds: 0,
    logEvidence: draws.logEvidence,
    explanation,
    figures,
    mean,
    spread,
    misses: series.readings.flatMap(({ bar }, index) => (Math.abs(bar - mean[index]!) > 2.2 * Math.hypot(series.gaugeError, spread[index]!) ? [index] : [])),
  }
}

/** Equally likely draws, by systematic resampling. Source: Kitagawa 1996. */
function resampled({ weight }: Draws, offset: number): number[] {
  const chosen: number[] = []
  let sum = 0
  let draw = -1
  for (let index = 0; index < kept; index++) {
    const wanted = (index + offset) / kept
    while (sum < wanted && draw < weight.length - 1) sum += weight[++draw]!
    chosen.push(Math.max(draw, 0))
  }
  return chosen
}
