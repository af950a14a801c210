import type { BoilerSystem, Stage } from '@dewpoint/core/system'
import { burners } from './parts/burners.ts'
import { controls } from './parts/controls.ts'
import { flag, use } from './parts/define.ts'
import { hotWater } from './parts/hotWater.ts'
import { supplies } from './parts/supplies.ts'
import { water } from './parts/water.ts'
import * as stage from './stages.ts'

const back = 'airAtRest'
const outOfStat: NonNullable<Stage['keeps']>[number] = {
  condition: { signal: 'controlStatOpen', below: 0.5 },
  onFail: { then: 'wait', until: [{ signal: 'controlStatOpen', below: 0.5 }], atLeast: 5, from: 'limitsMade', shows: 'satisfied' },
}

const limits: Stage = {
  id: 'limitsMade',
  label: 'Thermostats in the loop',
  sign: 'live behind control and overheat thermostat',
  action: {},
  proof: [
    { signal: 'controlStatOpen', below: 0.5 },
    { signal: 'overheatOpen', below: 0.5 },
  ],
  onFail: { then: 'stay' },
  shows: 'starting',
}
const pilotProved: Stage = {
  id: 'pilotProved',
  label: 'Spark and pilot',
  sign: 'ticking, a small flame, the ticking stops',
  action: { fan: 'run', pilot: true, spark: true },
  proof: [{ signal: 'flameCurrent', above: 1 }],
  hold: 2,
  limit: 60,
  onFail: { then: 'retry', from: 'pilotProved', times: 2, code: 'pilot' },
  keeps: [{ condition: { signal: 'flameCurrent', above: 1 }, onFail: { then: 'retry', from: back, times: 3, code: 'flameLost' } }],
  shows: 'starting',
}
const mainLit: Stage = {
  id: 'lit',
  label: 'Main flame',
  sign: 'main solenoid clunks, the burner cross-lights',
  action: { spark: false, gas: true, rate: 'full' },
  proof: [{ signal: 'flame', above: 0.5 }],
  hold: 2,
  onFail: { then: 'stay' },
  shows: 'starting',
}
const burner: Stage[] = [limits, stage.airAtRest, stage.airMade(4), pilotProved, mainLit].map((one) =>
  one.id === 'pilotProved' ? { ...one, keeps: [...(one.keeps ?? []), outOfStat] } : one,
)
const keepsBurning = (shows: string): Stage => ({
  ...stage.keepsBurning(shows),
  hold: 30,
  action: { rate: 'full' },
  sign: 'the burner stays on until the thermostat opens',
})
const pumpRuns: Stage = {
  id: 'pumpRuns',
  label: 'Pump',
  sign: 'a hum of flow at the pump',
  action: { pump: true },
  proof: [],
  hold: 1,
  onFail: { then: 'stay' },
  shows: 'starting',
}

/** Heat-only boiler with a cast-iron exchanger, separate pilot, air switch and two thermostats; gravity circulation to the cylinder. */
export const regularPilot: BoilerSystem = {
  id: 'regular-pilot',
  label: 'Heat-only boiler 22 kW with pilot, gravity cylinder',
  layout: { burner: 'pilot', air: 'pressureSwitch', hotWater: 'cylinder', ways: 'gravity', waterProof: 'none' },
  gas: 'naturalGas',
  thermistor: stage.tenKilohm,
  statuses: [
    { id: 'rest', display: 'no lamp', label: 'nothing calls' },
    { id: 'starting', display: 'green lamp', label: 'switched live there' },
    { id: 'heating', display: 'green and amber lamp', label: 'burning, rooms call' },
    { id: 'hotWater', display: 'green and amber lamp', label: 'burning, cylinder calls' },
    { id: 'satisfied', display: 'green lamp', label: 'thermostat satisfied' },
    { id: 'overrun', display: 'no lamp', label: 'running on' },
    { id: 'lockout', display: 'red lamp', label: 'locked out' },
  ],
  codes: [
    { id: 'airRest', display: 'red, one blink', label: 'air switch not at rest' },
    { id: 'air', display: 'red, two blinks', label: 'air not proved' },
    { id: 'pilot', display: 'red, three blinks', label: 'pilot not proved' },
    { id: 'flameLost', display: 'red, four blinks', label: 'flame lost too often' },
  ],
  dripPositions: [{ id: 'below', label: 'below the cast-iron sections', part: 'exchanger' }],
  sequence: {
    hotWater: [...stage.storedChain, ...burner, keepsBurning('hotWater'), stage.storeWarm('hotWater')],
    heating: [stage.heatCalled, pumpRuns, ...burner, keepsBurning('heating'), stage.radiatorsWarm],
  },
  autonomous: [],
  powerUp: null,
  overrun: { heating: { pump: 0, fan: 'board.postPurge' }, hotWater: { pump: 0, fan: 'board.postPurge' } },
  components: [
    supplies.electricity,
    supplies.coldMain,
    hotWater.tapFlow,
    hotWater.mixer,
    use(hotWater.cylinder, { coilFlow: 9 }, { also: hotWater.gravity }),
    hotWater.cylinderColdValve,
    hotWater.reducingValve,
    hotWater.cylinderVessel,
    hotWater.expansionRelief,
    hotWater.immersion,
    water.systemFilter,
    water.pump,
    use(burners.exchanger, { heatCapacity: 90_000, approach: 110 }, { label: 'Cast-iron heat exchanger', spread: { approach: 6, heatCapacity: 3000 } }),
    use(burners.atmosphericBurner, { power: 22, ratedPressure: 14, ratedCarbonDioxide: 6.4, ratedAirRatio: 1.8 }),
    burners.mainsFan,
    burners.fanLead,
    burners.airSwitch,
    burners.airTubes,
    supplies.flue,
    supplies.case,
    supplies.gas,
    burners.pilotValve,
    burners.gasValveLead,
    burners.pilot,
    burners.ignition,
    burners.flameElectrode,
    burners.controlStat,
    use(burners.overheat, { tripsAt: 95 }, { also: { phialOut: flag('its phial has slipped out of its pocket') } }),
    water.gauge,
    use(
      controls.board,
      {},
      {
        label: 'Sequence controller',
        without: ['hotWaterOn', 'hotWaterSet', 'flowSet', 'highLimit', 'highLimitBack', 'pumpOverrun', 'antiCycle', 'ignitionTries'],
      },
    ),
    water.systemWater,
    use(water.vessel, { volume: 12 }),
    water.relief,
    water.pipework,
    water.airVent,
    water.bypass,
    water.fillingLoop,
    use(water.volume, { volume: 100 }),
    use(water.radiators, { output: 12 }),
    controls.programmer,
    controls.roomStat,
    controls.frostStat,
    controls.cylinderStat,
    controls.heatingWire,
    controls.hotWaterWire,
    controls.permanentLive,
    controls.hotWaterValve,
  ],
}
