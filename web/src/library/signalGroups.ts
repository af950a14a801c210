import { producedSignals } from '@dewpoint/core/plant'
import { signals, type BoilerSystem, type SignalName } from '@dewpoint/core/system'

/** Signals that are looked at together, of one unit. */
export interface SignalGroup {
  id: string
  label: string
  unit: string
  signals: SignalName[]
}

const groups: { id: string; label: string; signals: SignalName[] }[] = [
  {
    id: 'temperatures',
    label: 'Temperatures',
    signals: ['flowTemperature', 'returnTemperature', 'tapTemperature', 'cylinderTemperature', 'radiatorTemperature', 'zone2Temperature', 'flueTemperature'],
  },
  { id: 'sensors', label: 'Sensors', signals: ['flowSensor', 'returnSensor', 'hotWaterSensor', 'flowTemperature'] },
  { id: 'plate', label: 'Plate or coil', signals: ['plateIn', 'plateOut', 'tapTemperature'] },
  { id: 'heat', label: 'Heat', signals: ['gasInput', 'burnerPower', 'plateHeat', 'radiatorHeat'] },
  { id: 'water', label: 'Water', signals: ['waterFlow', 'plateFlow', 'tapFlow', 'reliefFlow', 'tundishFlow'] },
  { id: 'pressure', label: 'Pressure', signals: ['pressure', 'gauge', 'sensedPressure', 'cylinderPressure'] },
  { id: 'gas', label: 'Gas and air', signals: ['gasInlet', 'burnerPressure', 'airPressure'] },
  { id: 'products', label: 'Products', signals: ['carbonDioxide', 'oxygen', 'airCarbonDioxide'] },
  { id: 'fan', label: 'Fan', signals: ['fanCommand', 'fanSpeed', 'tacho'] },
  { id: 'volts', label: 'Outputs', signals: ['pumpVolts', 'fanVolts', 'diverterVolts', 'pilotValveVolts', 'gasValveVolts', 'elementVolts'] },
  {
    id: 'calls',
    label: 'Calls',
    signals: ['transformerVolts', 'heatingMotorVolts', 'heatCallVolts', 'hotWaterMotorVolts', 'hotWaterCallVolts', 'zone2MotorVolts', 'zone2CallVolts'],
  },
]

/** The groups a system has signals for. */
export function groupsOf(system: BoilerSystem): SignalGroup[] {
  const produced = producedSignals(system)
  return groups.flatMap(({ id, label, signals: names }) => {
    const own = names.filter((name) => produced.has(name))
    return own.length > 1 || (own.length === 1 && id !== 'sensors') ? [{ id, label, unit: signals[own[0]!][0], signals: own }] : []
  })
}

/** A signal’s name in words: `flowTemperature` is “flow temperature”. */
export function signalWords(name: SignalName): string {
  const words = name.replace(/([a-z])([A-Z])/g, '$1 $2').replace(/(\d)/g, ' $1 ')
  return words
    .split(' ')
    .filter(Boolean)
    .map((word) => (word === word.toUpperCase() ? word : word.toLowerCase()))
    .join(' ')
    .replace('carbon dioxide', 'CO2')
    .replace('carbon monoxide', 'CO')
    .replace('hot water', 'hot-water')
}
