import { controls } from '../systems/parts/controls.ts'
import { use, share } from '../systems/parts/define.ts'
import { boilerSupply, core, cylinderStat, device, highLimit, programmerSupply, scheme, supply } from './build.ts'

/** A thermal store on an electric flow boiler. */
export const storeElectric = scheme({
  id: 'store-electric',
  label: 'Thermal store on an electric flow boiler',
  says: 'Timer to store thermostat to high limit to valve motor; the end switch lights the boiler’s call lamp.',
  devices: [
    supply,
    device('programmer', 'programmer', 'Timer', ['L', 'N', 'hotWaterOn']),
    device('thermostat', 'cylinderStat', 'Store thermostat', ['common', 'call'], 'hotWater'),
    device('highLimit', 'highLimit', 'High limit', ['in', 'out']),
    device('valve', 'hotWaterValve', 'Store valve', ['motor', 'N', 'E', 'live', 'switched'], 'hotWater'),
    device('boiler', 'boiler', 'Flow boiler', ['L', 'N', 'E', 'demand']),
  ],
  conductors: [
    ...programmerSupply,
    core('hotWaterOutputCore', 'programmer.hotWaterOn', 'cylinderStat.common', 'call', 'store', { astray: 'cylinderStat.call' }),
    core('highLimitCore', 'cylinderStat.call', 'highLimit.in', 'call', 'store'),
    core('hotWaterMotorCore', 'highLimit.out', 'hotWaterValve.motor', 'motor', 'store valve', { astray: 'hotWaterValve.live', touches: 'hotWaterValve.N' }),
    core('hotWaterLiveCore', 'supply.L', 'hotWaterValve.live', 'permanentLive', 'valve', { astray: 'hotWaterValve.switched' }),
    core('hotWaterSwitchedCore', 'hotWaterValve.switched', 'boiler.demand', 'switched', 'valve'),
    core('hotWaterNeutralCore', 'supply.N', 'hotWaterValve.N', 'neutral', 'valve'),
    core('hotWaterEarthCore', 'supply.E', 'hotWaterValve.E', 'earth', 'valve'),
    ...boilerSupply,
  ],
  volts: {
    supplyVolts: ['boiler.L', 'boiler.N'],
    hotWaterTimerVolts: ['programmer.hotWaterOn', 'supply.N'],
    hotWaterMotorVolts: ['hotWaterValve.motor', 'supply.N'],
    hotWaterCallVolts: ['boiler.demand', 'supply.N'],
    permanentLiveVolts: ['hotWaterValve.live', 'supply.N'],
  },
  positions: { hotWaterValve: { device: 'hotWaterValve', way: 'only' } },
  paths: {
    hotWater: {
      terminals: [
        'programmer.L',
        'programmer.hotWaterOn',
        'cylinderStat.common',
        'cylinderStat.call',
        'highLimit.in',
        'highLimit.out',
        'hotWaterValve.motor',
        'hotWaterValve.live',
        'hotWaterValve.switched',
        'boiler.demand',
      ],
      against: 'supply.N',
    },
  },
  callAbove: 100,
  components: [
    use(controls.programmer, {}, { without: ['heatingOutput'], also: { alive: share('display and clock alive') }, label: 'Timer' }),
    use(cylinderStat, { setting: 62 }, { label: 'Store thermostat' }),
    highLimit,
    controls.hotWaterValve,
  ],
})
