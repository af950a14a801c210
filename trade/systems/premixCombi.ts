import type { BoilerSystem, Stage } from '@dewpoint/core/system'
import { burners } from './parts/burners.ts'
import { controls } from './parts/controls.ts'
import { combiBoard, lead, outdoorSensor, thermistor } from './parts/sensing.ts'
import { use } from './parts/define.ts'
import { hotWater } from './parts/hotWater.ts'
import { supplies } from './parts/supplies.ts'
import { water } from './parts/water.ts'
import * as stage from './stages.ts'

const back = 'airProved'
const keeps = [
  stage.highLimit(back),
  stage.flameKept(back),
  stage.notOverheated,
  {
    condition: { signal: 'tacho', above: 600 },
    onFail: { then: 'retry', from: back, times: 2, code: 'fan' },
  } as const,
]
// what heats the tap is not asked of a boiler that heats rooms
const sane = { heating: stage.sensorsSane('flowSensor', 'returnSensor'), hotWater: stage.sensorsSane('flowSensor', 'returnSensor', 'hotWaterSensor') }

const start = (way: 'heating' | 'hotWater', more: NonNullable<Stage['keeps']> = []): Stage[] => [
  stage.pressureProved,
  stage.diverterTo(way),
  stage.tachoProved,
  sane[way],
  stage.lit(back, [...keeps, ...more]),
]

/** Condensing combination, premix burner, 28 kW on hot water. Rest position of the diverter: heating. */
export const premixCombi: BoilerSystem = {
  id: 'premix-combi',
  label: 'Condensing combination 28 kW',
  layout: { burner: 'premix', air: 'tacho', hotWater: 'plate', ways: 'diverter', waterProof: 'pressureRise' },
  gas: 'naturalGas',
  thermistor: stage.tenKilohm,
  statuses: stage.displayStatuses,
  codes: [
    { id: 'water', display: 'stop W2', label: 'water not proved' },
    { id: 'fan', display: 'stop V4', label: 'fan speed not proved' },
    ...stage.sensorCodes({ flowSensor: 'stop K1', returnSensor: 'stop K2', hotWaterSensor: 'stop K3', overheat: 'stop K9' }, [
      'flowSensor',
      'returnSensor',
      'hotWaterSensor',
    ]),
    { id: 'flame', display: 'stop B1', label: 'no flame within the safety time' },
    { id: 'flameLost', display: 'stop B5', label: 'flame lost too often' },
  ],
  dripPositions: [
    { id: 'lowerLeft', label: 'lower left corner of the case', part: 'diverterSpindle' },
    { id: 'lowerMiddle', label: 'middle, below the pump', part: 'pump' },
    { id: 'lowerRight', label: 'lower right, below the turbine', part: 'turbineAdapter' },
    { id: 'rearRight', label: 'right rear, below the plate', part: 'plate' },
    { id: 'frontMiddle', label: 'front, below the trap', part: 'condensate' },
  ],
  sequence: {
    hotWater: [stage.tapSeen, ...start('hotWater', [stage.tapTooHot(back)]), stage.keepsBurning('hotWater'), stage.holdsTemperature],
    heating: [stage.heatCalled, ...start('heating', [stage.satisfied(back)]), stage.keepsBurning('heating'), stage.radiatorsWarm],
    keepWarm: [...start('hotWater'), stage.keepWarmBurn],
    frost: stage.frostSequence(start('heating'), 'rest'),
  },
  autonomous: [stage.keepWarm, stage.frost],
  powerUp: { seconds: 12, action: { fan: 'purge' }, shows: 'selfCheck' },
  overrun: {
    hotWater: { pump: 'board.pumpOverrun', fan: 'board.postPurge' },
    heating: { pump: 'board.pumpOverrun', fan: 'board.postPurge' },
    keepWarm: { pump: 'board.pumpOverrun', fan: 'board.postPurge' },
    frost: { pump: 'board.pumpOverrun', fan: 'board.postPurge' },
  },
  components: [
    supplies.electricity,
    supplies.coldMain,
    supplies.inletFilter,
    hotWater.restrictor,
    hotWater.boilerColdValve,
    hotWater.turbine,
    hotWater.turbineLead,
    hotWater.mixer,
    hotWater.plate,
    water.blockFilter,
    water.systemFilter,
    water.diverter,
    water.diverterLead,
    use(water.pump, {}, { without: ['windingResistance', 'windingShort'], also: water.electronic }),
    water.pumpLead,
    burners.exchanger,
    burners.premixBurner,
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
    thermistor('returnThermistor', 'Return thermistor'),
    lead('returnThermistor', 'Lead of the return thermistor'),
    thermistor('hotWaterThermistor', 'Hot-water thermistor'),
    lead('hotWaterThermistor', 'Lead of the hot-water thermistor'),
    burners.overheat,
    burners.fluestat,
    outdoorSensor,
    water.pressureSensor,
    water.gauge,
    use(controls.board, { polaritySensitive: 1 }, { also: combiBoard() }),
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
