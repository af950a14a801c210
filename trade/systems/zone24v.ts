import type { BoilerSystem, Stage } from '@dewpoint/core/system'
import { burners } from './parts/burners.ts'
import { controls } from './parts/controls.ts'
import { flag, use } from './parts/define.ts'
import { supplies } from './parts/supplies.ts'
import { water } from './parts/water.ts'
import { combiBoard, lead, thermistor } from './parts/sensing.ts'
import * as stage from './stages.ts'

const back = 'airProved'
const keeps = [stage.highLimit(back), stage.flameKept(back), stage.notOverheated]
const burner = (more: NonNullable<Stage['keeps']> = []): Stage[] => [
  stage.switchProved('circulator runs, the low-water lamp is dark'),
  stage.tachoProved,
  stage.sensorsSane('flowSensor'),
  stage.lit(back, [...keeps, ...more]),
]

/** Hydronic boiler serving flats or rooms through 24 V zone valves; two zones stand for as many as there are. */
export const zone24v: BoilerSystem = {
  id: 'zone-24v',
  label: 'Zoned heating boiler 24 kW, 24 V valves',
  layout: { burner: 'premix', air: 'tacho', hotWater: 'none', ways: 'zones', waterProof: 'lowWaterSwitch' },
  gas: 'propane',
  thermistor: stage.tenKilohm,
  statuses: [
    ...stage.displayStatuses.filter((one) => !['keepWarm', 'hotWater'].includes(one.id)),
    { id: 'noWater', display: 'dry', label: 'waiting for water' },
  ],
  codes: [
    { id: 'fan', display: 'lock P', label: 'fan speed not proved' },
    { id: 'sensor', display: 'lock Q', label: 'sensor or overheat device' },
    { id: 'flame', display: 'lock R', label: 'no flame within the safety time' },
    { id: 'flameLost', display: 'lock S', label: 'flame lost too often' },
  ],
  dripPositions: [
    { id: 'lowerMiddle', label: 'below the circulator', part: 'pump' },
    { id: 'manifold', label: 'at the manifold, below a zone valve', part: 'pipework' },
  ],
  sequence: {
    heating: [
      stage.outside('transformerLive', '24 V there', '24 to 28 V on the secondary', [{ signal: 'transformerVolts', above: 20 }]),
      stage.outside('statCalls', 'Zone thermostat calls', '24 V on the valve motor', [{ signal: 'heatingMotorVolts', above: 20 }]),
      stage.outside('valveOpens', 'Zone valve opens', 'lever goes slack', [{ signal: 'heatingValve', above: 0.8 }]),
      stage.outside('heatCalled', 'End switch calls the boiler', 'live on the demand terminal', [{ signal: 'heatCallVolts', above: 100 }]),
      ...burner([stage.satisfied(back)]),
      stage.keepsBurning('heating'),
      stage.radiatorsWarm,
    ],
    frost: stage.frostSequence(burner(), 'rest'),
  },
  autonomous: [stage.frost],
  powerUp: { seconds: 10, action: { fan: 'purge' }, shows: 'selfCheck' },
  overrun: { heating: { pump: 'board.pumpOverrun', fan: 'board.postPurge' }, frost: { pump: 'board.pumpOverrun', fan: 'board.postPurge' } },
  components: [
    supplies.electricity,
    supplies.coldMain,
    water.systemFilter,
    use(water.pump, {}, { label: 'Circulator' }),
    water.pumpLead,
    burners.exchanger,
    use(burners.premixBurner, { power: 24, ratedCarbonDioxide: 10.2, lowCarbonDioxide: 9.9 }),
    burners.modulatingFan,
    burners.fanLead,
    supplies.flue,
    supplies.case,
    use(supplies.gas, { standingPressure: 37, dropAtFullRate: 3, needs: 28 }, { also: supplies.propane }),
    burners.premixValve,
    burners.gasValveLead,
    burners.ignition,
    burners.flameElectrode,
    supplies.condensate,
    supplies.condensatePump,
    thermistor('flowThermistor', 'Flow thermistor'),
    lead('flowThermistor', 'Lead of the flow thermistor'),
    burners.overheat,
    water.lowWaterSwitch,
    water.waterSwitchLead,
    water.gauge,
    use(
      controls.board,
      { antiCycle: 120 },
      { also: combiBoard(), without: ['diverterDrive', 'tapSeenAt', 'hallSupply', 'heatInput', 'keepWarmOff', 'hotWaterOn', 'hotWaterSet'] },
    ),
    water.systemWater,
    use(water.vessel, { volume: 12 }),
    water.relief,
    water.pipework,
    water.airVent,
    water.bypass,
    water.fillingLoop,
    use(water.volume, { volume: 120 }),
    use(water.radiators, { output: 14, ratedFlow: 8 }, { also: { loopAir: flag('air in the loop of its zone') } }),
    controls.zone2,
    controls.checkValves,
    controls.transformer,
    use(controls.roomStat, {}, { label: 'Zone thermostat' }),
    controls.zone2Stat,
    use(controls.heatingWire, {}, { label: 'Zone’s call wire' }),
    controls.zone2Wire,
    controls.zoneValve,
    controls.zone2Valve,
  ],
}
