/** A reading of the gauge. Times are hours of the wall clock from midnight of the first day of the series. */
export interface GaugeReading {
  at: number
  bar: number
  /** heating off for hours, or on for half an hour and more */
  state: 'cold' | 'hot'
  /** filling loop disconnected, or its branch blanked, since the reading before */
  loopOff?: boolean
  /** the heating since the reading before: left off, or on all the time; without it as every day */
  heating?: 'off' | 'on'
}

/** Water let in. */
export interface TopUp {
  at: number
  /** what the gauge showed afterwards, bar; null where nobody noted it */
  to: number | null
}

/** What is known of the system the gauge hangs on. */
export interface WatchedSystem {
  /** water in it, l, and how well that is known: standard error as a share */
  litres: number
  litresError: number
  vesselLitres: number
  /** charge its vessel should have, bar */
  charge: number
  /** where the relief valve lifts, bar */
  relief: number
  /** where the boiler stops on low water, bar */
  stopsAt: number
  /** pressure of the main with nothing drawn, bar */
  mains: number
}

/** A stretch of the day in which the heating may run, in hours. */
export type Period = readonly [from: number, to: number]

/** A gauge read over days, and what was seen beside it. */
export interface PressureSeries {
  readings: readonly GaugeReading[]
  topUps: readonly TopUp[]
  system: WatchedSystem
  /** when the heating runs, each day the same; none for a summer without heating */
  periods: readonly Period[]
  /** standard error of one reading, bar */
  gaugeError: number
  /** the pipe outside, where the relief valve ends; null where nobody looked */
  pipeOutside: 'dry' | 'wet' | null
  /** there is a plate or a coil between main and heating that could be holed */
  canMixMains: boolean
}

/** Two periods a day, morning and evening. Assumed where nothing is said */
export const usualPeriods: readonly Period[] = [
  [6, 8.5],
  [16.5, 22],
]

/** heating and cooling of the water, time constants, h. Chosen for this model, as in the plant */
const warms = 0.35
const cools = 1.2
const stepsPerHour = 4

/**
 * How warm the system is through the day: 0 at room temperature, 1 as hot as it gets. One day after another until it repeats.
 *
 * @returns warmth at every quarter of an hour from midnight
 */
export function dayOf(periods: readonly Period[]): Float64Array {
  const steps = 24 * stepsPerHour
  const day = new Float64Array(steps)
  let warmth = 0
  for (let pass = 0; pass < 2; pass++)
    for (let step = 0; step < steps; step++) {
      const hour = step / stepsPerHour
      day[step] = warmth
      const on = periods.some(([from, to]) => hour >= from && hour < to)
      warmth += ((on ? 1 : 0) - warmth) * (1 - Math.exp(-1 / stepsPerHour / (on ? warms : cools)))
    }
  return day
}

/** How warm it is at an hour of the wall clock, by a day made of quarters of an hour. */
export function warmthAt(day: Float64Array, hours: number): number {
  const place = (((hours % 24) + 24) % 24) * stepsPerHour
  const step = Math.floor(place)
  const [one, next] = [day[step % day.length]!, day[(step + 1) % day.length]!]
  return one + (next - one) * (place - step)
}
