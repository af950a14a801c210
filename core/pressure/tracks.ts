import { courseOf, gridOf, pressureOf } from './course.ts'
import type { Fitted, PressureFit } from './fit.ts'
import { warmthAt } from './series.ts'

/** What one explanation has the gauge do, as lines to draw. */
export interface Track {
  /** hours of the wall clock */
  at: Float64Array
  /** what the gauge shows, bar, and nine times in ten no lower and no higher */
  mid: Float64Array
  low: Float64Array
  high: Float64Array
}

/** draws that make a band */
const drawn = 40

/** The course of an explanation from one hour to another, at so many places. */
export function trackOf({ series }: PressureFit, { explanation, figures }: Fitted, from: number, to: number, places: number): Track {
  const grid = gridOf(series, to)
  const { vesselLitres } = series.system
  const chosen = figures.filter((_one, index) => index % Math.max(1, Math.floor(figures.length / drawn)) === 0)
  const courses = chosen.map((one) => ({ one, ...courseOf(series, grid, explanation.flow, one) }))
  const at = Float64Array.from({ length: places }, (_unused, index) => from + ((to - from) * index) / Math.max(places - 1, 1))
  const [mid, low, high] = [new Float64Array(places), new Float64Array(places), new Float64Array(places)]
  let step = 0
  at.forEach((time, place) => {
    while (step < grid.at.length - 1 && grid.at[step]! < time) step++
    const end = grid.at[step]!
    const begin = end - grid.hours[step]!
    const share = grid.hours[step]! > 0 ? Math.min(Math.max((time - begin) / grid.hours[step]!, 0), 1) : 1
    const ran = grid.ran[step]
    const warmth = ran === 'on' ? 0.95 : ran === 'off' ? 0 : warmthAt(grid.day, time)
    const shown = courses
      .map(({ one, water }) => {
        const before = step > 0 ? water[step - 1]! : water[0]!
        // water let in at the end of a stretch was not there before it
        const jumps = grid.happens[step]?.kind === 'topUp'
        const held = jumps ? (share >= 1 ? water[step]! : before) : before + (water[step]! - before) * share
        const bar = pressureOf(vesselLitres, one.charge, held + one.grows * warmth)
        return one.follows === 1 ? bar : Math.max(one.start + (bar - one.start) * one.follows, 0)
      })
      .sort((a, b) => a - b)
    mid[place] = shown[Math.floor(shown.length / 2)]!
    low[place] = shown[Math.floor(shown.length * 0.05)]!
    high[place] = shown[Math.min(Math.ceil(shown.length * 0.95), shown.length - 1)]!
  })
  return { at, mid, low, high }
}
