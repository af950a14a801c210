import type { ControlScheme } from '@dewpoint/core/system'
import { controls } from '../systems/parts/controls.ts'
import { use } from '../systems/parts/define.ts'
import { cylinderStat, highLimit, programmer as timer } from './build.ts'
import { callOf, limit, mains, programmer, thermostat, valve } from './mains.ts'

/** Radiators and a thermal store on an electric flow boiler, a motor valve each, with or without a high limit in the store valve’s feed. */
function electric(limited: boolean): ControlScheme {
  const room = thermostat('heating', 'Room thermostat', 'room')
  const store = thermostat('hotWater', 'Store thermostat', 'store')
  const high = limited ? [limit('store')] : []
  const heating = valve('heating', 'Heating valve', callOf('heating'), { motor: 'room heatingValve', own: 'heatingValve' })
  const hotWater = valve('hotWater', 'Store valve', limited ? 'highLimit.out' : callOf('hotWater'), { motor: 'store valve', own: 'valve' })
  return mains({
    id: limited ? 'store-electric' : 'store-electric-plain',
    label: limited ? 'Radiators and thermal store, store with high limit' : 'Radiators and thermal store, no high limit',
    says: `Timer to thermostat to valve motor${limited ? ', the store’s through its high limit' : ''}; either end switch lights the boiler’s call lamp.`,
    boiler: 'Flow boiler',
    stretches: [programmer('Timer', ['heatingOn', 'hotWaterOn']), room, store, ...high, heating, hotWater],
    circuits: { heating: [room, heating], hotWater: [store, ...high, hotWater] },
    positions: { heatingValve: { device: 'heatingValve', way: 'only' }, hotWaterValve: { device: 'hotWaterValve', way: 'only' } },
    components: [
      use(timer, {}, { label: 'Timer' }),
      controls.roomStat,
      use(cylinderStat, { setting: 62 }, { label: 'Store thermostat' }),
      ...(limited ? [highLimit] : []),
      controls.heatingValve,
      controls.hotWaterValve,
    ],
    ...(!limited && { warnings: [{ terminal: 'hotWaterValve.motor', text: 'No high limit in this feed: the thermostat alone stops the store. Note it.' }] }),
  })
}

export const storeElectric = electric(true)
export const storeElectricPlain = electric(false)
