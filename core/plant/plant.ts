import type { BoilerSystem } from '../system/index.ts'
import type { Controller } from './controller.ts'
import type { Script } from './script.ts'

/** What the parts of a plant share during one run. Every number lives in a typed array, so that a step allocates nothing. */
export interface Plant {
  readonly system: BoilerSystem
  readonly script: Script
  readonly board: Controller
  /** seconds a step lasts */
  readonly dt: number
  /** every signal, as it stands */
  readonly s: Float64Array
  /** [seconds since the beginning, 1 while the demand of the script lasts, 1 in the step that is recorded] */
  readonly clock: Float64Array
  /** what the circuits take from the main exchanger in this step: [W, W/K flowing back, W/K × °C flowing back] */
  readonly drawn: Float64Array
  /**
   * Value of a parameter.
   *
   * @throws RangeError naming it, when the system lacks it
   */
  value(key: string): number
  /** value of a parameter not every system has */
  optional(key: string, otherwise: number): number
}

/** A part of the plant, made for one run: call it once a step. */
export type Part = (plant: Plant) => () => void

/** Share of the way to its target a first-order lag goes in one step. */
export function lag(dt: number, seconds: number): number {
  return 1 - Math.exp(-dt / seconds)
}

export function clamp(value: number, low: number, high: number): number {
  return value < low ? low : value > high ? high : value
}

/** A circuit's water leaves the main exchanger at its temperature and comes back at another. */
export function draw(drawn: Float64Array, capacity: number, from: number, back: number): void {
  drawn[0]! += capacity * (from - back)
  drawn[1]! += capacity
  drawn[2]! += capacity * back
}
