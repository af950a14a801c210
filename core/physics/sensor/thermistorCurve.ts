import { alongChart, chartTrouble, type ChartPoint, type ReadableCurve } from './thermistorChart.ts'
import { thermistorResistance, thermistorTemperature, type NtcCurve } from './thermistor.ts'

/** A thermistor's curve: by one B-value, through three points, or along a chart. */
export type ThermistorCurve =
  { kind: 'beta'; curve: NtcCurve } | { kind: 'threePoints'; points: readonly ChartPoint[] } | { kind: 'chart'; points: readonly ChartPoint[] }

const kelvin = 273.15
/**
 * Makes a curve readable both ways.
 *
 * One B: IEC 60539-1. Three points: Steinhart and Hart, Deep-Sea Research 15 (1968) 497, 1/T = a + b·ln R + c·(ln R)³, its three coefficients
 * by divided differences. A chart: between two lines of it one B-value of their own, which is straight in ln R over 1/T; carried on beyond.
 *
 * @returns the curve, or why there is none, in words for whoever typed the points
 */
export function readableCurve(curve: ThermistorCurve): { ok: true; curve: ReadableCurve } | { ok: false; problem: string } {
  if (curve.kind === 'beta') {
    const own = curve.curve
    if (own.points) return readableCurve({ kind: 'chart', points: own.points })
    return {
      ok: true,
      curve: { ohms: (celsius) => thermistorResistance(celsius, own), celsius: (ohms) => thermistorTemperature(ohms, own), from: -20, to: 120 },
    }
  }
  const points = [...curve.points].sort((one, other) => one.celsius - other.celsius)
  const needed = curve.kind === 'threePoints' ? 3 : 2
  if (points.length < needed)
    return refuse(
      `${needed === 3 ? 'Three points make' : 'At least two lines make'} a curve: ${points.length === 1 ? 'one is' : `${points.length} are`} given.`,
    )
  const trouble = chartTrouble(points)
  if (trouble) return refuse(trouble)
  return curve.kind === 'threePoints' ? throughThree(points.slice(0, 3)) : { ok: true, curve: alongChart(points) }
}

const refuse = (problem: string) => ({ ok: false as const, problem })

function throughThree(points: readonly ChartPoint[]): ReturnType<typeof readableCurve> {
  const [l1, l2, l3] = points.map(({ ohms }) => Math.log(ohms)) as [number, number, number]
  const [y1, y2, y3] = points.map(({ celsius }) => 1 / (celsius + kelvin)) as [number, number, number]
  const c = ((y3 - y1) / (l3 - l1) - (y2 - y1) / (l2 - l1)) / (l3 - l2) / (l1 + l2 + l3)
  const b = (y2 - y1) / (l2 - l1) - c * (l1 * l1 + l1 * l2 + l2 * l2)
  const a = y1 - l1 * (b + c * l1 * l1)
  const celsius = (ohms: number) => {
    const l = Math.log(ohms)
    return 1 / (a + l * (b + c * l * l)) - kelvin
  }
  // it has to fall all the way over what it is asked about: from well below the lowest of the points to well above the highest
  const slope = (l: number) => b + 3 * c * l * l
  const [low, high] = [l3 - 1, l1 + 1]
  if (!(slope(low) > 0 && slope(high) > 0)) return refuse('No curve that falls all the way goes through these three points: check them.')
  return {
    ok: true,
    curve: {
      celsius,
      ohms: (wanted) => Math.exp(bisect((l) => celsius(Math.exp(l)), wanted, l3 - 4, l1 + 4)),
      from: points[0]!.celsius,
      to: points[2]!.celsius,
    },
  }
}

/** Where a falling function takes a value, between two places. */
function bisect(of: (at: number) => number, wanted: number, low: number, high: number): number {
  let [from, to] = [low, high]
  for (let round = 0; round < 80; round++) {
    const middle = (from + to) / 2
    if (of(middle) > wanted) from = middle
    else to = middle
  }
  return (from + to) / 2
}

/**
 * The one B-value that comes nearest a curve between two temperatures: least squares of ln R over 1/T at every kelvin.
 *
 * @returns the curve by one B, and how far it is from the given one at worst, K
 */
export function nearestBeta(curve: ReadableCurve, from: number, to: number): { curve: NtcCurve; worst: number } {
  const t0 = 25
  const places = Array.from(
    { length: Math.max(2, Math.round(to - from) + 1) },
    (_unused, index, of = Math.max(1, Math.round(to - from))) => from + ((to - from) * index) / of,
  )
  const x = places.map((celsius) => 1 / (celsius + kelvin))
  const y = places.map((celsius) => Math.log(curve.ohms(celsius)))
  const mean = (list: number[]) => list.reduce((sum, one) => sum + one, 0) / list.length
  const [mx, my] = [mean(x), mean(y)]
  const beta = x.reduce((sum, one, index) => sum + (one - mx) * (y[index]! - my), 0) / x.reduce((sum, one) => sum + (one - mx) ** 2, 0)
  const found = { r0: Math.exp(my + beta * (1 / (t0 + kelvin) - mx)), t0, beta }
  return { curve: found, worst: Math.max(...places.map((celsius) => Math.abs(thermistorTemperature(curve.ohms(celsius), found) - celsius))) }
}
