import type { Component, ControlScheme } from '@dewpoint/core/system'
import { boilerSupply, core, device, programmerSupply, scheme, supply } from './build.ts'

/** A stretch of a scheme that switches the mains: what it consists of, where a circuit runs through it, and what is measured on it. */
export interface Stretch {
  devices: ReturnType<typeof device>[]
  conductors: ReturnType<typeof core>[]
  /** terminals in the order a call reaches them */
  path: string[]
  volts: ControlScheme['volts']
}

type Circuit = 'heating' | 'hotWater'
const statOf = { heating: 'roomStat', hotWater: 'cylinderStat' } as const
/** the terminal a circuit’s thermostat makes live when it calls */
export const callOf = (circuit: Circuit) => `${statOf[circuit]}.call`
const against = 'supply.N'

/** Programmer or timer, with an output for each circuit; a mid-position valve needs to hear of hot water being off, too. */
export const programmer = (label: 'Programmer' | 'Timer', outputs: string[]): Stretch => ({
  devices: [device('programmer', 'programmer', label, ['L', 'N', ...outputs])],
  conductors: programmerSupply,
  path: [],
  volts: {},
})

/** A circuit’s output of the programmer and its thermostat, with a contact for “satisfied” where it changes over. */
export function thermostat(circuit: Circuit, label: string, cable: string, changesOver = false): Stretch {
  const id = statOf[circuit]
  return {
    devices: [device(changesOver ? 'changeoverThermostat' : 'thermostat', id, label, ['common', 'call', ...(changesOver ? ['satisfied'] : [])], circuit)],
    conductors: [core(`${circuit}OutputCore`, `programmer.${circuit}On`, `${id}.common`, 'call', cable, { astray: `${id}.call` })],
    path: ['programmer.L', `programmer.${circuit}On`, `${id}.common`, `${id}.call`],
    volts: { [`${circuit}TimerVolts`]: [`programmer.${circuit}On`, against] },
  }
}

/** A high limit between the cylinder’s thermostat and what it feeds. */
export const limit = (cable: string): Stretch => ({
  devices: [device('highLimit', 'highLimit', 'High limit', ['in', 'out'])],
  conductors: [core('highLimitCore', callOf('hotWater'), 'highLimit.in', 'call', cable)],
  path: ['highLimit.in', 'highLimit.out'],
  volts: {},
})

/** A 2-port valve: motor fed from the call, end switch from the permanent live to the boiler. */
export function valve(circuit: Circuit, label: string, from: string, cables: { motor: string; own: string }): Stretch {
  const id = `${circuit}Valve`
  return {
    devices: [device('valve', id, label, ['motor', 'N', 'E', 'live', 'switched'], circuit)],
    conductors: [
      core(`${circuit}MotorCore`, from, `${id}.motor`, 'motor', cables.motor, { astray: `${id}.live`, touches: `${id}.N` }),
      core(`${circuit}LiveCore`, 'supply.L', `${id}.live`, 'permanentLive', cables.own, { astray: `${id}.switched` }),
      core(`${circuit}SwitchedCore`, `${id}.switched`, 'boiler.demand', 'switched', cables.own),
      ...neutralAndEarth(circuit, id, cables.own),
    ],
    path: [`${id}.motor`, `${id}.live`, `${id}.switched`],
    volts: { [`${circuit}MotorVolts`]: [`${id}.motor`, against], [circuit === 'heating' ? 'heatingLiveVolts' : 'permanentLiveVolts']: [`${id}.live`, against] },
  }
}

/** Neutral and earth of a device with a motor. */
export const neutralAndEarth = (name: string, id: string, cable: string) => [
  core(`${name}NeutralCore`, 'supply.N', `${id}.N`, 'neutral', cable),
  core(`${name}EarthCore`, 'supply.E', `${id}.E`, 'earth', cable),
]

/** What is left to say of a scheme once its stretches are there. */
interface Words {
  id: string
  label: string
  says: string
  boiler?: string
  stretches: Stretch[]
  /** the stretches each circuit runs through, in order */
  circuits: Partial<Record<Circuit, Stretch[]>>
  /** measured besides what the stretches say */
  volts?: ControlScheme['volts']
  positions?: ControlScheme['positions']
  components: Component[]
  warnings?: ControlScheme['warnings']
}

/** A scheme that switches the mains, from the fused isolator to the boiler’s demand terminal. */
export function mains({ boiler = 'Boiler', stretches, circuits, volts, positions = {}, ...rest }: Words): ControlScheme {
  const called = Object.keys(circuits) as Circuit[]
  return scheme({
    ...rest,
    devices: [supply, ...stretches.flatMap((one) => one.devices), device('boiler', 'boiler', boiler, ['L', 'N', 'E', 'demand'])],
    conductors: [...stretches.flatMap((one) => one.conductors), ...boilerSupply],
    volts: {
      supplyVolts: ['boiler.L', 'boiler.N'],
      ...Object.assign({}, ...stretches.map((one) => one.volts)),
      ...Object.fromEntries(called.map((circuit) => [circuit === 'heating' ? 'heatCallVolts' : 'hotWaterCallVolts', ['boiler.demand', against]])),
      ...volts,
    },
    positions,
    paths: Object.fromEntries(called.map((circuit) => [circuit, { terminals: [...circuits[circuit]!.flatMap((one) => one.path), 'boiler.demand'], against }])),
    callAbove: 100,
  })
}
