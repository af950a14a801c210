import { controls } from '../systems/parts/controls.ts'
import { share, use } from '../systems/parts/define.ts'
import { cylinderStat, highLimit } from './build.ts'
import { limit, mains, programmer, thermostat, valve } from './mains.ts'

const store = thermostat('hotWater', 'Store thermostat', 'store')
const high = limit('store')
const storeValve = valve('hotWater', 'Store valve', 'highLimit.out', { motor: 'store valve', own: 'valve' })

/** A thermal store on an electric flow boiler. */
export const storeElectric = mains({
  id: 'store-electric',
  label: 'Thermal store on an electric flow boiler',
  says: 'Timer to store thermostat to high limit to valve motor; the end switch lights the boiler’s call lamp.',
  boiler: 'Flow boiler',
  stretches: [programmer('Timer', ['hotWaterOn']), store, high, storeValve],
  circuits: { hotWater: [store, high, storeValve] },
  positions: { hotWaterValve: { device: 'hotWaterValve', way: 'only' } },
  components: [
    use(controls.programmer, {}, { without: ['heatingOutput'], also: { alive: share('display and clock alive') }, label: 'Timer' }),
    use(cylinderStat, { setting: 62 }, { label: 'Store thermostat' }),
    highLimit,
    controls.hotWaterValve,
  ],
})
