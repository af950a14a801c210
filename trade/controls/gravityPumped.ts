import { controls } from '../systems/parts/controls.ts'
import { core, cylinderStat, device, programmer as programmerParts } from './build.ts'
import { callOf, mains, neutralAndEarth, programmer, thermostat, type Stretch } from './mains.ts'

const room = thermostat('heating', 'Room thermostat', 'room')
const cylinder = thermostat('hotWater', 'Cylinder thermostat', 'cylinder')
const valve: Stretch = {
  devices: [device('changeoverValve', 'hotWaterValve', 'Hot-water valve', ['motor', 'N', 'E', 'live', 'rest', 'switched'], 'hotWater')],
  conductors: [
    core('pumpCore', callOf('heating'), 'pump.L', 'call', 'room pump', { touches: 'pump.N' }),
    core('whiteCore', callOf('heating'), 'hotWaterValve.rest', 'heatingOn', 'room hotWaterValve', { astray: 'hotWaterValve.live' }),
    core('hotWaterMotorCore', callOf('hotWater'), 'hotWaterValve.motor', 'motor', 'cylinder hotWaterValve', {
      astray: 'hotWaterValve.rest',
      touches: 'hotWaterValve.N',
    }),
    core('hotWaterLiveCore', 'supply.L', 'hotWaterValve.live', 'permanentLive', 'hotWaterValve'),
    core('hotWaterSwitchedCore', 'hotWaterValve.switched', 'boiler.demand', 'switched', 'hotWaterValve'),
    ...neutralAndEarth('hotWater', 'hotWaterValve', 'hotWaterValve'),
  ],
  path: ['hotWaterValve.motor', 'hotWaterValve.live', 'hotWaterValve.switched'],
  volts: { hotWaterMotorVolts: ['hotWaterValve.motor', 'supply.N'], permanentLiveVolts: ['hotWaterValve.live', 'supply.N'] },
}
const pump: Stretch = {
  devices: [device('pump', 'pump', 'Pump', ['L', 'N', 'E'])],
  conductors: neutralAndEarth('pump', 'pump', 'pump'),
  path: ['pump.L', 'hotWaterValve.rest', 'hotWaterValve.switched'],
  volts: { heatingMotorVolts: [callOf('heating'), 'supply.N'], pumpVolts: ['pump.L', 'pump.N'] },
}

/** Gravity hot water, pumped heating. */
export const gravityPumped = mains({
  id: 'gravity-pumped',
  label: 'Gravity hot water, pumped heating',
  says: 'The room thermostat feeds the pump, and the boiler through the hot-water valve’s switch while that valve is shut; while it is open the permanent live calls the boiler.',
  stretches: [programmer('Programmer', ['heatingOn', 'hotWaterOn']), room, cylinder, valve, pump],
  circuits: { heating: [room, pump], hotWater: [cylinder, valve] },
  positions: { hotWaterValve: { device: 'hotWaterValve', way: 'only' } },
  components: [programmerParts, controls.roomStat, cylinderStat, controls.hotWaterValve],
})
