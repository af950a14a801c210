import type { Component, ControlScheme } from '@dewpoint/core/system'
import { controls } from '../systems/parts/controls.ts'
import { cylinderStat, highLimit, programmer as programmerParts } from './build.ts'
import { callOf, limit, mains, programmer, thermostat, valve } from './mains.ts'

/** What differs where two 2-port valves are met. */
interface Here {
  id: string
  label: string
  says: string
  boiler?: string
  clock: 'Programmer' | 'Timer'
  /** the stored water’s thermostat and valve, and the cables they are on */
  stored: { thermostat: string; valve: string; from: string; cable: string }
  /** a high limit in the feed of the stored water’s motor; else what to say there */
  limited: true | { warning: string }
  /** the clock and the stored water’s thermostat */
  parts: { clock: Component; stat: Component }
}

/** Rooms and stored water by a 2-port valve each. */
export function twoPortValves({ clock, stored, limited, parts, ...words }: Here): ControlScheme {
  const room = thermostat('heating', 'Room thermostat', 'room')
  const store = thermostat('hotWater', stored.thermostat, stored.from)
  const high = limited === true ? [limit(stored.from)] : []
  const heating = valve('heating', 'Heating valve', callOf('heating'), { motor: 'room heatingValve', own: 'heatingValve' })
  const hotWater = valve('hotWater', stored.valve, limited === true ? 'highLimit.out' : callOf('hotWater'), {
    motor: `${stored.from} ${stored.cable}`,
    own: stored.cable,
  })
  return mains({
    ...words,
    stretches: [programmer(clock, ['heatingOn', 'hotWaterOn']), room, store, ...high, heating, hotWater],
    circuits: { heating: [room, heating], hotWater: [store, ...high, hotWater] },
    positions: { heatingValve: { device: 'heatingValve', way: 'only' }, hotWaterValve: { device: 'hotWaterValve', way: 'only' } },
    components: [parts.clock, controls.roomStat, parts.stat, ...(limited === true ? [highLimit] : []), controls.heatingValve, controls.hotWaterValve],
    ...(limited !== true && { warnings: [{ terminal: 'hotWaterValve.motor', text: limited.warning }] }),
  })
}

const usual = {
  says: 'Programmer to thermostat to valve motor; each valve’s end switch joins the permanent live to the boiler’s demand terminal.',
  clock: 'Programmer',
  stored: { thermostat: 'Cylinder thermostat', valve: 'Hot-water valve', from: 'cylinder', cable: 'hotWaterValve' },
  parts: { clock: programmerParts, stat: cylinderStat },
} satisfies Partial<Here>

export const twoValves = twoPortValves({
  ...usual,
  id: 'two-valves',
  label: 'Two 2-port valves',
  limited: { warning: 'No high limit in this feed: not with an unvented cylinder. There it is unsafe; note it.' },
})
export const twoValvesHighLimit = twoPortValves({ ...usual, id: 'two-valves-high-limit', label: 'Two 2-port valves, cylinder with high limit', limited: true })
