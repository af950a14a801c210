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
 * Source: SI brochure; psi, °F and the cubic foot by their definitions.
 */
const units = {
  '°C': unit('temperature', 1, 273.15),
  '°F': unit('temperature', 5 / 9, 459.67 * (5 / 9)),
  K: unit('temperatureDifference', 1),
  bar: unit('pressure', 1e5),
  mbar: unit('pressure', 100),
  kPa: unit('pressure', 1000),
  psi: unit('pressure', 6894.757),
  Ω: unit('resistance', 1),
  kΩ: unit('resistance', 1000),
  MΩ: unit('resistance', 1e6),
  'l/min': unit('volumeFlow', 1e-3 / 60),
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
  s: unit('time', 1),
  min: unit('time', 60),
  h: unit('time', 3600),
  l: unit('volume', 1e-3),
  'm³': unit('volume', 1),
  'ft³': unit('volume', 0.028316846592),
  '1': unit('ratio', 1),
  '%': unit('ratio', 0.01),
  ppm: unit('ratio', 1e-6),
  'rev/min': unit('rotation', 1 / 60),
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
