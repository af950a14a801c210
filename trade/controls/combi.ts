import { controls } from '../systems/parts/controls.ts'
import { share, use } from '../systems/parts/define.ts'
import { callOf, mains, programmer, thermostat, type Stretch } from './mains.ts'
import { boilerSupply, core, device, programmerSupply, scheme, supply } from './build.ts'

const timer = use(controls.timer, {}, { also: { alive: share('display and clock alive') } })

const room = thermostat('heating', 'Room thermostat', 'room')
const link: Stretch = {
  devices: [],
  conductors: [core('heatingCallCore', callOf('heating'), 'boiler.demand', 'switched', 'room', { astray: 'boiler.L', touches: 'boiler.N' })],
  path: [],
  volts: { heatingMotorVolts: [callOf('heating'), 'supply.N'] },
}

/** Timer and room thermostat in the place of the link wire, switching the mains. */
export const combiMains = mains({
  id: 'combi-mains',
  label: 'Timer and room thermostat, mains-switched',
  says: 'Where the link wire was, timer and room thermostat stand one after another: a live at the demand terminal calls for heating.',
  stretches: [programmer('Timer', ['heatingOn']), room, link],
  circuits: { heating: [room, link] },
  components: [timer, controls.roomStat],
})

/** The same with contacts that carry no mains: they join two low-voltage terminals of the boiler. */
export const combiVoltFree = scheme({
  id: 'combi-volt-free',
  label: 'Timer and room thermostat, volt-free',
  says: 'Timer and room thermostat join the boiler’s two room-thermostat terminals, which have a low voltage of their own. No mains may reach them.',
  devices: [
    supply,
    device('voltFreeProgrammer', 'programmer', 'Timer', ['L', 'N', 'common', 'heatingOn']),
    device('thermostat', 'roomStat', 'Room thermostat', ['common', 'call'], 'heating'),
    device('voltFreeBoiler', 'boiler', 'Boiler', ['L', 'N', 'E', 'out', 'demand', 'common']),
  ],
  conductors: [
    ...programmerSupply,
    core('callOutCore', 'boiler.out', 'programmer.common', 'lowVoltage', 'room'),
    core('heatingOutputCore', 'programmer.heatingOn', 'roomStat.common', 'lowVoltage', 'room', { astray: 'roomStat.call' }),
    core('heatingCallCore', 'roomStat.call', 'boiler.demand', 'lowVoltage', 'room', { astray: 'boiler.common' }),
    ...boilerSupply,
  ],
  volts: {
    supplyVolts: ['boiler.L', 'boiler.N'],
    heatingTimerVolts: ['programmer.heatingOn', 'boiler.common'],
    heatingMotorVolts: ['roomStat.call', 'boiler.common'],
    heatCallVolts: ['boiler.demand', 'boiler.common'],
  },
  positions: {},
  paths: {
    heating: {
      terminals: ['boiler.out', 'programmer.common', 'programmer.heatingOn', 'roomStat.common', 'roomStat.call', 'boiler.demand'],
      against: 'boiler.common',
    },
  },
  callAbove: 12,
  components: [timer, controls.roomStat],
  warnings: [{ terminal: 'boiler.demand', text: 'Volt-free terminals: mains here destroys the board.' }],
})
