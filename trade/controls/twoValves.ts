import type { ControlScheme } from '@dewpoint/core/system'
import { controls } from '../systems/parts/controls.ts'
import { cylinderStat, highLimit, programmer as programmerParts } from './build.ts'
import { callOf, limit, mains, programmer, thermostat, valve } from './mains.ts'

/** Two 2-port valves, with or without a high limit in the hot-water motor's feed. */
function twoPortValves(limited: boolean): ControlScheme {
  const room = thermostat('heating', 'Room thermostat', 'room')
  const cylinder = thermostat('hotWater', 'Cylinder thermostat', 'cylinder')
  const high = limited ? [limit('cylinder')] : []
  const heating = valve('heating', 'Heating valve', callOf('heating'), { motor: 'room heatingValve', own: 'heatingValve' })
  const hotWater = valve('hotWater', 'Hot-water valve', limited ? 'highLimit.out' : callOf('hotWater'), {
    motor: 'cylinder hotWaterValve',
    own: 'hotWaterValve',
  })
  return mains({
    id: limited ? 'two-valves-high-limit' : 'two-valves',
    label: limited ? 'Two 2-port valves, cylinder with high limit' : 'Two 2-port valves',
    says: 'Programmer to thermostat to valve motor; each valve’s end switch joins the permanent live to the boiler’s demand terminal.',
    stretches: [programmer('Programmer', ['heatingOn', 'hotWaterOn']), room, cylinder, ...high, heating, hotWater],
    circuits: { heating: [room, heating], hotWater: [cylinder, ...high, hotWater] },
    positions: { heatingValve: { device: 'heatingValve', way: 'only' }, hotWaterValve: { device: 'hotWaterValve', way: 'only' } },
    ...(!limited && {
      warnings: [{ terminal: 'hotWaterValve.motor', text: 'No high limit in this feed: not with an unvented cylinder. There it is unsafe; note it.' }],
    }),
    components: [programmerParts, controls.roomStat, cylinderStat, ...(limited ? [highLimit] : []), controls.heatingValve, controls.hotWaterValve],
  })
}

export const twoValves = twoPortValves(false)
export const twoValvesHighLimit = twoPortValves(true)
