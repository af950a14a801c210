import type { Check } from '@dewpoint/core/diagnosis'
import type { Conductor, ControlScheme } from '@dewpoint/core/system'

/** How far along the call a device stands, from the supply to the boiler's demand terminal. */
const devices: [RegExp, number][] = [
  [/^(supply|fusedSpur|isolator)/, 0],
  [/^transformer/, 0.1],
  [/^programmer/, 0.25],
  [/(Stat|stat)$|^highLimit/, 0.5],
  [/(Valve|valve)$/, 0.75],
  [/^(boiler|board|contactor)/, 1],
]
const alongOf = (terminal: string) => devices.find(([name]) => name.test(terminal.split('.')[0]!))?.[1]

/** Checks of the call that are made on every system, by where they test it. */
const checks: Record<string, NonNullable<Check['along']>> = {
  'measure.supplyFuse': { place: 0 },
  'measure.polarity': { place: 0.02 },
  'measure.supply': { place: 0.05 },
  'measure.transformerFuse': { place: 0.08 },
  'measure.transformer': { place: 0.1 },
  'look.programmer': { place: 0.2 },
  'look.programmeSet': { place: 0.22 },
  'measure.heatingOutput': { place: 0.25, demand: 'heating' },
  'measure.hotWaterOutput': { place: 0.25, demand: 'hotWater' },
  'look.statSetting': { place: 0.45, demand: 'heating' },
  'measure.statBatteries': { place: 0.47, demand: 'heating' },
  'measure.roomStat': { place: 0.5, demand: 'heating' },
  'look.cylinderStat': { place: 0.48, demand: 'hotWater' },
  'measure.cylinderStat': { place: 0.5, demand: 'hotWater' },
  'look.highLimit': { place: 0.55, demand: 'hotWater' },
  'measure.heatingWire': { place: 0.85, demand: 'heating' },
  'measure.hotWaterWire': { place: 0.85, demand: 'hotWater' },
  'measure.heatCall': { place: 1, demand: 'heating' },
}

/** Where a check tests the call: by its row, or of a conductor between the devices it joins. */
export function alongTheCall(id: string, scheme?: ControlScheme): Pick<Check, 'along'> {
  const conductor = id.startsWith('measure.core.') ? scheme?.conductors.find((one) => one.id === id.slice('measure.core.'.length)) : undefined
  const place = conductor ? between(conductor) : undefined
  const along = checks[id] ?? (place === undefined ? undefined : { place })
  return along ? { along } : {}
}

function between({ from, to }: Conductor): number | undefined {
  const ends = [alongOf(from), alongOf(to)]
  return ends[0] === undefined || ends[1] === undefined ? undefined : (ends[0] + ends[1]) / 2
}
