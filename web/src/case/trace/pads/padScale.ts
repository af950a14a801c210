import { thermistorResistance } from '@dewpoint/core/physics'
import type { Check, Expected, NumberResult } from '@dewpoint/core/diagnosis'
import { convert, type UnitSymbol } from '@dewpoint/core/quantity'
import { scaleLinear, scaleLog } from 'd3-scale'
import { area, curveBasis } from 'd3-shape'

/** One suspect's band on the pad. */
interface Band {
  suspect: string
  label: string
  probability: number
  /** SVG path in a 100 × 40 box */
  path: string
  /** where it peaks, in the unit shown; null when it never gets that far */
  peak: number | null
  /** it lies beyond the end of the scale */
  beyond: 'left' | 'right' | null
  notReached: number
}

/** Everything the pad draws, positions in percent of its width. */
export interface Pad {
  bands: Band[]
  ticks: { at: number; label: string }[]
  place: (value: number) => number
}

const steps = 120

/** A number result of a check; the pad is for those only. */
export const numberResult = (check: Check): NumberResult | null => (check.result.kind === 'number' ? check.result : null)

/**
 * Lays the suspects' expected readings out on one scale.
 *
 * @param typed the value typed so far, in `unit`, so that the scale holds it
 * @param pipeCelsius temperature a thermistor is measured at
 */
export function layOut(result: NumberResult, expected: readonly Expected[], unit: UnitSymbol, typed: number | null, pipeCelsius: number): Pad {
  const log = result.scale === 'log'
  const toShown = (own: number) => {
    const inOwnUnit = result.thermistor ? convert(own * thermistorResistance(pipeCelsius, result.thermistor.curve), 'Ω', result.unit) : own
    return convert(inOwnUnit, result.unit, unit)
  }
  const onAxis = (own: number) => (log ? Math.log(own) : own)
  const points = expected.flatMap((one) => one.points?.map((point) => ({ ...point, weight: point.weight * one.probability })) ?? [])
  const [low, high] = domain(
    points.map((one) => ({ centre: onAxis(one.value), spread: one.spread, weight: one.weight })),
    log,
  )
  const fromAxis = (axis: number) => toShown(log ? Math.exp(axis) : axis)
  let ends: [number, number] = [fromAxis(low), fromAxis(high)]
  if (typed !== null && Number.isFinite(typed) && (!log || typed > 0)) {
    const pad = log ? 1.15 : 0
    const room = log ? 0 : (ends[1] - ends[0]) * 0.05
    if (typed < ends[0]) ends = [log ? typed / pad : typed - room, ends[1]]
    if (typed > ends[1]) ends = [ends[0], log ? typed * pad : typed + room]
  }
  const scale = log ? scaleLog(ends, [0, 100]) : scaleLinear(ends, [0, 100])
  const place = (value: number) => Math.min(100, Math.max(0, scale(log ? Math.max(value, ends[0] / 1e3) : value)))
  const axisAt = (percent: number) => {
    const shown = scale.invert(percent)
    const own = convert(shown, unit, result.unit)
    const plain = result.thermistor ? convert(own, result.unit, 'Ω') / thermistorResistance(pipeCelsius, result.thermistor.curve) : own
    return onAxis(plain)
  }
  const bands = expected.map((one) => band(one, axisAt, fromAxis, onAxis, place))
  const all = scale.ticks(6)
  const ticks = (all.length > 9 ? all.filter((_tick, index) => index % Math.ceil(all.length / 7) === 0) : all).map((tick) => ({
    at: scale(tick),
    label: String(Number(tick.toPrecision(3))),
  }))
  return { bands, ticks, place }
}

function band(
  one: Expected,
  axisAt: (percent: number) => number,
  fromAxis: (axis: number) => number,
  onAxis: (own: number) => number,
  place: (value: number) => number,
): Band {
  const base = { suspect: one.suspect, label: one.label, probability: one.probability, notReached: one.notReached }
  const points = one.points ?? []
  if (points.length === 0 || one.notReached > 0.95) return { ...base, path: '', peak: null, beyond: null }
  const heights = Array.from({ length: steps + 1 }, (_unused, step) => {
    const axis = axisAt((step / steps) * 100)
    return points.reduce((sum, point) => sum + (point.weight / point.spread) * Math.exp(-0.5 * ((axis - onAxis(point.value)) / point.spread) ** 2), 0)
  })
  const centre = points.reduce((sum, point) => sum + point.weight * onAxis(point.value), 0) / points.reduce((sum, point) => sum + point.weight, 0)
  const peak = fromAxis(centre)
  const outside = points.reduce(
    (sum, point) => sum + (place(fromAxis(onAxis(point.value))) <= 0 ? -point.weight : place(fromAxis(onAxis(point.value))) >= 100 ? point.weight : 0),
    0,
  )
  const beyond = outside > 0.6 ? 'right' : outside < -0.6 && axisAt(0) > centre ? 'left' : null
  const tallest = Math.max(...heights)
  const shape = area<number>(
    (_height, step) => (step / steps) * 100,
    39,
    (height) => 39 - (36 * height) / Math.max(tallest, 1e-12),
  ).curve(curveBasis)
  return { ...base, path: beyond ? '' : (shape(heights) ?? ''), peak, beyond }
}

/** Ends of the scale on the axis: where nearly all the weight lies, with room; on a log axis no wider than a hundredfold. */
function domain(points: { centre: number; spread: number; weight: number }[], log: boolean): [number, number] {
  if (points.length === 0) return log ? [Math.log(0.5), Math.log(2)] : [0, 1]
  const sorted = [...points].sort((a, b) => a.centre - b.centre)
  const middle = sorted[Math.floor(sorted.length / 2)]!.centre
  const kept = log ? sorted.filter((one) => Math.abs(one.centre - middle) < Math.log(8)) : sorted
  const low = Math.min(...kept.map((one) => one.centre - 3.5 * one.spread))
  const high = Math.max(...kept.map((one) => one.centre + 3.5 * one.spread))
  const least = log ? 0.5 : (high - low) * 0.02
  return high - low < least ? [low - least, high + least] : [low, high]
}
