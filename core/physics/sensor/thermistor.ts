import { alongChart, type ChartPoint } from './thermistorChart.ts'

/** A negative-temperature-coefficient sensor described by one B-value, or by its chart where one is given. */
export interface NtcCurve {
  /** resistance at the reference temperature, Ω */
  r0: number
  /** reference temperature, °C */
  t0: number
  /** B-value, K */
  beta: number
  /** lines of its chart, which then stands before the B-value: at least two, in the order of their temperatures, resistances falling */
  points?: readonly ChartPoint[]
}

const kelvin = 273.15

/**
 * Resistance-to-temperature of a thermistor by the B-parameter equation, 1/T = 1/T0 + ln(R/R0)/B.
 * Valid near the range B was fitted on (usually 25–85 °C).
 * Source: IEC 60539-1, definition of the B-value.
 *
 * @param ohms resistance, Ω, > 0
 * @returns temperature, °C
 * @throws RangeError if `ohms` is not a positive finite number
 */
export function thermistorTemperature(ohms: number, { r0, t0, beta, points }: NtcCurve): number {
  if (!(ohms > 0) || !Number.isFinite(ohms)) throw new RangeError(`a thermistor's resistance is a positive number of ohms, not ${ohms}`)
  if (points) return alongChart(points).celsius(ohms)
  return 1 / (1 / (t0 + kelvin) + Math.log(ohms / r0) / beta) - kelvin
}

/**
 * Temperature-to-resistance of a thermistor, the inverse of {@link thermistorTemperature}.
 *
 * @param celsius temperature, °C, above absolute zero
 * @returns resistance, Ω
 * @throws RangeError below absolute zero
 */
export function thermistorResistance(celsius: number, { r0, t0, beta, points }: NtcCurve): number {
  if (!(celsius > -kelvin)) throw new RangeError(`there is no temperature of ${celsius} °C`)
  if (points) return alongChart(points).ohms(celsius)
  return r0 * Math.exp(beta * (1 / (celsius + kelvin) - 1 / (t0 + kelvin)))
}
