import type { ControlScheme } from '@dewpoint/core/system'
import { controls } from '../systems/parts/controls.ts'
import { boilerSupply, core, cylinderStat, device, highLimit, programmer, programmerSupply, scheme, supply } from './build.ts'

/** Two 2-port valves, with or without a high limit in the hot-water motor's feed. */
function twoPortValves(limited: boolean): ControlScheme {
  return scheme({
    id: limited ? 'two-valves-high-limit' : 'two-valves',
    label: limited ? 'Two 2-port valves, cylinder with high limit' : 'Two 2-port valves',
    says: 'Programmer to thermostat to valve motor; each valve’s end switch joins the permanent live to the boiler’s demand terminal.',
    devices: [
      supply,
      device('programmer', 'programmer', 'Programmer', ['L', 'N', 'heatingOn', 'hotWaterOn']),
      device('thermostat', 'roomStat', 'Room thermostat', ['common', 'call'], 'heating'),
      device('thermostat', 'cylinderStat', 'Cylinder thermostat', ['common', 'call'], 'hotWater'),
      ...(limited ? [device('highLimit', 'highLimit', 'High limit', ['in', 'out'])] : []),
      device('valve', 'heatingValve', 'Heating valve', ['motor', 'N', 'E', 'live', 'switched'], 'heating'),
      device('valve', 'hotWaterValve', 'Hot-water valve', ['motor', 'N', 'E', 'live', 'switched'], 'hotWater'),
      device('boiler', 'boiler', 'Boiler', ['L', 'N', 'E', 'demand']),
    ],
    conductors: [
      ...programmerSupply,
      core('heatingOutputCore', 'programmer.heatingOn', 'roomStat.common', 'call', 'room', { astray: 'roomStat.call' }),
      core('heatingMotorCore', 'roomStat.call', 'heatingValve.motor', 'motor', 'room heatingValve', { astray: 'heatingValve.live', touches: 'heatingValve.N' }),
      core('hotWaterOutputCore', 'programmer.hotWaterOn', 'cylinderStat.common', 'call', 'cylinder', { astray: 'cylinderStat.call' }),
      ...(limited
        ? [
            core('highLimitCore', 'cylinderStat.call', 'highLimit.in', 'call', 'cylinder'),
            core('hotWaterMotorCore', 'highLimit.out', 'hotWaterValve.motor', 'motor', 'cylinder hotWaterValve', {
              astray: 'hotWaterValve.live',
              touches: 'hotWaterValve.N',
            }),
          ]
        : [
            core('hotWaterMotorCore', 'cylinderStat.call', 'hotWaterValve.motor', 'motor', 'cylinder hotWaterValve', {
              astray: 'hotWaterValve.live',
              touches: 'hotWaterValve.N',
            }),
          ]),
      core('heatingLiveCore', 'supply.L', 'heatingValve.live', 'permanentLive', 'heatingValve', { astray: 'heatingValve.switched' }),
      core('hotWaterLiveCore', 'supply.L', 'hotWaterValve.live', 'permanentLive', 'hotWaterValve', { astray: 'hotWaterValve.switched' }),
      core('heatingSwitchedCore', 'heatingValve.switched', 'boiler.demand', 'switched', 'heatingValve'),
      core('hotWaterSwitchedCore', 'hotWaterValve.switched', 'boiler.demand', 'switched', 'hotWaterValve'),
      core('heatingNeutralCore', 'supply.N', 'heatingValve.N', 'neutral', 'heatingValve'),
      core('hotWaterNeutralCore', 'supply.N', 'hotWaterValve.N', 'neutral', 'hotWaterValve'),
      core('heatingEarthCore', 'supply.E', 'heatingValve.E', 'earth', 'heatingValve'),
      core('hotWaterEarthCore', 'supply.E', 'hotWaterValve.E', 'earth', 'hotWaterValve'),
      ...boilerSupply,
    ],
    volts: {
      supplyVolts: ['boiler.L', 'boiler.N'],
      heatingTimerVolts: ['programmer.heatingOn', 'supply.N'],
      heatingMotorVolts: ['heatingValve.motor', 'supply.N'],
      heatCallVolts: ['boiler.demand', 'supply.N'],
      hotWaterTimerVolts: ['programmer.hotWaterOn', 'supply.N'],
      hotWaterMotorVolts: ['hotWaterValve.motor', 'supply.N'],
      hotWaterCallVolts: ['boiler.demand', 'supply.N'],
      permanentLiveVolts: ['hotWaterValve.live', 'supply.N'],
    },
    positions: { heatingValve: { device: 'heatingValve', way: 'only' }, hotWaterValve: { device: 'hotWaterValve', way: 'only' } },
    paths: {
      heating: {
        terminals: [
          'programmer.L',
          'programmer.heatingOn',
          'roomStat.common',
          'roomStat.call',
          'heatingValve.motor',
          'heatingValve.live',
          'heatingValve.switched',
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
          ...(limited ? ['highLimit.in', 'highLimit.out'] : []),
          'hotWaterValve.motor',
          'hotWaterValve.live',
          'hotWaterValve.switched',
          'boiler.demand',
        ],
        against: 'supply.N',
      },
    },
    callAbove: 100,
    components: [programmer, controls.roomStat, cylinderStat, ...(limited ? [highLimit] : []), controls.heatingValve, controls.hotWaterValve],
  })
}

export const twoValves = twoPortValves(false)
export const twoValvesHighLimit = twoPortValves(true)
