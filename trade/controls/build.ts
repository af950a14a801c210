import type { Component, Conductor, ControlScheme, Device } from '@dewpoint/core/system'
import { controls } from '../systems/parts/controls.ts'
import { flag, share, use } from '../systems/parts/define.ts'
import { supplies } from '../systems/parts/supplies.ts'

/** One device of a scheme: its terminals in the order they are numbered. */
export const device = (kind: Device['kind'], id: string, label: string, terminals: string[], circuit?: Device['circuit']) => ({
  kind,
  id,
  label,
  terminals,
  ...(circuit && { circuit }),
})

/** One core: what it is called, from where to where, what it carries, and in which cable. */
export const core = (
  id: string,
  from: string,
  to: string,
  role: Conductor['role'],
  cable: string,
  rest: Pick<Conductor, 'astray' | 'touches'> = {},
): Conductor => ({ id, from, to, role, cable, ...rest })

/** Live, neutral and earth of the boiler. */
export const boilerSupply = [
  core('boilerLive', 'supply.L', 'boiler.L', 'line', 'boiler'),
  core('boilerNeutral', 'supply.N', 'boiler.N', 'neutral', 'boiler'),
  core('boilerEarth', 'supply.E', 'boiler.E', 'earth', 'boiler'),
]
export const supply = device('supply', 'supply', 'Fused isolator', ['L', 'N', 'E'])
export const programmerSupply = [
  core('programmerLive', 'supply.L', 'programmer.L', 'line', 'programmer'),
  core('programmerNeutral', 'supply.N', 'programmer.N', 'neutral', 'programmer'),
]

/** A scheme as it is written down: terminals in order, components and numbers left to be filled in. */
interface Written extends Omit<ControlScheme, 'devices' | 'components' | 'terminalWords'> {
  devices: ReturnType<typeof device>[]
  /** components of its devices, by id; those with nothing to fail have none */
  components: Component[]
}

/** Numbers the terminals through the whole scheme and gives every conductor its component. */
export function scheme({ devices, conductors, components, ...rest }: Written): ControlScheme {
  let number = 0
  const label = (terminal: string) => {
    const [id, name] = terminal.split('.') as [string, string]
    const of = devices.find((one) => one.id === id)!.label
    return `${of.charAt(0).toLowerCase()}${of.slice(1)} ${terminalWords[name] ?? name}`
  }
  return {
    ...rest,
    devices: devices.map(({ terminals, ...one }) => ({ ...one, terminals: Object.fromEntries(terminals.map((name) => [name, ++number])) })),
    conductors,
    terminalWords,
    components: [
      use(supplies.electricity, {}, { also: { fuse: share('its fuse whole'), twoSources: flag('part of the controls is fed from another circuit') } }),
      ...components,
      ...conductors.map(({ id, from, to, astray, touches }): Component => ({
        id,
        label: `Wire ${label(from)} – ${label(to)}`,
        parameters: {
          continuity: share('joined at both ends'),
          landed: share('lands on a terminal at both ends'),
          ...(astray && { landsOn: flag(`lands on ${label(astray)} instead`) }),
          ...(touches && { shorted: flag(`touches ${label(touches)}`), toEarth: flag('touches earth') }),
        },
      })),
    ],
  }
}

/** Terminals in words. */
const terminalWords: Record<string, string> = {
  L: 'L',
  N: 'N',
  E: 'earth',
  heatingOn: 'heating on',
  hotWaterOn: 'hot water on',
  hotWaterOff: 'hot water off',
  common: 'common',
  call: 'call',
  satisfied: 'satisfied',
  motor: 'motor',
  live: 'permanent live',
  switched: 'switched',
  rest: 'switch at rest',
  return: '24 V return',
  out: 'out',
  in: 'in',
  demand: 'demand',
}

/** A programmer that can go blank. */
export const programmer = use(
  controls.programmer,
  {},
  {
    also: {
      alive: share('display and clock alive'),
      heatingStuck: flag('heating output never goes off'),
      hotWaterStuck: flag('hot-water output never goes off'),
    },
  },
)
/** A cylinder thermostat whose contact may weld. */
export const cylinderStat = use(controls.cylinderStat, {}, { also: { stuckClosed: flag('never opens') } })
export const highLimit: Component = {
  id: 'highLimit',
  label: 'Cylinder’s high limit',
  parameters: { tripped: flag('has tripped'), weak: flag('trips below its setting, or stays open') },
}
