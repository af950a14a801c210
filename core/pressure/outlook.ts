import { courseOf, gridOf, pressureOf } from './course.ts'
import type { Fitted, PressureFit } from './fit.ts'
import type { PressureSeries } from './series.ts'

/** Nine times in ten between `low` and `high`. */
export interface Interval {
  low: number
  mid: number
  high: number
}

/** What becomes of it when nothing is done. */
export interface Outlook {
  /** when the boiler stops on low water, hours of the wall clock; null where it does not within the horizon more often than not */
  stops: Interval | null
  /** chance that it stops within the horizon */
  chance: number
  /** water lost a day at the usual fill, l; below 0 it gains */
  litresADay: Interval
  /** cold pressure it settles at, bar, at the end of the horizon */
  endsAt: number
}

/** days looked ahead */
export const horizonDays = 120

/** What becomes of it with one explanation. */
export function outlookOf({ series }: PressureFit, fitted: Fitted): Outlook {
  return outlookFrom(drawsAhead(series, fitted).map((one) => ({ ...one, weight: 1 })))
}

/** What becomes of it, over every explanation by its odds. */
export function outlook({ series, explanations }: PressureFit): Outlook {
  return outlookFrom(
    explanations.flatMap((one) =>
      one.odds < 0.005 ? [] : drawsAhead(series, one).map((draw, _index, { length }) => ({ ...draw, weight: one.odds / length })),
    ),
  )
}

interface Ahead {
  stops: number
  litresADay: number
  endsAt: number
}

/** Every draw of an explanation, gone on to the horizon. */
function drawsAhead(series: PressureSeries, { explanation, figures }: Fitted): Ahead[] {
  const { vesselLitres, stopsAt } = series.system
  const last = Math.max(0, ...series.readings.map(({ at }) => at), ...series.topUps.map(({ at }) => at))
  const grid = gridOf(series, last + horizonDays * 24)
  // where the readings end
  const begin = grid.at.findLastIndex((at) => at <= last + 1e-9)
  // a day from the usual fill
  const filled = gridOf({ ...series, readings: [], topUps: [{ at: 0, to: series.system.charge + 0.2 }] }, 24)
  return figures.map((one) => {
    const { water } = courseOf(series, grid, explanation.flow, one)
    const cold = (index: number) => pressureOf(vesselLitres, one.charge, water[index]!)
    let stops = Infinity
    for (let index = Math.max(begin, 0); index < grid.at.length; index++) {
      const bar = cold(index)
      if (bar >= stopsAt) continue
      const before = index > begin ? cold(index - 1) : bar
      const share = before > bar ? (before - stopsAt) / (before - bar) : 1
      stops = index > begin ? grid.at[index - 1]! + Math.min(Math.max(share, 0), 1) * (grid.at[index]! - grid.at[index - 1]!) : last
      break
    }
    const day = courseOf(series, filled, explanation.flow, { ...one, start: series.system.charge + 0.2, follows: 1 }).water
    return {
      stops,
      litresADay: day[0]! - day.at(-1)!,
      endsAt: cold(grid.at.length - 1),
    }
  })
}

function outlookFrom(draws: readonly (Ahead & { weight: number })[]): Outlook {
  const quantile = (of: (one: Ahead) => number, share: number) => {
    const sorted = draws.map((one) => ({ value: of(one), weight: one.weight })).sort((one, other) => one.value - other.value)
    const wanted = share * sorted.reduce((sum, one) => sum + one.weight, 0)
    let sum = 0
    return sorted.find((one) => (sum += one.weight) >= wanted)?.value ?? 0
  }
  const interval = (of: (one: Ahead) => number): Interval => ({ low: quantile(of, 0.05), mid: quantile(of, 0.5), high: quantile(of, 0.95) })
  const total = draws.reduce((sum, one) => sum + one.weight, 0)
  const stops = interval((one) => one.stops)
  return {
    stops: Number.isFinite(stops.mid) ? stops : null,
    chance: total > 0 ? draws.reduce((sum, one) => sum + (Number.isFinite(one.stops) ? one.weight : 0), 0) / total : 0,
    litresADay: interval((one) => one.litresADay),
    endsAt: quantile((one) => one.endsAt, 0.5),
  }
}
