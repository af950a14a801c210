import { controls } from '../systems/parts/controls.ts'
import { boilerSupply, core, cylinderStat, device, programmer, programmerSupply, scheme, supply } from './build.ts'

/** Gravity hot water, pumped heating. */
export const gravityPumped = scheme({
  id: 'gravity-pumped',
  label: 'Gravity hot water, pumped heating',
  says: 'The room thermostat feeds the pump, and the boiler through the hot-water valve’s switch while that valve is shut; while it is open the permanent live calls the boiler.',
  devices: [
    supply,
    device('programmer', 'programmer', 'Programmer', ['L', 'N', 'heatingOn', 'hotWaterOn']),
    device('thermostat', 'roomStat', 'Room thermostat', ['common', 'call'], 'heating'),
    device('thermostat', 'cylinderStat', 'Cylinder thermostat', ['common', 'call'], 'hotWater'),
    device('changeoverValve', 'hotWaterValve', 'Hot-water valve', ['motor', 'N', 'E', 'live', 'rest', 'switched'], 'hotWater'),
    device('pump', 'pump', 'Pump', ['L', 'N', 'E']),
    device('boiler', 'boiler', 'Boiler', ['L', 'N', 'E', 'demand']),
  ],
  conductors: [
    ...programmerSupply,
    core('heatingOutputCore', 'programmer.heatingOn', 'roomStat.common', 'call', 'room', { astray: 'roomStat.call' }),
    core('pumpCore', 'roomStat.call', 'pump.L', 'call', 'room pump', { touches: 'pump.N' }),
    core('whiteCore', 'roomStat.call', 'hotWaterValve.rest', 'heatingOn', 'room hotWaterValve', { astray: 'hotWaterValve.live' }),
    core('hotWaterOutputCore', 'programmer.hotWaterOn', 'cylinderStat.common', 'call', 'cylinder', { astray: 'cylinderStat.call' }),
    core('hotWaterMotorCore', 'cylinderStat.call', 'hotWaterValve.motor', 'motor', 'cylinder hotWaterValve', {
      astray: 'hotWaterValve.rest',
      touches: 'hotWaterValve.N',
    }),
    core('hotWaterLiveCore', 'supply.L', 'hotWaterValve.live', 'permanentLive', 'hotWaterValve'),
    core('hotWaterSwitchedCore', 'hotWaterValve.switched', 'boiler.demand', 'switched', 'hotWaterValve'),
    core('hotWaterNeutralCore', 'supply.N', 'hotWaterValve.N', 'neutral', 'hotWaterValve'),
    core('hotWaterEarthCore', 'supply.E', 'hotWaterValve.E', 'earth', 'hotWaterValve'),
    core('pumpNeutralCore', 'supply.N', 'pump.N', 'neutral', 'pump'),
    core('pumpEarthCore', 'supply.E', 'pump.E', 'earth', 'pump'),
    ...boilerSupply,
  ],
  volts: {
    supplyVolts: ['boiler.L', 'boiler.N'],
    heatingTimerVolts: ['programmer.heatingOn', 'supply.N'],
    heatingMotorVolts: ['roomStat.call', 'supply.N'],
    heatCallVolts: ['boiler.demand', 'supply.N'],
    hotWaterTimerVolts: ['programmer.hotWaterOn', 'supply.N'],
    hotWaterMotorVolts: ['hotWaterValve.motor', 'supply.N'],
    hotWaterCallVolts: ['boiler.demand', 'supply.N'],
    permanentLiveVolts: ['hotWaterValve.live', 'supply.N'],
    pumpVolts: ['pump.L', 'pump.N'],
  },
  positions: { hotWaterValve: { device: 'hotWaterValve', way: 'only' } },
  paths: {
    heating: {
      terminals: [
        'programmer.L',
        'programmer.heatingOn',
        'roomStat.common',
        'roomStat.call',
        'pump.L',
        'hotWaterValve.rest',
        'hotWaterValve.switched',
        'boiler.demand',
      ],
      against: 'supply.N',
    },
    hotWater: {
      terminals: [
        'programmer.L',
        'programmer.hotWaterOn',
        'cylinderStat.common',
        'cylinderStat.call',
        'hotWaterValve.motor',
        'hotWaterValve.live',
        'hotWaterValve.switched',
        'boiler.demand',
      ],
      against: 'supply.N',
    },
  },
  callAbove: 100,
  components: [programmer, controls.roomStat, cylinderStat, controls.hotWaterValve],
})
