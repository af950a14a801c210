import type { PressureSeries } from './series.ts'

/** What may make a gauge do what it did. */
export type ExplanationId =
  'nothing' | 'overfilled' | 'leak' | 'leakHot' | 'leakCold' | 'relief' | 'cushion' | 'small' | 'loop' | 'plate' | 'gaugeStuck' | 'gaugeSluggish'

/** Figures of one course through the readings. */
export interface CourseFigures {
  /** cold pressure at the beginning, bar */
  start: number
  /** litres the water grows by from cold to hot */
  grows: number
  /** charge of the vessel, bar */
  charge: number
  /** passed, l/(h·bar): of the system’s pressure, or of what the main stands above it */
  rate: number
  /** share of a change the gauge shows */
  follows: number
}

/** An explanation: how its figures are spread before any reading, and which way its water goes. */
export interface Explanation {
  id: ExplanationId
  /** how often it is that, among gauges somebody watches. Assumed, from the frequencies of TRADE’s faults in common practice */
  prior: number
  /** how many standard normals it is made of */
  size: number
  figures: (z: ArrayLike<number>, at: number) => CourseFigures
  flow: 'none' | 'always' | 'hot' | 'cold' | 'loop' | 'plate'
  /** chance that the pipe outside is found wet */
  wet: number
  /** what the sum says of the vessel that the figures must fit: sound and large enough, sound and too small, sound and filled too far */
  must?: 'suffice' | 'runUp' | 'overfull'
}

/** litres a bar and minute as l/(h·bar) */
const hourly = 60
const logNormal = (median: number, sigma: number, z: number) => median * Math.exp(sigma * z)

/**
 * Every explanation there can be for a series, with its figures as functions of standard normals. Rates as the plant's faults have them.
 *
 * @param beginning cold pressure the first reading points to, bar
 */
export function explanationsOf({ system, canMixMains }: PressureSeries, beginning: number, grows: number): Explanation[] {
  // the water’s share of the doubt, and how hot it is when somebody calls it hot
  const spread = Math.hypot(system.litresError, 0.14)
  const common = (z: ArrayLike<number>, at: number) => ({
    start: beginning + 0.15 * z[at]!,
    grows: grows * Math.exp(spread * z[at + 1]!),
    charge: system.charge + 0.1 * z[at + 2]!,
    rate: 0,
    follows: 1,
  })
  const passing = (median: number, sigma: number) => (z: ArrayLike<number>, at: number) => ({
    ...common(z, at),
    rate: hourly * logNormal(median, sigma, z[at + 3]!),
  })
  const one = (
    id: ExplanationId,
    prior: number,
    size: number,
    flow: Explanation['flow'],
    wet: number,
    figures: Explanation['figures'],
    must?: Explanation['must'],
  ): Explanation => ({ id, prior, size, flow, wet, figures, ...(must && { must }) })
  return [
    // what every system loses: a top-up or two a year; three are 7e-6
    one('nothing', 0.14, 4, 'always', 0.03, passing(2.5e-6, 0.6), 'suffice'),
    // simply too much water: it runs up, and nothing has failed
    one('overfilled', 0.04, 4, 'always', 0.4, passing(2.5e-6, 0.6), 'overfull'),
    one('leak', 0.24, 4, 'always', 0.03, passing(0.0005, 1.5)),
    one('leakHot', 0.08, 4, 'hot', 0.03, passing(0.004, 0.9)),
    one('leakCold', 0.05, 4, 'cold', 0.03, passing(0.0013, 0.9)),
    one('relief', 0.11, 4, 'always', 0.94, passing(0.0006, 1.4)),
    one('cushion', 0.17, 3, 'none', 0.6, (z, at) => ({ ...common(z, at), charge: Math.max(-0.9, Math.min(-0.05 + 0.45 * z[at + 2]!, system.charge - 0.25)) })),
    one(
      'small',
      0.06,
      3,
      'none',
      0.5,
      (z, at) => {
        const own = common(z, at)
        // where nobody counted the water there may be far more of it than was thought
        return system.litresError > 0.2 ? { ...own, grows: grows * Math.exp(0.55 + 0.4 * z[at + 1]!) } : own
      },
      'runUp',
    ),
    one('loop', 0.08, 4, 'loop', 0.35, passing(0.0012, 1.3)),
    ...(canMixMains ? [one('plate', 0.04, 4, 'plate', 0.35, passing(0.0012, 1.3))] : []),
    one('gaugeStuck', 0.02, 4, 'none', 0.03, (z, at) => ({ ...common(z, at), follows: 0.06 * Math.abs(z[at + 3]!) })),
    one('gaugeSluggish', 0.02, 4, 'none', 0.03, (z, at) => ({ ...common(z, at), follows: 0.2 + 0.45 / (1 + Math.exp(-z[at + 3]!)) }), 'suffice'),
  ]
}
