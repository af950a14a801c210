import type { BoilerSystem, Component, Layout, Parameter } from '@dewpoint/core/system'
import { burners } from './parts/burners.ts'
import { controls } from './parts/controls.ts'
import { combiBoard, lead, outdoorSensor, thermistor } from './parts/sensing.ts'
import { hotWater } from './parts/hotWater.ts'
import { supplies } from './parts/supplies.ts'
import { water } from './parts/water.ts'

/** Parameters that parts have now and had not when systems were first written down in files. */
const added: Record<string, Record<string, Parameter>> = {
  supply: only(supplies.electricity.parameters, 'reversed', 'neutral', 'earth'),
  gas: only(supplies.gas.parameters, 'meterWorking'),
  restrictor: only(hotWater.restrictor.parameters, 'seen'),
  burner: only(burners.premixBurner.parameters, 'padCracked', 'flapSticks'),
  flameElectrode: only(burners.flameElectrode.parameters, 'lead'),
  exchanger: only(burners.exchanger.parameters, 'furred'),
  overheat: only(burners.overheat.parameters, 'failed'),
  controlStat: only(burners.controlStat.parameters, 'stuckClosed'),
  gasValve: only(burners.modulatingValve.parameters, 'sticks', 'letsBy', 'modulatorCoil', 'modulatorResistance'),
  pilot: only(burners.pilot.parameters, 'seat', 'disturbed'),
  contactor: only(burners.contactor.parameters, 'welded'),
  blockFilter: only(water.blockFilter.parameters, 'broken'),
  waterSwitch: only(water.lowWaterSwitch.parameters, 'stuckMade'),
  relief: only(water.relief.parameters, 'pipeBad'),
  programmer: only(controls.programmer.parameters, 'clockWrong', 'batteryFlat', 'comesAndGoes'),
  cylinderStat: only(controls.cylinderStat.parameters, 'wrongHeight'),
  reducingValve: only(hotWater.reducingValve.parameters, 'flow'),
  mixingValve: only(hotWater.mixingValve.parameters, 'openness', 'checkPasses'),
  cylinder: only(hotWater.cylinder.parameters, 'airInPipes'),
  zone2: only(controls.zone2.parameters, 'air', 'valvesShut'),
  transformer: only(controls.transformer.parameters, 'loaded'),
  condensate: only(supplies.condensate.parameters, 'floodsAfter', 'frozen', 'trapDry'),
  plate: only(hotWater.plate.parameters, 'mainsOpenness', 'gasketWeepsMains'),
  coil: only(hotWater.coil.parameters, 'perforation'),
  flue: only(supplies.flue.parameters, 'terminalWrong', 'fallsWrong'),
  pump: only(water.pump.parameters, 'shaft', 'windingShort', 'setLow', 'valvesShut', 'backwards'),
  diverter: only(water.diverter.parameters, 'wet'),
  pressureSensor: only(water.pressureSensor.parameters, 'onReturn', 'lead'),
  vessel: only(water.vessel.parameters, 'corePasses', 'connection'),
  radiators: only(water.radiators.parameters, 'air', 'pinStuck', 'unbalanced', 'waterways'),
  fan: only(burners.mainsFan.parameters, 'takeOff', 'unbalanced'),
  airTubes: only(burners.airTubes.parameters, 'swapped'),
  airSwitch: only(burners.airSwitch.parameters, 'makesAt', 'conducts', 'bridged'),
  ignition: only(burners.ignition.parameters, 'generator', 'tracks'),
  mixer: only(hotWater.mixer.parameters, 'bodyCracked', 'thermostatFailed', 'aeratorFurred'),
  flowThermistor: only(thermistor('flowThermistor', '').parameters, 'contact', 'jumps'),
  hotWaterThermistor: only(thermistor('hotWaterThermistor', '').parameters, 'contact', 'jumps'),
  roomStat: only(controls.roomStat.parameters, 'paired', 'linked', 'outOfRange', 'receiver', 'relayWelded', 'badPlace', 'noNeutral'),
  fillingLoop: only(water.fillingLoop.parameters, 'handles', 'automatic'),
  ...Object.fromEntries(
    ['heatingValve', 'hotWaterValve', 'zone2Valve'].map((id) => [
      id,
      only(controls.heatingValve.parameters, 'start', 'passing', 'motorWeak', 'spindleWeeps', 'headMisfitted'),
    ]),
  ),
  // a board that was written down without it does not turn the burner down near the limit
  board: {
    ...only(combiBoard(), 'hallSupply', 'heatInput'),
    ...only(controls.board.parameters, 'polaritySensitive', 'demandStuck', 'pumpStuck', 'alive', 'display', 'wet', 'dryJoint', 'otherModel'),
  },
  cylinderVessel: only(hotWater.cylinderVessel.parameters, 'gapAbsorbed'),
  expansionRelief: only(hotWater.expansionRelief.parameters, 'temperaturePassing'),
  storeCoil: only(hotWater.storeCoil.parameters, 'perforation'),
}

/** what only a board that makes hot water as it runs has */
const ofTaps = ['hallSupply', 'heatInput']
/** what an electric boiler, and one without radiators, has not */
const ofGas = ['polaritySensitive', 'demandStuck', 'otherModel']
const ofRadiators = ['air', 'pinStuck', 'unbalanced', 'waterways']
/** what only a premixed burner has, and only a modulating atmospheric one */
const ofPremix = ['padCracked', 'flapSticks']
const ofModulator = ['modulatorCoil', 'modulatorResistance']

function only(parameters: Record<string, Parameter>, ...names: string[]): Record<string, Parameter> {
  return Object.fromEntries(names.map((name) => [name, parameters[name]!]))
}

/** Parts that systems have now and were not written down in files, by the layout that has them and the part they belong to. */
const gainedParts: { part: Component; beside: string; on?: (layout: Layout) => boolean }[] = [
  { part: supplies.case, beside: 'burner', on: ({ burner }) => burner !== 'electric' },
  { part: supplies.condensatePump, beside: 'condensate' },
  { part: water.airVent, beside: 'pipework', on: ({ ways }) => ways !== 'single' },
  { part: water.bypass, beside: 'pipework', on: ({ ways }) => ways !== 'single' },
  { part: burners.fluestat, beside: 'pressureSensor' },
  { part: outdoorSensor, beside: 'pressureSensor' },
  { part: lead('flowThermistor', 'Lead of the flow thermistor'), beside: 'flowThermistor' },
  { part: lead('returnThermistor', 'Lead of the return thermistor'), beside: 'returnThermistor' },
  { part: lead('hotWaterThermistor', 'Lead of the hot-water thermistor'), beside: 'hotWaterThermistor' },
  { part: hotWater.cylinderColdValve, beside: 'reducingValve' },
  { part: hotWater.immersion, beside: 'cylinder' },
  { part: controls.frostStat, beside: 'cylinderStat', on: ({ ways }) => ways !== 'single' },
  { part: controls.checkValves, beside: 'zone2' },
  { part: burners.power, beside: 'elements' },
  { part: water.pumpLead, beside: 'pump', on: ({ ways }) => ways !== 'gravity' },
  { part: burners.gasValveLead, beside: 'gasValve' },
  { part: water.waterSwitchLead, beside: 'waterSwitch' },
]

/** A system from a file of earlier days, with the parameters its parts have gained since, healthy. One that has them all stays as it is. */
export function broughtUpToDate(system: BoilerSystem): BoilerSystem {
  const gained = (id: string, has: Record<string, Parameter>) =>
    Object.entries(added[id] ?? {}).filter(
      ([name]) =>
        !(name in has) &&
        (!ofGas.includes(name) || system.gas !== 'none') &&
        (name !== 'takeOff' || system.layout.air === 'pressureSwitch') &&
        (!ofRadiators.includes(name) || id !== 'radiators' || system.layout.ways !== 'single') &&
        (!ofPremix.includes(name) || system.layout.burner === 'premix') &&
        (!ofModulator.includes(name) || system.layout.burner === 'atmospheric') &&
        (!ofTaps.includes(name) || system.layout.hotWater === 'plate' || system.layout.hotWater === 'coil') &&
        // what looks furred or broken is a restrictor, not a length of pipe
        (name !== 'seen' || system.layout.hotWater === 'plate' || system.layout.hotWater === 'coil') &&
        // an electronic pump has no winding to be measured
        (name !== 'windingShort' || 'windingResistance' in has),
    )
  const ids = new Set(system.components.map((one) => one.id))
  const parts = gainedParts.filter(({ part, beside, on }) => ids.has(beside) && !ids.has(part.id) && (!on || on(system.layout))).map(({ part }) => part)
  if (parts.length === 0 && system.components.every(({ id, parameters }) => gained(id, parameters).length === 0)) return system
  return {
    ...system,
    components: [
      ...system.components.map((one) => ({ ...one, parameters: { ...one.parameters, ...Object.fromEntries(gained(one.id, one.parameters)) } })),
      ...parts,
    ],
  }
}
