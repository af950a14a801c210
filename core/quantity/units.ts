/** A physical dimension in which readings are taken. */
export type Dimension =
  | 'temperature'
  | 'temperatureDifference'
  | 'pressure'
  | 'resistance'
  | 'volumeFlow'
  | 'voltage'
  | 'current'
  | 'frequency'
  | 'power'
  | 'time'
  | 'volume'
  | 'ratio'
  | 'rotation'
  | 'length'
  | 'heatingValue'

interface Unit {
  readonly dimension: Dimension
  /** SI value = value × factor + offset */
  readonly factor: number
  readonly offset: number
}

const unit = (dimension: Dimension, factor: number, offset = 0): Unit => ({ dimension, factor, offset })

/**
 * Units a reading may be typed in. SI inside: K, Pa, Ω, m³/s, V, A, Hz, W, s, m³, 1.
 * Pressures are gauge pressures. Rotation is kept in revolutions per second.
 * Source: SI brochure; psi, °F, foot, US gallon and Btu (of the international table) by their definitions; a column of water at 4 °C.
 */
const units = {
  '°C': unit('temperature', 1, 273.15),
  '°F': unit('temperature', 5 / 9, 459.67 * (5 / 9)),
  K: unit('temperatureDifference', 1),
  bar: unit('pressure', 1e5),
  mbar: unit('pressure', 100),
  kPa: unit('pressure', 1000),
  psi: unit('pressure', 6894.757),
  inH2O: unit('pressure', 249.082),
  Ω: unit('resistance', 1),
  kΩ: unit('resistance', 1000),
  MΩ: unit('resistance', 1e6),
  'l/min': unit('volumeFlow', 1e-3 / 60),
  'US gal/min': unit('volumeFlow', 3.785411784e-3 / 60),
  'm³/h': unit('volumeFlow', 1 / 3600),
  'ft³/h': unit('volumeFlow', 0.028316846592 / 3600),
  V: unit('voltage', 1),
  mV: unit('voltage', 1e-3),
  µA: unit('current', 1e-6),
  mA: unit('current', 1e-3),
  A: unit('current', 1),
  Hz: unit('frequency', 1),
  kW: unit('power', 1000),
  W: unit('power', 1),
  'Btu/h': unit('power', 1055.05585262 / 3600),
  s: unit('time', 1),
  min: unit('time', 60),
  h: unit('time', 3600),
  l: unit('volume', 1e-3),
  'US gal': unit('volume', 3.785411784e-3),
  'm³': unit('volume', 1),
  'ft³': unit('volume', 0.028316846592),
  '1': unit('ratio', 1),
  '%': unit('ratio', 0.01),
  ppm: unit('ratio', 1e-6),
  'rev/min': unit('rotation', 1 / 60),
  m: unit('length', 1),
  mm: unit('length', 1e-3),
  ft: unit('length', 0.3048),
  in: unit('length', 0.0254),
  'MJ/m³': unit('heatingValue', 1e6),
  'kWh/m³': unit('heatingValue', 3.6e6),
  'Btu/ft³': unit('heatingValue', 1055.05585262 / 0.028316846592),
} as const satisfies Record<string, Unit>

/** The symbol of a known unit. */
export type UnitSymbol = keyof typeof units

/** Whether `symbol` is a unit Dewpoint knows. */
export function isUnit(symbol: string): symbol is UnitSymbol {
  return Object.hasOwn(units, symbol)
}

/** The dimension a unit measures. */
export function dimensionOf(symbol: UnitSymbol): Dimension {
  return units[symbol].dimension
}

/** Every unit of the same dimension as `symbol`, that one first. */
export function unitsLike(symbol: UnitSymbol): UnitSymbol[] {
  const others = (Object.keys(units) as UnitSymbol[]).filter((other) => other !== symbol && units[other].dimension === units[symbol].dimension)
  return [symbol, ...others]
}

/**
 * Converts a value between two units of one dimension.
 *
 * @throws RangeError if the units measure different things
 */
export function convert(value: number, from: UnitSymbol, to: UnitSymbol): number {
  const a = units[from]
  const b = units[to]
  if (a.dimension !== b.dimension) {
    throw new RangeError(`${from} measures ${a.dimension}, ${to} measures ${b.dimension}: give a value in ${unitsLike(to).join(', ')}`)
  }
  if (from === to) return value
  return (value * a.factor + a.offset - b.offset) / b.factor
}

/** Beside each unit the one whoever measures in the other system of units would read. */
const counterparts: Partial<Record<UnitSymbol, UnitSymbol>> = {
  '°C': '°F',
  '°F': '°C',
  bar: 'psi',
  psi: 'bar',
  mbar: 'inH2O',
  inH2O: 'mbar',
  kPa: 'psi',
  'l/min': 'US gal/min',
  'US gal/min': 'l/min',
  'm³/h': 'ft³/h',
  'ft³/h': 'm³/h',
  kW: 'Btu/h',
  'Btu/h': 'kW',
  l: 'US gal',
  'US gal': 'l',
  'm³': 'ft³',
  'ft³': 'm³',
  m: 'ft',
  ft: 'm',
  mm: 'in',
  in: 'mm',
  'MJ/m³': 'Btu/ft³',
  'kWh/m³': 'MJ/m³',
  'Btu/ft³': 'MJ/m³',
  Ω: 'kΩ',
  kΩ: 'Ω',
}

/** The unit of the other system, metric or imperial, for what `symbol` measures; nothing where both use the same. */
export function counterpartOf(symbol: UnitSymbol): UnitSymbol | undefined {
  return counterparts[symbol]
}
