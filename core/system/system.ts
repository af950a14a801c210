import type { GasId, NtcCurve } from '../physics/index.ts'
import type { Component, Parameter } from './component.ts'
import type { ControlScheme } from './controls.ts'
import type { SignalName } from './signals.ts'

/** A number, the value of a parameter, or a parameter with something added. */
export type Threshold = number | string | { of: string; plus: number }

/** A comparison of a signal with a threshold, in the signal's own unit. */
export interface Condition {
  signal: SignalName
  above?: Threshold
  below?: Threshold
}

/** What the board does when a proof does not come, or does not last. */
export type OnFail =
  | { then: 'retry'; from: string; times: Threshold; code: string }
  /** `named`: the code of the signal that broke it, for boards that tell them apart */
  | { then: 'lockout'; code: string; named?: { signal: SignalName; code: string }[] }
  | { then: 'wait'; until: Condition[]; from: string; atLeast: Threshold; shows: string }
  | { then: 'stay' }

/** What the board energises. Later stages override earlier ones of the same sequence. */
export interface Action {
  pump?: boolean
  diverter?: 'heating' | 'hotWater'
  fan?: 'off' | 'purge' | 'run'
  /** how hard the burner or the elements work */
  rate?: 'ignition' | 'lowest' | 'modulate' | 'full'
  pilot?: boolean
  gas?: boolean
  spark?: boolean
  elements?: boolean
}

/** One step of the sequence of operation. */
export interface Stage {
  id: string
  label: string
  /** what the engineer sees, hears or reads when it has happened */
  sign: string
  /** happens outside the boiler, before its board takes part: proved by its proof alone */
  external?: boolean
  action: Action
  /** all must hold, for `hold` seconds */
  proof: Condition[]
  hold?: Threshold
  /** seconds until `onFail`; endless without it */
  limit?: Threshold
  onFail: OnFail
  /** must go on holding once this stage is proved */
  keeps?: { condition: Condition; onFail: OnFail; /** of the demand: the board’s test function does not hear it */ demandOnly?: boolean }[]
  /** status while in this stage */
  shows: string
}

/** The demands a boiler knows, in rising priority. */
export const demands = ['frost', 'keepWarm', 'heating', 'hotWater'] as const
export type Demand = (typeof demands)[number]

/** Demands the board makes by itself. */
export interface Autonomous {
  demand: 'frost' | 'keepWarm'
  starts: Condition[]
  /** seconds without it before it may start again */
  rest: Threshold
  /** any one ends it */
  ends: Condition[]
  /** seconds of flame after which it ends */
  burns: Threshold
}

/** What the display can show while nothing is locked out. */
interface Status {
  id: string
  /** as the display writes it, or the lamp shows it */
  display: string
  label: string
}

/** A fault code of the (invented) maker. */
interface FaultCode {
  id: string
  display: string
  label: string
}

/** Where a drip below the case comes from, on this layout. */
interface DripPosition {
  id: string
  label: string
  /** part that drips there */
  part: string
}

/** Which building blocks the plant puts together for a system. */
export interface Layout {
  burner: 'premix' | 'atmospheric' | 'pilot' | 'electric'
  air: 'tacho' | 'pressureSwitch' | 'none'
  /** how hot water is made */
  hotWater: 'plate' | 'coil' | 'cylinder' | 'store' | 'none'
  /** how water is led to its ways */
  ways: 'diverter' | 'direct' | 'twoPort' | 'gravity' | 'zones' | 'single'
  /** what proves water to the board */
  waterProof: 'pressureRise' | 'lowWaterSwitch' | 'pumpProvingSwitch' | 'flowSwitch' | 'none'
}

/** A boiler as data: what it is made of, how it starts, what it can show. */
export interface BoilerSystem {
  id: string
  label: string
  layout: Layout
  gas: GasId | 'none'
  components: Component[]
  sequence: Partial<Record<Demand, Stage[]>>
  autonomous: Autonomous[]
  /** purge and self-check at power-on, before a demand is accepted */
  powerUp: { seconds: Threshold; action: Action; shows: string } | null
  /** seconds pump and fan run on when a demand ends */
  overrun: Partial<Record<Demand, { pump: Threshold; fan: Threshold }>>
  statuses: Status[]
  codes: FaultCode[]
  dripPositions: DripPosition[]
  /** curve of every water thermistor of this system */
  thermistor: NtcCurve
  /** how it is wired, where that is known; without it each call is one contact after another */
  controls?: ControlScheme
}

/** Values of all parameters, keyed `component.parameter`. */
export type Parameters = Record<string, number>

/** The healthy, nominal value of every parameter. */
export function nominal(system: BoilerSystem): Parameters {
  const values: Parameters = {}
  for (const [key, parameter] of parametersOf(system)) values[key] = parameter.value
  return values
}

/** Every parameter with its full key. */
export function parametersOf(system: BoilerSystem): [key: string, parameter: Parameter][] {
  return system.components.flatMap((component) =>
    Object.entries(component.parameters).map(([name, parameter]): [string, Parameter] => [`${component.id}.${name}`, parameter]),
  )
}

/**
 * Nominal values with some replaced.
 *
 * @throws RangeError naming the parameter, when a name is unknown or a value is not a finite number
 */
export function withValues(system: BoilerSystem, changes: Parameters): Parameters {
  const values = nominal(system)
  for (const [key, value] of Object.entries(changes)) {
    if (!(key in values)) throw new RangeError(`unknown parameter "${key}" of ${system.id}; known: ${Object.keys(values).join(', ')}`)
    if (!Number.isFinite(value)) throw new RangeError(`parameter ${key} needs a finite number, not ${value}`)
    values[key] = value
  }
  return values
}
