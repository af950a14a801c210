/**
 * A pump whose head falls with the square of its flow, p = shutOff − fall·Q². Common practice for small circulators.
 */
export interface PumpCurve {
  /** pressure at no flow, bar */
  shutOff: number
  /** bar per (l/min)² */
  fall: number
}

/**
 * Flow of a pump through a resistance: where shutOff − fall·Q² meets resistance·Q². Turbulent flow, Δp = k·Q².
 *
 * @param resistance k of the whole circuit, bar per (l/min)²; Infinity for a closed one
 * @returns l/min
 */
export function circulation({ shutOff, fall }: PumpCurve, resistance: number): number {
  return shutOff <= 0 ? 0 : Math.sqrt(shutOff / (fall + resistance))
}

/**
 * Resistance that lets a flow pass at a pressure difference, k = Δp/Q².
 *
 * @param bar pressure difference
 * @param litresPerMinute flow, > 0
 */
export function resistanceFor(bar: number, litresPerMinute: number): number {
  return bar / (litresPerMinute * litresPerMinute)
}

/**
 * How readily a way passes water, 1/√k: the conductances of parallel ways add up.
 *
 * @param openness share of its free cross-section, 0 shut to 1
 */
export function conductance(resistance: number, openness: number): number {
  return openness <= 0 ? 0 : openness / Math.sqrt(resistance)
}
