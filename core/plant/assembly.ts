import type { BoilerSystem, Layout, SignalName } from '../system/index.ts'
import { modulatingFan, switchedFan } from './parts/fire/air.ts'
import { atmosphericBurner } from './parts/fire/atmospheric.ts'
import { board, progress } from './parts/controls/board.ts'
import { calls } from './parts/controls/calls.ts'
import { coil, cylinder, plate, radiators, store } from './parts/water/circuits.ts'
import { elements } from './parts/fire/electric.ts'
import { exchanger } from './parts/water/exchanger.ts'
import { pilotBurner } from './parts/fire/pilot.ts'
import { premixBurner } from './parts/fire/premix.ts'
import { pressure } from './parts/water/pressure.ts'
import { sensors } from './parts/controls/sensors.ts'
import { tap } from './parts/water/tap.ts'
import { ways } from './parts/water/ways.ts'
import type { Part } from './plant.ts'

const burners: Record<Layout['burner'], Part> = { premix: premixBurner, atmospheric: atmosphericBurner, pilot: pilotBurner, electric: elements }
const fans: Partial<Record<Layout['air'], Part>> = { tacho: modulatingFan, pressureSwitch: switchedFan }
const hotWaters: Partial<Record<Layout['hotWater'], Part>> = { plate, coil, cylinder, store }

/** The parts a layout is put together from, in the order they act in a step. */
export function assemble({ burner, air, hotWater, ways: kind }: Layout): Part[] {
  const fan = fans[air]
  const water = hotWaters[hotWater]
  return [
    calls,
    ...(water ? [tap] : []),
    sensors,
    board,
    ...(fan ? [fan] : []),
    burners[burner],
    ways,
    ...(water ? [water] : []),
    ...(kind === 'single' ? [] : [radiators]),
    exchanger,
    pressure,
    progress,
  ]
}

const always: SignalName[] = [
  ...(['stage', 'demand', 'status', 'code', 'displayOn', 'supplyVolts', 'pumpVolts', 'overheatOpen', 'flame', 'burnerPower'] as const),
  ...(['waterFlow', 'flowTemperature', 'returnTemperature', 'boilerRise'] as const),
  ...(['pressure', 'gauge', 'reliefFlow'] as const),
]
const gasBurning: SignalName[] = [
  ...(['fanVolts', 'fanSpeed', 'sparkOn', 'gasValveVolts', 'gasInlet', 'gasFlowing', 'flameCurrent', 'gasInput', 'gasRate'] as const),
  ...(['carbonDioxide', 'oxygen', 'carbonMonoxide', 'airCarbonDioxide', 'airOxygen', 'combustionRatio', 'flueTemperature'] as const),
]
const byBurner: Record<Layout['burner'], SignalName[]> = {
  premix: [...gasBurning, 'fanCommand'],
  atmospheric: [...gasBurning, 'burnerPressure'],
  pilot: [...gasBurning, 'burnerPressure', 'pilotValveVolts', 'pilotFlame', 'controlStatOpen'],
  electric: ['elementVolts', 'elementCurrent'],
}
const made: SignalName[] = ['hotWaterStage', 'tapFlow', 'tapTemperature', 'plateHeat']
const onTheSpot: SignalName[] = [...made, 'hotWaterTemperature', 'turbineFlow', 'hallFrequency', 'tapSignal', 'hotWaterSelected']
const kept: SignalName[] = [
  ...made,
  'plateFlow',
  'plateIn',
  'plateOut',
  'cylinderTemperature',
  'hotWaterTimerVolts',
  'hotWaterMotorVolts',
  'hotWaterValve',
  'hotWaterCallVolts',
  'permanentLiveVolts',
]
const byHotWater: Record<Layout['hotWater'], SignalName[]> = {
  plate: [...onTheSpot, 'plateFlow', 'plateIn', 'plateOut'],
  coil: onTheSpot,
  cylinder: [...kept, 'cylinderPressure', 'tundishFlow'],
  store: kept,
  none: [],
}
const rooms: SignalName[] = ['heatingStage', 'heatingTimerVolts', 'heatingMotorVolts', 'heatCallVolts', 'radiatorFlow', 'radiatorTemperature', 'radiatorHeat']
const byWays: Record<Layout['ways'], SignalName[]> = {
  diverter: [...rooms, 'diverterVolts', 'diverterPosition'],
  direct: rooms,
  twoPort: [...rooms, 'heatingValve', 'permanentLiveVolts'],
  gravity: rooms,
  zones: [...rooms, 'heatingValve', 'transformerVolts', 'zone2MotorVolts', 'zone2Valve', 'zone2CallVolts', 'zone2Temperature', 'plateFlow'],
  single: [],
}
const bySensor: [component: string, signal: SignalName[]][] = [
  ['flowThermistor', ['flowSensor', 'flowSensorError']],
  ['returnThermistor', ['returnSensor', 'returnSensorError']],
  ['hotWaterThermistor', ['hotWaterSensor', 'hotWaterSensorError']],
  ['pressureSensor', ['sensedPressure', 'pressureRise']],
]

/** Signals that depend on how the system is wired: where that is known it has those its scheme names. */
const ofTheControls: SignalName[] = [
  ...(['heatingTimerVolts', 'heatingMotorVolts', 'heatingValve', 'heatCallVolts', 'hotWaterTimerVolts', 'hotWaterMotorVolts'] as const),
  ...([
    'hotWaterValve',
    'hotWaterCallVolts',
    'permanentLiveVolts',
    'heatingLiveVolts',
    'transformerVolts',
    'zone2MotorVolts',
    'zone2Valve',
    'zone2CallVolts',
  ] as const),
]

/** The signals a system’s plant has; the others of the table stay 0 in its timelines. */
export function producedSignals({ layout, components, controls }: Pick<BoilerSystem, 'layout' | 'components' | 'controls'>): Set<SignalName> {
  const has = (id: string) => components.some((one) => one.id === id)
  const switched = layout.waterProof !== 'pressureRise' && layout.waterProof !== 'none'
  const produced = new Set<SignalName>([
    ...always,
    ...byBurner[layout.burner],
    ...(layout.air === 'tacho' ? (['tacho'] as const) : layout.air === 'pressureSwitch' ? (['airPressure', 'airSwitch', 'airSwitchRest'] as const) : []),
    ...byHotWater[layout.hotWater],
    ...byWays[layout.ways],
    ...(switched ? (['waterSwitch'] as const) : []),
    ...bySensor.flatMap(([component, names]) => (has(component) ? names : [])),
  ])
  if (!controls) return produced
  for (const signal of ofTheControls) produced.delete(signal)
  for (const signal of Object.keys({ ...controls.volts, ...controls.positions }) as SignalName[]) produced.add(signal)
  return produced
}
