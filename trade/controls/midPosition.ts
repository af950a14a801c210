import { controls } from '../systems/parts/controls.ts'
import { boilerSupply, core, cylinderStat, device, programmer, programmerSupply, scheme, supply } from './build.ts'

/** One mid-position valve for both circuits. */
export const midPosition = scheme({
  id: 'mid-position',
  label: 'Mid-position valve',
  says: 'At rest the valve stands at hot water, whose thermostat calls the boiler directly. White takes it to the middle; grey, live once hot water is satisfied or off, takes it on to heating, where it makes orange.',
  devices: [
    supply,
    device('programmer', 'programmer', 'Programmer', ['L', 'N', 'heatingOn', 'hotWaterOn', 'hotWaterOff']),
    device('thermostat', 'roomStat', 'Room thermostat', ['common', 'call'], 'heating'),
    device('changeoverThermostat', 'cylinderStat', 'Cylinder thermostat', ['common', 'call', 'satisfied'], 'hotWater'),
    device('midPosition', 'midValve', 'Mid-position valve', ['heatingOn', 'satisfied', 'switched', 'N', 'E']),
    device('boiler', 'boiler', 'Boiler', ['L', 'N', 'E', 'demand']),
  ],
  conductors: [
    ...programmerSupply,
    core('heatingOutputCore', 'programmer.heatingOn', 'roomStat.common', 'call', 'room', { astray: 'roomStat.call' }),
    core('whiteCore', 'roomStat.call', 'midValve.heatingOn', 'heatingOn', 'room valve', { astray: 'midValve.satisfied', touches: 'midValve.N' }),
    core('hotWaterOutputCore', 'programmer.hotWaterOn', 'cylinderStat.common', 'call', 'cylinder', { astray: 'cylinderStat.call' }),
    core('hotWaterCallCore', 'cylinderStat.call', 'boiler.demand', 'switched', 'cylinder'),
    core('greyCore', 'cylinderStat.satisfied', 'midValve.satisfied', 'hotWaterSatisfied', 'cylinder valve', { astray: 'midValve.switched' }),
    core('hotWaterOffCore', 'programmer.hotWaterOff', 'midValve.satisfied', 'hotWaterSatisfied', 'valve'),
    core('orangeCore', 'midValve.switched', 'boiler.demand', 'switched', 'valve'),
    core('valveNeutralCore', 'supply.N', 'midValve.N', 'neutral', 'valve'),
    core('valveEarthCore', 'supply.E', 'midValve.E', 'earth', 'valve'),
    ...boilerSupply,
  ],
  volts: {
    supplyVolts: ['boiler.L', 'boiler.N'],
    heatingTimerVolts: ['programmer.heatingOn', 'supply.N'],
    heatingMotorVolts: ['midValve.heatingOn', 'supply.N'],
    heatCallVolts: ['boiler.demand', 'supply.N'],
    hotWaterTimerVolts: ['programmer.hotWaterOn', 'supply.N'],
    hotWaterMotorVolts: ['cylinderStat.call', 'supply.N'],
    hotWaterCallVolts: ['boiler.demand', 'supply.N'],
    satisfiedVolts: ['midValve.satisfied', 'supply.N'],
  },
  positions: { heatingValve: { device: 'midValve', way: 'heating' }, hotWaterValve: { device: 'midValve', way: 'hotWater' } },
  paths: {
    heating: {
      terminals: [
        'programmer.L',
        'programmer.heatingOn',
        'roomStat.common',
        'roomStat.call',
        'midValve.heatingOn',
        'cylinderStat.satisfied',
        'midValve.satisfied',
        'midValve.switched',
        'boiler.demand',
      ],
      against: 'supply.N',
    },
    hotWater: { terminals: ['programmer.L', 'programmer.hotWaterOn', 'cylinderStat.common', 'cylinderStat.call', 'boiler.demand'], against: 'supply.N' },
  },
  callAbove: 100,
  components: [programmer, controls.roomStat, cylinderStat, controls.midValve],
  warnings: [{ terminal: 'midValve.satisfied', text: 'Grey here says “hot water satisfied”: it is no permanent live, and is dead while the cylinder calls.' }],
})
