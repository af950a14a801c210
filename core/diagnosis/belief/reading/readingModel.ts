import type { Catalogue, Check, Instrument, OutcomeResult } from '../../catalogue/index.ts'

/** Share of readings that is "anything": a slip of hand, eye or pen; fewer where a part is seen, or tested alone. Chosen */
const anything = { usual: 0.015, direct: 0.0002 }
/** "Not reached" said of a number that could be read, and a number written down where none could be. Assumed */
const slips = { notReached: 0.02, read: 0.05 }
/** How often an unlisted cause reads like a healthy appliance; else it reads strangely: seldom where one listed part is seen by itself. Assumed */
const likeHealthy = { usual: 0.5, direct: 0.97 }
/** Strangely: how often it shows a sign nobody has a cause for, and stops before a number can be read. Assumed */
const strange = { sign: 0.15, notReached: 0.2 }

/** Chance of "yes" to a cue for a set of faults, before any slip: causes combine by noisy-OR over the base rate. */
export function cueProbability(catalogue: Catalogue, check: Check, set: readonly number[]): number {
  if (check.result.kind !== 'cue') return NaN
  let no = 1 - check.result.without
  for (const index of set) no *= 1 - (catalogue.faults[index]!.cues?.[check.id] ?? 0)
  return 1 - no
}

/** Chance that "yes" is said of a cue that shows so often. */
export function signProbability(check: Pick<Check, 'direct'>, shows: number): number {
  return mixed(check, shows, 2)
}

/** Probability that a check reports outcome `said` (−1 not reached) when the simulation says `is` (NaN not reached). */
export function outcomeProbability(check: Check, is: number, said: number): number {
  if (check.result.kind !== 'outcome') return NaN
  const { outcomes } = check.result
  const before = onceSaid(check, said)
  if (before) return before.reduce((sum, one) => sum + outcomeProbability(check, is, one), 0)
  const confusion = confusionAt(check.result, is)
  const others = outcomes.length
  const right = Number.isNaN(is) ? said === -1 : said === is
  return mixed(check, right ? 1 - confusion : confusion / others, others + 1)
}

/** The places of today’s outcomes that one of earlier days may have been; null for one of today’s. They follow on today’s. */
function onceSaid({ result }: Check, said: number): number[] | null {
  if (result.kind !== 'outcome') return null
  const before = result.once?.[said - result.outcomes.length]
  return before ? before.means.map((id) => result.outcomes.findIndex((one) => one.id === id)) : null
}

/** Chance that another outcome is reported when this one is so (NaN not reached). */
export function confusionAt({ confusion }: Pick<OutcomeResult, 'confusion'>, is: number): number {
  return typeof confusion === 'number' ? confusion : (confusion[is] ?? confusion[0]!)
}

/** Chance that "not reached" is said of a check with a number, when the simulation says `is` (NaN not reached). */
export function notReachedProbability(is: number): number {
  return mixed({}, Number.isNaN(is) ? 1 - slips.read : slips.notReached, 2)
}

/** How far from what is usual a number is called too low or too high, in its spreads, and how much wider than a measurement such a word is. Assumed */
const byWord = { from: 2, wider: 1.5 }
/** Share of such words that are anything: nobody looked closely. Assumed */
const carelessly = 0.06

/** What a sound appliance of a model reads of a number, over the appliances there are: in the middle, and how far from it at most. */
export interface Usual {
  middle: number
  reach: number
}

/**
 * Chance that a number is called too low (0), right (1) or too high (2), when the simulation says `is` (NaN not reached).
 *
 * @param usual on the scale of the comparison
 * @param spread of a reading of it
 */
export function wordProbability(check: Check, is: number, said: number, { middle, reach }: Usual, spread: number): number {
  if (Number.isNaN(is)) return (1 - notReachedProbability(is)) / 3
  const width = spread * byWord.wider
  const low = errorUpTo(middle - reach - byWord.from * spread - onScale(check, is), width, false)
  const high = 1 - errorUpTo(middle + reach + byWord.from * spread - onScale(check, is), width, false)
  const plain = [low, 1 - low - high, high][said] ?? 0
  return (1 - notReachedProbability(is)) * ((1 - carelessly) * plain + carelessly / 3)
}

/**
 * Density of a number said of a check, on the scale of the comparison, when the simulation says `is` (NaN not reached).
 *
 * @param said on the scale of the comparison
 * @param spread of what is said about what is
 */
export function numberDensity(check: Check, is: number, said: number, spread: number): number {
  const [low, high] = scaleRange(check)
  const flat = 1 / (high - low)
  const slip = slipOf(check)
  const density = Number.isNaN(is) ? flat : (1 - slip) * errorDensity(said - onScale(check, is), spread, check.direct === true) + slip * flat
  return (1 - notReachedProbability(is)) * density
}

/**
 * Chances of a number between each place of the scale and the next, by {@link numberDensity}; the scale's ends take what lies beyond them.
 *
 * @param places ascending, on the scale of the comparison
 * @param into where they are put, from `at` on
 * @returns one chance fewer than places
 */
export function numberProbabilities(
  check: Check,
  is: number,
  places: ArrayLike<number>,
  spread: number,
  into = new Float64Array(places.length - 1),
  at = 0,
): Float64Array {
  const [low, high] = scaleRange(check)
  const reached = 1 - notReachedProbability(is)
  const centre = onScale(check, is)
  const isRead = !Number.isNaN(is)
  const slip = slipOf(check)
  const alone = check.direct === true
  let below = 0
  for (let index = 0; index < places.length; index++) {
    const place = places[index]!
    let upTo = 0
    if (place >= high) upTo = 1
    else if (place > low && isRead) upTo = errorUpTo(place - centre, spread, alone)
    if (index > 0) {
      const flat = (place - places[index - 1]!) / (high - low)
      into[at + index - 1] = reached * (isRead ? (1 - slip) * (upTo - below) + slip * flat : flat)
    }
    below = upTo
  }
  return into
}

/** What an unlisted cause makes of a result: half the time what a healthy appliance would, else what is strange; of a part seen by itself nearly always the former. */
export function unlistedProbability(check: Pick<Check, 'direct'>, healthy: number, strangely: number): number {
  const like = check.direct ? likeHealthy.direct : likeHealthy.usual
  return like * healthy + (1 - like) * strangely
}

/** Chance of an answer where nothing is known of its cause: of an outcome, of a cue (1 yes, 0 no), of a number by a word; −1 is "not reached". */
export function strangeAnswer(check: Check, said: number): number {
  const { result } = check
  if (result.kind === 'cue') {
    const yes = result.without + strange.sign * (1 - result.without)
    return said === 1 ? yes : 1 - yes
  }
  if (result.kind === 'outcome') return (onceSaid(check, said)?.length ?? 1) / (result.outcomes.length + 1)
  return said === -1 ? strange.notReached : (1 - strange.notReached) / 3
}

/** Density of a number on the scale of the comparison where nothing is known of its cause. */
export function strangeDensity(check: Check): number {
  const [low, high] = scaleRange(check)
  return (1 - strange.notReached) / (high - low)
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
  const { scale, bands } = check.result
  const [low, high] = scaleRange(check)
  const on = bands ? banded(value, bands) : scale === 'log' ? Math.log(Math.max(value, 1e-9)) : value
  return Math.min(Math.max(on, low), high)
}

/** How much of a difference counts within the dead and the live band. Chosen */
const withinBand = 0.15

function banded(volts: number, [dead, live]: readonly [number, number]): number {
  if (volts < dead) return volts * withinBand
  const between = dead * withinBand + Math.min(volts, live) - dead
  return volts < live ? between : between + (volts - live) * withinBand
}

/** The ends of that scale. A thermistor is compared as a factor, a thousandth to a thousandfold. */
export function scaleRange(check: Check): [number, number] {
  if (check.result.kind !== 'number') return [0, 1]
  const { range, scale, thermistor, bands } = check.result
  if (bands) return [banded(range[0], bands), banded(range[1], bands)]
  if (thermistor) return [Math.log(1e-3), Math.log(1e3)]
  return scale === 'log' ? [Math.log(range[0]), Math.log(range[1])] : range
}

/**
 * Density of a heavy-tailed error: Student's t, scaled, with four degrees of freedom; with eight where a part is tested alone, at a known temperature or
 * with its wires off, and less can go wrong.
 */
function errorDensity(distance: number, spread: number, alone: boolean): number {
  const z = distance / spread
  if (alone) {
    const wide = 1 + (z * z) / 8
    return 0.3867 / (spread * wide * wide * wide * wide * Math.sqrt(wide))
  }
  const wide = 1 + (z * z) / 4
  return 0.375 / (spread * wide * wide * Math.sqrt(wide))
}

/** Its distribution function, closed for an even number of degrees of freedom: Abramowitz and Stegun 26.7.4 (from memory). */
function errorUpTo(distance: number, spread: number, alone: boolean): number {
  const z = distance / spread
  const degrees = alone ? 8 : 4
  const s = z / Math.sqrt(degrees + z * z)
  const c = 1 - s * s
  return 0.5 + 0.5 * s * (alone ? 1 + c * (0.5 + c * (0.375 + c * 0.3125)) : 1 + 0.5 * c)
}

/** The instrument a check is made with. */
export function instrumentOf(catalogue: Catalogue, check: Check): Instrument {
  const id = check.result.kind === 'number' ? check.result.instrument : ''
  return catalogue.instruments.find((one) => one.id === id) ?? { id: 'eye', label: 'eye', absolute: 0, relative: 0 }
}

function mixed(check: Pick<Check, 'direct'>, p: number, ways: number): number {
  const slip = slipOf(check)
  return (1 - slip) * p + slip / ways
}

const slipOf = ({ direct }: Pick<Check, 'direct'>) => (direct ? anything.direct : anything.usual)
