import type { Circuit, Component, ControlScheme } from '@dewpoint/core/system'
import { controls } from '../systems/parts/controls.ts'
import { flag, use } from '../systems/parts/define.ts'
import { boilerSupply, core, device, scheme, supply } from './build.ts'

const circuits: Circuit[] = ['heating', 'zone2', 'zone3', 'zone4', 'zone5', 'zone6', 'zone7', 'zone8']

/** a second zone’s thermostat whose contact may weld */
const zone2Stat = use(controls.zone2Stat, {}, { also: { stuckClosed: flag('never opens') } })

/**
 * 24 V zones side by side.
 *
 * @param count two to eight
 */
export function zones(count: number): ControlScheme {
  const each = circuits.slice(0, count).map((circuit, index) => {
    const first = circuit === 'heating'
    return { circuit, number: index + 1, stat: first ? 'roomStat' : `${circuit}Stat`, valve: first ? 'heatingValve' : `${circuit}Valve` }
  })
  const again = (part: Component, id: string, number: number): Component => ({ ...part, id, label: part.label.replace('Second', `No. ${number}`) })
  return scheme({
    id: count === 4 ? 'zones-24v' : `zones-24v-${count}`,
    label: `${count === 4 ? 'Four' : count} zones with 24 V valves`,
    says: 'Each thermostat puts 24 V on its own valve; any valve’s end switch, free of the 24 V, calls the boiler.',
    devices: [
      supply,
      device('transformer', 'transformer', 'Transformer', ['L', 'N', 'out', 'return']),
      ...each.flatMap(({ circuit, stat, valve, number }) => [
        device('thermostat', stat, `Thermostat ${number}`, ['common', 'call'], circuit),
        device('lowVoltageValve', valve, `Zone valve ${number}`, ['motor', 'return', 'live', 'switched'], circuit),
      ]),
      device('boiler', 'boiler', 'Boiler', ['L', 'N', 'E', 'demand']),
    ],
    conductors: [
      core('transformerLive', 'supply.L', 'transformer.L', 'line', 'transformer'),
      core('transformerNeutral', 'supply.N', 'transformer.N', 'neutral', 'transformer'),
      ...each.flatMap(({ stat, valve, number }) => [
        core(`zone${number}FeedCore`, 'transformer.out', `${stat}.common`, 'lowVoltage', `stat${number}`),
        core(`zone${number}MotorCore`, `${stat}.call`, `${valve}.motor`, 'lowVoltage', `valve${number}`, number < 3 ? { touches: `${valve}.return` } : {}),
        core(`zone${number}ReturnCore`, 'transformer.return', `${valve}.return`, 'lowVoltage', `valve${number}`),
        core(`zone${number}LiveCore`, 'supply.L', `${valve}.live`, 'permanentLive', `switch${number}`, number < 3 ? { astray: `${valve}.switched` } : {}),
        core(`zone${number}SwitchedCore`, `${valve}.switched`, 'boiler.demand', 'switched', `switch${number}`),
      ]),
      ...boilerSupply,
    ],
    volts: {
      supplyVolts: ['boiler.L', 'boiler.N'],
      transformerVolts: ['transformer.out', 'transformer.return'],
      heatingTimerVolts: ['roomStat.common', 'transformer.return'],
      heatingMotorVolts: ['heatingValve.motor', 'heatingValve.return'],
      heatCallVolts: ['boiler.demand', 'supply.N'],
      zone2MotorVolts: ['zone2Valve.motor', 'zone2Valve.return'],
      zone2CallVolts: ['boiler.demand', 'supply.N'],
    },
    positions: { heatingValve: { device: 'heatingValve', way: 'only' }, zone2Valve: { device: 'zone2Valve', way: 'only' } },
    paths: Object.fromEntries(
      each.map(({ circuit, stat, valve }) => [
        circuit,
        { terminals: ['transformer.out', `${stat}.common`, `${stat}.call`, `${valve}.motor`], against: 'transformer.return' },
      ]),
    ),
    callAbove: 100,
    components: [
      controls.transformer,
      use(controls.roomStat, {}, { label: 'Zone thermostat' }),
      controls.zoneValve,
      ...each.slice(1).flatMap(({ stat, valve, number }) => [again(zone2Stat, stat, number), again(controls.zone2Valve, valve, number)]),
    ],
  })
}

export const fourZones = zones(4)
