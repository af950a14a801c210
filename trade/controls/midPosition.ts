import { controls } from '../systems/parts/controls.ts'
import { flag, share, use } from '../systems/parts/define.ts'
import { core, cylinderStat, device, programmer as programmerParts } from './build.ts'
import { callOf, mains, neutralAndEarth, programmer, thermostat, type Stretch } from './mains.ts'

const room = thermostat('heating', 'Room thermostat', 'room')
const cylinder = thermostat('hotWater', 'Cylinder thermostat', 'cylinder', true)
const valve: Stretch = {
  devices: [device('midPosition', 'midValve', 'Mid-position valve', ['heatingOn', 'satisfied', 'switched', 'N', 'E'])],
  conductors: [
    core('whiteCore', callOf('heating'), 'midValve.heatingOn', 'heatingOn', 'room valve', { astray: 'midValve.satisfied', touches: 'midValve.N' }),
    core('hotWaterCallCore', callOf('hotWater'), 'boiler.demand', 'switched', 'cylinder'),
    core('greyCore', 'cylinderStat.satisfied', 'midValve.satisfied', 'hotWaterSatisfied', 'cylinder valve', { astray: 'midValve.switched' }),
    core('hotWaterOffCore', 'programmer.hotWaterOff', 'midValve.satisfied', 'hotWaterSatisfied', 'valve'),
    core('orangeCore', 'midValve.switched', 'boiler.demand', 'switched', 'valve'),
    ...neutralAndEarth('valve', 'midValve', 'valve'),
  ],
  path: ['midValve.heatingOn', 'cylinderStat.satisfied', 'midValve.satisfied', 'midValve.switched'],
  volts: {
    heatingMotorVolts: ['midValve.heatingOn', 'supply.N'],
    hotWaterMotorVolts: [callOf('hotWater'), 'supply.N'],
    satisfiedVolts: ['midValve.satisfied', 'supply.N'],
  },
}

/** One mid-position valve for both circuits. */
export const midPosition = mains({
  id: 'mid-position',
  label: 'Mid-position valve',
  says: 'At rest the valve stands at hot water, whose thermostat calls the boiler directly. White takes it to the middle; grey, live once hot water is satisfied or off, takes it on to heating, where it makes orange.',
  stretches: [programmer('Programmer', ['heatingOn', 'hotWaterOn', 'hotWaterOff']), room, cylinder, valve],
  circuits: { heating: [room, valve], hotWater: [cylinder] },
  positions: { heatingValve: { device: 'midValve', way: 'heating' }, hotWaterValve: { device: 'midValve', way: 'hotWater' } },
  components: [
    use(programmerParts, {}, { also: { offContact: share('its off contact makes') } }),
    controls.roomStat,
    use(cylinderStat, {}, { also: { satisfied: share('its satisfied contact makes'), crossed: flag('call and satisfied are exchanged') } }),
    use(
      controls.midValve,
      {},
      {
        also: {
          holding: share('holds the middle'),
          backFeeds: flag('feeds back through its holding resistor'),
          portsSwapped: flag('its two outlets are exchanged'),
        },
      },
    ),
  ],
  warnings: [{ terminal: 'midValve.satisfied', text: 'Grey here says “hot water satisfied”: it is no permanent live, and is dead while the cylinder calls.' }],
})
