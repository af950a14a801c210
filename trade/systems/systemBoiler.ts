import type { BoilerSystem, Stage } from '@dewpoint/core/system'
import { burners } from './parts/burners.ts'
import { controls } from './parts/controls.ts'
import { use } from './parts/define.ts'
import { hotWater } from './parts/hotWater.ts'
import { supplies } from './parts/supplies.ts'
import { water } from './parts/water.ts'
import { combiBoard, lead, outdoorSensor, thermistor } from './parts/sensing.ts'
import * as stage from './stages.ts'

const back = 'airProved'
const keeps = [stage.highLimit(back), stage.flameKept(back), stage.notOverheated]
const burner = (more: NonNullable<Stage['keeps']> = []): Stage[] => [
  stage.pressureProved,
  stage.tachoProved,
  stage.sensorsSane('flowSensor', 'returnSensor'),
  stage.lit(back, [...keeps, ...more]),
]
const runsOn = { pump: 'board.pumpOverrun', fan: 'board.postPurge' }

/** Condensing system boiler with an unvented cylinder and two 2-port valves. */
export const systemBoiler: BoilerSystem = {
  id: 'system-boiler',
  label: 'Condensing system boiler 24 kW with cylinder',
  layout: { burner: 'premix', air: 'tacho', hotWater: 'cylinder', ways: 'twoPort', waterProof: 'pressureRise' },
  gas: 'naturalGas',
  thermistor: stage.tenKilohm,
  statuses: stage.displayStatuses.filter((one) => one.id !== 'keepWarm'),
  codes: [
    { id: 'water', display: 'wait 4', label: 'water not proved' },
    { id: 'fan', display: 'wait 5', label: 'fan speed not proved' },
    ...stage.sensorCodes({ flowSensor: 'wait 61', returnSensor: 'wait 62', hotWaterSensor: '', overheat: 'wait 69' }, ['flowSensor', 'returnSensor']),
    { id: 'flame', display: 'wait 7', label: 'no flame within the safety time' },
    { id: 'flameLost', display: 'wait 8', label: 'flame lost too often' },
  ],
  dripPositions: [
    { id: 'lowerMiddle', label: 'middle, below the pump', part: 'pump' },
    { id: 'frontMiddle', label: 'front, below the trap', part: 'condensate' },
    { id: 'tundish', label: 'tundish beside the cylinder', part: 'expansionRelief' },
  ],
  sequence: {
    hotWater: [...stage.storedChain, ...burner([stage.satisfied(back)]), stage.keepsBurning('hotWater'), stage.storeWarm('hotWater')],
    heating: [...stage.heatingChain, ...burner([stage.satisfied(back)]), stage.keepsBurning('heating'), stage.radiatorsWarm],
    frost: stage.frostSequence(burner(), 'rest'),
  },
  autonomous: [stage.frost],
  powerUp: { seconds: 12, action: { fan: 'purge' }, shows: 'selfCheck' },
  overrun: { hotWater: runsOn, heating: runsOn, frost: runsOn },
  components: [
    supplies.electricity,
    supplies.coldMain,
    hotWater.tapFlow,
    hotWater.mixer,
    hotWater.cylinder,
    hotWater.cylinderColdValve,
    hotWater.reducingValve,
    hotWater.cylinderVessel,
    hotWater.expansionRelief,
    hotWater.immersion,
    water.systemFilter,
    use(water.pump, {}, { without: ['windingResistance', 'windingShort'], also: water.electronic }),
    water.pumpLead,
    burners.exchanger,
    use(burners.premixBurner, { power: 24 }),
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
    burners.overheat,
    burners.fluestat,
    outdoorSensor,
    water.pressureSensor,
    water.gauge,
    use(
      controls.board,
      { flowSet: 75, polaritySensitive: 1 },
      { also: combiBoard(), without: ['diverterDrive', 'tapSeenAt', 'hallSupply', 'heatInput', 'keepWarmOff', 'hotWaterOn', 'hotWaterSet'] },
    ),
    water.systemWater,
    use(water.vessel, { volume: 12 }),
    water.relief,
    water.pipework,
    water.airVent,
    water.bypass,
    water.fillingLoop,
    use(water.volume, { volume: 110 }),
    use(water.radiators, { output: 11 }),
    controls.programmer,
    controls.roomStat,
    controls.frostStat,
    controls.cylinderStat,
    controls.heatingWire,
    controls.hotWaterWire,
    controls.permanentLive,
    controls.heatingValve,
    controls.hotWaterValve,
  ],
}
