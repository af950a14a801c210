import type { ReadableCurve } from '../../physics/index.ts'

/** What a thermistor is asked. */
export interface ThermistorInputs {
  curve: ReadableCurve
  /** measured, Ω; null where it was not */
  ohms: number | null
  /** true temperature at the sensor, °C; null where it was not taken */
  celsius: number | null
  /** where the board stops the burner, by what the sensor tells it, °C */
  highLimit: number
  /** how far thermometer and sensor may be apart and still be called right, K */
  within: number
}

/** What a resistance says, and what follows for the boiler. */
export interface ThermistorAnswer {
  /** temperature the board takes it for, °C; null without a resistance */
  told: number | null
  /** resistance the curve gives at the true temperature, Ω; null without one */
  should: number | null
  /** resistances still right at the true temperature, Ω, lowest first */
  band: [number, number] | null
  /** how far the board is wrong, K; above 0 it takes it for hotter than it is */
  error: number | null
  /** true temperature at which the high limit acts, °C */
  limitActsAt: number | null
  verdict: 'nothing' | 'read' | 'right' | 'high' | 'low' | 'open' | 'short'
  /** the curve is carried on beyond what it was made from */
  beyond: boolean
}

/** resistances no sound sensor of a heating system has, Ω. Common practice */
const short = 20
const open = 1e6

/**
 * What a measured resistance says against the curve.
 *
 * A drifted sensor is taken to be off by a factor in resistance, the same at every temperature: so an error seen at the pipe's temperature is
 * carried over to where the high limit acts. Common practice for a drifted NTC.
 *
 * @returns temperatures in °C, resistances in Ω
 */
export function thermistorAnswer({ curve, ohms, celsius, highLimit, within }: ThermistorInputs): ThermistorAnswer {
  const should = celsius === null ? null : curve.ohms(celsius)
  const band: [number, number] | null = celsius === null ? null : [curve.ohms(celsius + within), curve.ohms(celsius - within)]
  const broken = ohms === null ? null : ohms >= open ? 'open' : ohms <= short ? 'short' : null
  const told = ohms === null || broken ? null : curve.celsius(ohms)
  const error = told === null || celsius === null ? null : told - celsius
  // by its factor: the true temperature at which it has the resistance the limit stands for
  const limitActsAt = error === null ? null : curve.celsius((curve.ohms(highLimit) * should!) / ohms!)
  const asked = [told, celsius].flatMap((one) => (one === null ? [] : [one]))
  return {
    told,
    should,
    band,
    error,
    limitActsAt,
    verdict: broken ?? (error === null ? (asked.length === 0 ? 'nothing' : 'read') : Math.abs(error) <= within ? 'right' : error > 0 ? 'high' : 'low'),
    beyond: asked.some((one) => one < curve.from || one > curve.to),
  }
}

/**
 * The smallest range of a meter that holds a resistance.
 *
 * @param ranges their upper ends, Ω
 * @returns the range's upper end, Ω; nothing where none holds it
 */
export function rangeFor(ohms: number, ranges: readonly number[]): number | undefined {
  return [...ranges].sort((one, other) => one - other).find((upTo) => upTo >= ohms)
}

/** most lines a table may have */
const mostLines = 1001

/**
 * The curve as a table.
 *
 * @param step kelvin from line to line, > 0; widened where the table would pass a thousand lines
 */
export function thermistorTable(curve: ReadableCurve, from: number, to: number, step: number): { celsius: number; ohms: number }[] {
  const [low, high] = [Math.min(from, to), Math.max(from, to)]
  const by = Math.max(step, (high - low) / (mostLines - 1), 1e-3)
  const lines = Math.min(mostLines, Math.floor((high - low) / by + 1e-9) + 1)
  return Array.from({ length: lines }, (_unused, index) => {
    const celsius = low + index * by
    return { celsius, ohms: curve.ohms(celsius) }
  })
}
