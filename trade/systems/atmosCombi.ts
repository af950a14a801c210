import type { BoilerSystem, Stage } from '@dewpoint/core/system'
import { burners } from './parts/burners.ts'
import { controls } from './parts/controls.ts'
import { share, use } from './parts/define.ts'
import { hotWater } from './parts/hotWater.ts'
import { supplies } from './parts/supplies.ts'
import { water } from './parts/water.ts'
import { combiBoard, lead, thermistor } from './parts/sensing.ts'
import * as stage from './stages.ts'

const back = 'airAtRest'
const airKept = { condition: { signal: 'airSwitch', above: 0.5 }, onFail: { then: 'retry', from: back, times: 2, code: 'air' } } as const

const start = (way: 'heating' | 'hotWater', more: NonNullable<Stage['keeps']> = []): Stage[] => [
  stage.switchProved('pump runs, its proving switch goes over'),
  stage.airAtRest,
  stage.diverterTo(way),
  stage.airMade(6),
  way === 'hotWater' ? stage.sensorsSane('flowSensor', 'hotWaterSensor') : stage.sensorsSane('flowSensor'),
  stage.lit(back, [stage.highLimit(back), stage.flameKept(back), stage.notOverheated, airKept, ...more]),
]

/** Fanned-flue combination with an atmospheric burner, 24 kW: air proved by a pressure switch, two burner pressures set by hand. */
export const atmosCombi: BoilerSystem = {
  id: 'atmos-combi',
  label: 'Fanned combination 24 kW, atmospheric burner',
  layout: { burner: 'atmospheric', air: 'pressureSwitch', hotWater: 'plate', ways: 'diverter', waterProof: 'pumpProvingSwitch' },
  gas: 'naturalGas',
  thermistor: stage.tenKilohm,
  statuses: [...stage.displayStatuses, { id: 'noWater', display: 'dry', label: 'waiting for water' }],
  codes: [
    { id: 'airRest', display: 'halt 11', label: 'air switch not at rest' },
    { id: 'air', display: 'halt 12', label: 'air not proved' },
    ...stage.sensorCodes({ flowSensor: 'halt 22', returnSensor: '', hotWaterSensor: 'halt 23', overheat: 'halt 24' }, ['flowSensor', 'hotWaterSensor']),
    { id: 'flame', display: 'halt 31', label: 'no flame within the safety time' },
    { id: 'flameLost', display: 'halt 32', label: 'flame lost too often' },
  ],
  dripPositions: [
    { id: 'lowerRight', label: 'lower right corner of the case', part: 'diverterSpindle' },
    { id: 'lowerMiddle', label: 'middle, below the pump', part: 'pump' },
    { id: 'lowerLeft', label: 'lower left, below the turbine', part: 'turbineAdapter' },
  ],
  sequence: {
    hotWater: [stage.tapSeen, ...start('hotWater', [stage.tapTooHot(back)]), stage.keepsBurning('hotWater'), stage.holdsTemperature],
    heating: [stage.heatCalled, ...start('heating', [stage.satisfied(back)]), stage.keepsBurning('heating'), stage.radiatorsWarm],
    frost: stage.frostSequence(start('heating'), 'rest'),
  },
  autonomous: [stage.frost],
  powerUp: null,
  // an older board: tap shut, everything stops at once
  overrun: { heating: { pump: 'board.pumpOverrun', fan: 'board.postPurge' }, frost: { pump: 'board.pumpOverrun', fan: 'board.postPurge' } },
  components: [
    supplies.electricity,
    supplies.coldMain,
    supplies.inletFilter,
    use(hotWater.restrictor, { flow: 9.8 }),
    hotWater.boilerColdValve,
    hotWater.turbine,
    hotWater.turbineLead,
    hotWater.mixer,
    use(hotWater.plate, { conductance: 690, primaryFlow: 10.2 }),
    water.blockFilter,
    water.systemFilter,
    water.diverter,
    water.diverterLead,
    water.pump,
    water.pumpLead,
    use(burners.exchanger, { heatCapacity: 9500, approach: 75 }, { spread: { approach: 4 } }),
    burners.atmosphericBurner,
    burners.mainsFan,
    burners.fanLead,
    burners.airSwitch,
    burners.airTubes,
    supplies.flue,
    supplies.case,
    supplies.gas,
    burners.modulatingValve,
    burners.gasValveLead,
    burners.ignition,
    burners.flameElectrode,
    thermistor('flowThermistor', 'Flow thermistor'),
    lead('flowThermistor', 'Lead of the flow thermistor'),
    thermistor('hotWaterThermistor', 'Hot-water thermistor'),
    lead('hotWaterThermistor', 'Lead of the hot-water thermistor'),
    burners.overheat,
    { ...water.lowWaterSwitch, label: 'Pump-proving switch' },
    water.waterSwitchLead,
    water.gauge,
    use(
      controls.board,
      { postPurge: 5 },
      {
        also: { ...combiBoard(), modulatorDrive: share('drives the modulator of the gas valve') },
        without: ['minimumFanSpeed', 'fanCommandDrive', 'keepWarmOff'],
      },
    ),
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
