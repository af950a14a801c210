import { courseOf, gridOf } from './course.ts'
import type { ExplanationId } from './explanations.ts'
import type { PressureFit } from './fit.ts'
import type { GaugeReading, PressureSeries } from './series.ts'

/** A reading that could be taken next. */
export interface Asked {
  /** hours of the wall clock */
  at: number
  state: 'cold' | 'hot'
  /** what is done until then */
  loopOff?: boolean
  heating?: 'off' | 'on'
}

/** A reading to come, what each explanation expects of it, and how much it would tell. */
export interface TellingReading {
  asked: Asked
  /** bits it tells about which explanation it is, on the average */
  bits: number
  /** what the gauge shows then, bar, and its standard deviation with the gauge's own error */
  expects: { id: ExplanationId; odds: number; mean: number; spread: number }[]
}

/** draws that stand for an explanation */
const drawn = 30
/** explanations less likely than this are no longer asked about */
const least = 0.005
/** bits that waiting another day costs, as a share. Chosen for this model */
const patience = 0.12

/** What could be read in the days to come: cold mornings, hot evenings, the heating left off or on for a day, the filling loop off overnight. */
function askable({ periods, canMixMains }: PressureSeries, now: number): Asked[] {
  const first = periods[0]?.[0] ?? 7
  const last = periods.at(-1)?.[1] ?? 21
  const midnight = Math.floor(now / 24) * 24
  const asked: Asked[] = []
  for (let day = 0; day <= 3; day++) {
    const [morning, evening] = [midnight + day * 24 + first - 0.25, midnight + day * 24 + last - 0.5]
    asked.push({ at: morning, state: 'cold' })
    if (canMixMains && day > 0) asked.push({ at: morning, state: 'cold', loopOff: true })
    if (periods.length > 0) asked.push({ at: evening, state: 'hot' }, { at: evening, state: 'hot', heating: 'on' })
    asked.push({ at: evening, state: 'cold', heating: 'off' })
  }
  return asked.filter(({ at }) => at > now + 0.5)
}

/**
 * The reading that would tell most about which explanation it is: the most bits, less what waiting for it costs. Expected information by the gauge's
 * predicted readings under each explanation (Lindley 1956).
 *
 * @param now hour of the wall clock
 * @returns null where nothing can be asked
 */
export function mostTelling(fit: PressureFit, now: number): TellingReading | null {
  const all = askable(fit.series, now).map((asked) => expected(fit, asked, now))
  const value = ({ bits, asked }: TellingReading) => bits / (1 + (patience * (asked.at - now)) / 24 + (asked.heating || asked.loopOff ? 0.15 : 0))
  return all.reduce<TellingReading | null>((best, one) => (best === null || value(one) > value(best) ? one : best), null)
}

/** What each explanation expects of one reading to come, and what it would tell. */
export function expected({ series, explanations }: PressureFit, asked: Asked, now: number): TellingReading {
  const added: GaugeReading[] = [
    { at: Math.max(begins(series, asked), now, ...series.readings.map(({ at }) => at + 0.01)), bar: 1, state: 'cold' },
    { ...asked, bar: 1 },
  ]
  const later: PressureSeries = { ...series, readings: [...series.readings, ...added] }
  const grid = gridOf(later)
  const place = later.readings.length - 1
  const each = explanations
    .filter(({ odds }) => odds >= least)
    .map(({ id, odds, explanation, figures }) => {
      const shown = figures
        .filter((_one, index) => index % Math.max(1, Math.floor(figures.length / drawn)) === 0)
        .map((one) => courseOf(later, grid, explanation.flow, one).shown[place]!)
      const mean = shown.reduce((sum, one) => sum + one, 0) / shown.length
      const spread = Math.sqrt(shown.reduce((sum, one) => sum + (one - mean) ** 2, 0) / shown.length + series.gaugeError ** 2)
      return { id, odds, mean, spread, shown }
    })
  return { asked, bits: bitsOf(each, series.gaugeError), expects: each.map(({ shown: _shown, ...one }) => one) }
}

/** When what is asked for beforehand begins: the heating with that day, the filling loop taken off the evening before. */
function begins({ periods }: PressureSeries, { at, heating, loopOff }: Asked): number {
  const midnight = Math.floor(at / 24) * 24
  if (heating) return midnight + (periods[0]?.[0] ?? 7) - 0.25
  return loopOff ? midnight - 2 : -Infinity
}

const [lowest, highest, fine] = [-0.3, 5, 0.04]

/** Mutual information of explanation and reading, bits, on a gauge finely divided. */
function bitsOf(each: readonly { odds: number; shown: readonly number[] }[], error: number): number {
  const places = Math.round((highest - lowest) / fine)
  const total = each.reduce((sum, one) => sum + one.odds, 0)
  const spread = Math.max(error, fine)
  const densities = each.map(({ shown }) => {
    const density = new Float64Array(places)
    for (const one of shown) {
      const middle = Math.min(Math.max(one, 0), highest - 0.3)
      const [from, to] = [
        Math.max(0, Math.floor((middle - lowest - 4 * spread) / fine)),
        Math.min(places - 1, Math.ceil((middle - lowest + 4 * spread) / fine)),
      ]
      for (let place = from; place <= to; place++) density[place]! += Math.exp(-(((lowest + (place + 0.5) * fine - middle) / spread) ** 2) / 2)
    }
    const sum = density.reduce((all, one) => all + one, 0)
    return density.map((one) => one / sum)
  })
  const entropy = (density: Float64Array) => -density.reduce((sum, one) => (one > 0 ? sum + one * Math.log2(one) : sum), 0)
  const mixed = new Float64Array(places)
  densities.forEach((density, index) => density.forEach((one, place) => (mixed[place]! += (one * each[index]!.odds) / total)))
  return Math.max(0, entropy(mixed) - densities.reduce((sum, density, index) => sum + (each[index]!.odds / total) * entropy(density), 0))
}
