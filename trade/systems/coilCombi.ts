import type { BoilerSystem, Stage } from '@dewpoint/core/system'
import { burners } from './parts/burners.ts'
import { controls } from './parts/controls.ts'
import { use } from './parts/define.ts'
import { hotWater } from './parts/hotWater.ts'
import { supplies } from './parts/supplies.ts'
import { water } from './parts/water.ts'
import { combiBoard, lead, thermistor } from './parts/sensing.ts'
import * as stage from './stages.ts'

const back = 'airProved'
const keeps = [stage.highLimit(back), stage.flameKept(back), stage.notOverheated]
const burner = (more: NonNullable<Stage['keeps']> = [], sensors: ('flowSensor' | 'hotWaterSensor')[] = ['flowSensor']): Stage[] => [
  stage.tachoProved,
  stage.sensorsSane(...sensors),
  stage.lit(back, [...keeps, ...more]),
]
const pumped = stage.switchProved('pump runs, the low-water lamp is dark')

/** Combination whose hot-water pipe runs through the main exchanger: no diverter, no plate; the pump rests while a tap runs. */
export const coilCombi: BoilerSystem = {
  id: 'coil-combi',
  label: 'Combination 26 kW, hot water in the main exchanger',
  layout: { burner: 'premix', air: 'tacho', hotWater: 'coil', ways: 'direct', waterProof: 'lowWaterSwitch' },
  gas: 'naturalGas',
  thermistor: stage.twelveKilohm,
  statuses: [...stage.displayStatuses.filter((one) => one.id !== 'keepWarm'), { id: 'noWater', display: 'dry', label: 'waiting for water' }],
  codes: [
    { id: 'fan', display: 'fault A', label: 'fan speed not proved' },
    { id: 'sensor', display: 'fault C', label: 'sensor or overheat device' },
    { id: 'flame', display: 'fault D', label: 'no flame within the safety time' },
    { id: 'flameLost', display: 'fault E', label: 'flame lost too often' },
  ],
  dripPositions: [
    { id: 'lowerMiddle', label: 'middle, below the pump', part: 'pump' },
    { id: 'lowerRight', label: 'lower right, below the turbine', part: 'turbineAdapter' },
    { id: 'frontMiddle', label: 'front, below the trap', part: 'condensate' },
  ],
  sequence: {
    hotWater: [
      stage.tapSeen,
      stage.waterThere,
      ...burner([stage.tapTooHot(back)], ['flowSensor', 'hotWaterSensor']),
      stage.keepsBurning('hotWater'),
      stage.holdsTemperature,
    ],
    heating: [stage.heatCalled, pumped, ...burner([stage.satisfied(back)]), stage.keepsBurning('heating'), stage.radiatorsWarm],
    frost: stage.frostSequence([pumped, ...burner()], 'rest'),
  },
  autonomous: [stage.frost],
  powerUp: { seconds: 8, action: { fan: 'purge' }, shows: 'selfCheck' },
  overrun: {
    hotWater: { pump: 0, fan: 'board.postPurge' },
    heating: { pump: 'board.pumpOverrun', fan: 'board.postPurge' },
    frost: { pump: 'board.pumpOverrun', fan: 'board.postPurge' },
  },
  components: [
    supplies.electricity,
    supplies.coldMain,
    supplies.inletFilter,
    use(hotWater.restrictor, { flow: 10.2 }),
    hotWater.boilerColdValve,
    hotWater.turbine,
    hotWater.turbineLead,
    hotWater.mixer,
    hotWater.coil,
    water.systemFilter,
    water.pump,
    water.pumpLead,
    use(burners.exchanger, { heatCapacity: 19_000 }),
    use(burners.premixBurner, { power: 26 }),
    burners.modulatingFan,
    burners.fanLead,
    supplies.flue,
    supplies.case,
    supplies.gas,
    burners.premixValve,
    burners.gasValveLead,
    burners.ignition,
    burners.flameElectrode,
    supplies.condensate,
    supplies.condensatePump,
    thermistor('flowThermistor', 'Flow thermistor'),
    lead('flowThermistor', 'Lead of the flow thermistor'),
    thermistor('hotWaterThermistor', 'Hot-water thermistor'),
    lead('hotWaterThermistor', 'Lead of the hot-water thermistor'),
    burners.overheat,
    water.lowWaterSwitch,
    water.waterSwitchLead,
    water.gauge,
    use(controls.board, {}, { also: combiBoard(), without: ['diverterDrive', 'keepWarmOff'] }),
    water.systemWater,
    water.vessel,
    water.relief,
    water.pipework,
    water.airVent,
    water.bypass,
    water.fillingLoop,
    water.volume,
    water.radiators,
    controls.timer,
    controls.roomStat,
    controls.heatingWire,
  ],
}
