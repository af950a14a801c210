import type { BoilerSystem, Stage } from '@dewpoint/core/system'
import { burners } from './parts/burners.ts'
import { controls } from './parts/controls.ts'
import { number, own, use } from './parts/define.ts'
import { hotWater } from './parts/hotWater.ts'
import { supplies } from './parts/supplies.ts'
import { water } from './parts/water.ts'
import { lead, thermistor } from './parts/sensing.ts'
import * as stage from './stages.ts'

const flowProved: Stage = {
  ...stage.switchProved('pump runs, the flow lamp lights'),
  label: 'Pump and flow',
  onFail: { then: 'retry', from: 'waterProved', times: 2, code: 'flow' },
}
const stagesIn: Stage = {
  id: 'lit',
  label: 'Elements stage in',
  sign: 'contactor pulls in, the meter jumps',
  action: { elements: true, rate: 'modulate' },
  proof: [{ signal: 'flame', above: 0.5 }],
  hold: 5,
  limit: 60,
  onFail: { then: 'lockout', code: 'noHeat' },
  keeps: [
    {
      condition: { signal: 'flowSensor', below: 'board.highLimit' },
      onFail: { then: 'wait', until: [{ signal: 'flowSensor', below: 'board.highLimitBack' }], atLeast: 15, from: 'waterProved', shows: 'waiting' },
    },
    { condition: { signal: 'waterSwitch', above: 0.5 }, onFail: { then: 'retry', from: 'waterProved', times: 2, code: 'flow' } },
    { condition: { signal: 'overheatOpen', below: 0.5 }, onFail: { then: 'lockout', code: 'overheat' } },
  ],
  shows: 'starting',
}
const keepsHeating = (shows: string): Stage => ({
  ...stage.keepsBurning(shows),
  label: 'Keeps heating',
  sign: 'the elements stay in and the flow warms',
  action: { rate: 'modulate' },
})
const sensorAndLimit: Stage = { ...stage.sensorsSane('flowSensor'), label: 'Sensor and overheat', sign: 'the temperature lamp is steady' }
const calledBy = (chain: Stage[], named: Record<string, Partial<Stage>>) => chain.map((one) => ({ ...one, ...named[one.id] }))
const callLamp = { sign: 'the call lamp lights' }

/**
 * Electric flow boiler feeding radiators and a thermal store that heats mains water in a coil, blended by a mixing valve; a motor valve each.
 */
export const electricFlow: BoilerSystem = {
  id: 'electric-flow',
  label: 'Electric flow boiler 9 kW with radiators and thermal store',
  layout: { burner: 'electric', air: 'none', hotWater: 'store', ways: 'twoPort', waterProof: 'flowSwitch' },
  gas: 'none',
  thermistor: stage.tenKilohm,
  statuses: [
    { id: 'rest', display: 'power lamp', label: 'at rest' },
    { id: 'starting', display: 'call lamp', label: 'called, proving flow' },
    { id: 'heating', display: 'call and heat lamp', label: 'heating the rooms' },
    { id: 'hotWater', display: 'call and heat lamp', label: 'heating the store' },
    { id: 'waiting', display: 'call lamp, heat lamp out', label: 'flow too hot, waiting' },
    { id: 'overrun', display: 'power lamp, pump runs', label: 'running on' },
    { id: 'lockout', display: 'fault lamp', label: 'locked out' },
  ],
  codes: [
    { id: 'flow', display: 'fault lamp, slow', label: 'flow not proved' },
    { id: 'sensor', display: 'fault lamp, double', label: 'sensor out of range' },
    { id: 'noHeat', display: 'fault lamp, quick', label: 'elements do not heat' },
    { id: 'overheat', display: 'fault lamp, steady', label: 'overheat device open' },
  ],
  dripPositions: [{ id: 'below', label: 'below the flow boiler', part: 'pipework' }],
  sequence: {
    hotWater: [
      ...calledBy(stage.storedChain, { statCalls: { label: 'Store thermostat calls' }, valveOpens: { label: 'Store valve opens' }, storeCalled: callLamp }),
      flowProved,
      sensorAndLimit,
      stagesIn,
      keepsHeating('hotWater'),
      { ...stage.storeWarm('hotWater'), sign: 'the upper part of the store is hot' },
    ],
    heating: [...calledBy(stage.heatingChain, { heatCalled: callLamp }), flowProved, sensorAndLimit, stagesIn, keepsHeating('heating'), stage.radiatorsWarm],
  },
  autonomous: [],
  powerUp: null,
  overrun: { hotWater: { pump: 'board.pumpOverrun', fan: 0 }, heating: { pump: 'board.pumpOverrun', fan: 0 } },
  components: [
    supplies.electricity,
    supplies.coldMain,
    use(hotWater.tapFlow, { flow: 12 }),
    supplies.inletFilter,
    hotWater.mixer,
    use(
      hotWater.cylinder,
      { volume: 180, coilConductance: 900, temperature: 32 },
      { label: 'Thermal store', without: ['perforation', 'dip', 'coilValveShut'], also: hotWater.storeLevel },
    ),
    hotWater.immersion,
    hotWater.storeCoil,
    hotWater.mixingValve,
    water.systemFilter,
    water.pump,
    water.pumpLead,
    use(burners.exchanger, { heatCapacity: 12_000 }, { label: 'Flow boiler body', without: ['approach', 'dirt'] }),
    burners.electricHeater,
    burners.elements,
    burners.power,
    burners.contactor,
    thermistor('flowThermistor', 'Flow thermistor'),
    lead('flowThermistor', 'Lead of the flow thermistor'),
    use(burners.overheat, { tripsAt: 95 }),
    use(water.lowWaterSwitch, {}, { label: 'Flow switch' }),
    water.waterSwitchLead,
    water.gauge,
    use(
      controls.board,
      { flowSet: 72, pumpOverrun: 60 },
      {
        also: { stages: number(3, '1', 'stages it switches', own, { min: 0, max: 6 }) },
        without: [
          'gasDrive',
          'fanDrive',
          'demandStuck',
          'polaritySensitive',
          'otherModel',
          'hotWaterOn',
          'hotWaterSet',
          'postPurge',
          'antiCycle',
          'ignitionTries',
        ],
      },
    ),
    water.systemWater,
    water.vessel,
    water.relief,
    water.pipework,
    water.fillingLoop,
    water.airVent,
    water.bypass,
    use(water.volume, { volume: 45 }, { spread: { volume: 8 } }),
    use(water.radiators, { output: 7, metal: 25_000, ratedFlow: 12 }),
    controls.programmer,
    controls.roomStat,
    controls.frostStat,
    use(controls.cylinderStat, { setting: 62 }, { label: 'Store thermostat' }),
    controls.heatingWire,
    controls.hotWaterWire,
    controls.permanentLive,
    controls.heatingValve,
    controls.hotWaterValve,
  ],
}
