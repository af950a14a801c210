import type { BoilerSystem, Parameter } from '@dewpoint/core/system'
import { burners } from './parts/burners.ts'
import { controls } from './parts/controls.ts'
import { thermistor } from './parts/sensing.ts'
import { hotWater } from './parts/hotWater.ts'
import { supplies } from './parts/supplies.ts'
import { water } from './parts/water.ts'

/** Parameters that parts have now and had not when systems were first written down in files. */
const added: Record<string, Record<string, Parameter>> = {
  supply: only(supplies.electricity.parameters, 'reversed'),
  condensate: only(supplies.condensate.parameters, 'floodsAfter'),
  plate: only(hotWater.plate.parameters, 'mainsOpenness'),
  coil: only(hotWater.coil.parameters, 'perforation'),
  flue: only(supplies.flue.parameters, 'terminalWrong'),
  pump: only(water.pump.parameters, 'shaft'),
  diverter: only(water.diverter.parameters, 'wet'),
  pressureSensor: only(water.pressureSensor.parameters, 'onReturn'),
  vessel: only(water.vessel.parameters, 'corePasses', 'connection'),
  radiators: only(water.radiators.parameters, 'air', 'pinStuck', 'unbalanced'),
  fan: only(burners.mainsFan.parameters, 'takeOff'),
  airSwitch: only(burners.airSwitch.parameters, 'makesAt', 'conducts', 'bridged'),
  ignition: only(burners.ignition.parameters, 'generator', 'tracks'),
  mixer: only(hotWater.mixer.parameters, 'bodyCracked', 'thermostatFailed', 'aeratorFurred'),
  flowThermistor: only(thermistor('flowThermistor', '').parameters, 'contact'),
  hotWaterThermistor: only(thermistor('hotWaterThermistor', '').parameters, 'contact'),
  roomStat: only(controls.roomStat.parameters, 'paired', 'linked'),
  fillingLoop: only(water.fillingLoop.parameters, 'handles', 'automatic'),
  ...Object.fromEntries(['heatingValve', 'hotWaterValve', 'zone2Valve'].map((id) => [id, only(controls.heatingValve.parameters, 'start', 'passing')])),
  // a board that was written down without it does not turn the burner down near the limit
  board: only(controls.board.parameters, 'polaritySensitive', 'demandStuck', 'pumpStuck', 'alive'),
  expansionRelief: only(hotWater.expansionRelief.parameters, 'temperaturePassing'),
  storeCoil: only(hotWater.storeCoil.parameters, 'perforation'),
}

/** what an electric boiler, and one without radiators, has not */
const ofGas = ['polaritySensitive', 'demandStuck']
const ofRadiators = ['air', 'pinStuck', 'unbalanced']

function only(parameters: Record<string, Parameter>, ...names: string[]): Record<string, Parameter> {
  return Object.fromEntries(names.map((name) => [name, parameters[name]!]))
}

/** A system from a file of earlier days, with the parameters its parts have gained since, healthy. One that has them all stays as it is. */
export function broughtUpToDate(system: BoilerSystem): BoilerSystem {
  const gained = (id: string, has: Record<string, Parameter>) =>
    Object.entries(added[id] ?? {}).filter(
      ([name]) =>
        !(name in has) &&
        (!ofGas.includes(name) || system.gas !== 'none') &&
        (name !== 'takeOff' || system.layout.air === 'pressureSwitch') &&
        (!ofRadiators.includes(name) || system.layout.ways !== 'single'),
    )
  if (system.components.every(({ id, parameters }) => gained(id, parameters).length === 0)) return system
  return {
    ...system,
    components: system.components.map((one) => ({ ...one, parameters: { ...one.parameters, ...Object.fromEntries(gained(one.id, one.parameters)) } })),
  }
}
