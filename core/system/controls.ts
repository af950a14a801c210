import type { Component } from './component.ts'
import type { SignalName } from './signals.ts'

/** A kind of device on a wiring scheme; what is inside each stands in `core/wiring`. */
export type DeviceKind =
  | 'supply'
  | 'programmer'
  | 'voltFreeProgrammer'
  | 'thermostat'
  | 'changeoverThermostat'
  | 'highLimit'
  | 'valve'
  | 'changeoverValve'
  | 'lowVoltageValve'
  | 'midPosition'
  | 'boiler'
  | 'voltFreeBoiler'
  | 'pump'
  | 'transformer'
  | 'block'

/** A thing with terminals: a box on the wiring map. What is inside it and how it moves is its kind's. */
export interface Device {
  /** also the component whose parameters it obeys */
  id: string
  kind: DeviceKind
  label: string
  /** its terminals by name, numbered as on the drawing; a kind may be used without some of its terminals */
  terminals: Record<string, number>
  /** circuit it belongs to, for thermostats and valves */
  circuit?: Circuit
}

/** What a call is for. The first two zones are `heating` and `zone2`; further ones are named after their place. */
export type Circuit = 'heating' | 'hotWater' | 'zone2' | 'zone3' | 'zone4' | 'zone5' | 'zone6' | 'zone7' | 'zone8'

/** What a conductor carries by custom: the colour comes from the convention. */
export type Role = 'line' | 'permanentLive' | 'neutral' | 'earth' | 'call' | 'motor' | 'switched' | 'heatingOn' | 'hotWaterSatisfied' | 'lowVoltage'

/** One core from terminal to terminal, `device.terminal` at either end. */
export interface Conductor {
  /** also its component */
  id: string
  from: string
  to: string
  role: Role
  /** terminal beside `to` it may have landed on instead */
  astray?: string
  /** terminal its bare end may touch */
  touches?: string
  /** the cables it runs in, one after another, by name: cores of one cable lie side by side and pick up from one another */
  cable: string
}

/** Where a signal of the plant is measured: volts of the first terminal over the second. */
export type Across = readonly [over: string, under: string]

/** A control scheme as data. Terminals are `device.terminal`; the ground of the netlist is the supply's earth at the intake. */
export interface ControlScheme {
  id: string
  label: string
  /** how it works, in a sentence or two */
  says: string
  devices: Device[]
  conductors: Conductor[]
  /** signals of the plant that are voltages of this scheme */
  volts: Partial<Record<SignalName, Across>>
  /** signals that are the position of a valve, 0 shut to 1 open */
  positions: Partial<Record<SignalName, { device: string; way: 'only' | 'heating' | 'hotWater' }>>
  /** terminals to trace along, from the programmer to the boiler's demand terminal, a circuit */
  paths: Partial<Record<Circuit, { terminals: string[]; against: string }>>
  /** volts a call has at least; 100 where the mains is switched */
  callAbove: number
  /** the components of its devices and conductors */
  components: Component[]
  /** names of terminals in words, by the part behind the dot */
  terminalWords: Record<string, string>
  /** what to mind on the drawing */
  warnings?: { terminal: string; text: string }[]
}

/** A terminal's full name taken apart. */
export function deviceOf(scheme: Pick<ControlScheme, 'devices'>, terminal: string): Device {
  const found = scheme.devices.find((one) => one.id === terminal.slice(0, terminal.indexOf('.')))
  if (!found) throw new RangeError(`no device of the scheme has the terminal "${terminal}"`)
  return found
}

/** Every terminal's full name. */
export function terminalsOf({ devices }: Pick<ControlScheme, 'devices'>): string[] {
  return devices.flatMap(({ id, terminals }) => Object.keys(terminals).map((name) => `${id}.${name}`))
}
