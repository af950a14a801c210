import { heatInput, referenceGases, type GasId } from '../../physics/index.ts'

/** A meter timed over a volume. */
export interface MeterTimed {
  gas: GasId
  /** read off the meter, l */
  litres: number
  /** it took, s */
  seconds: number
  /** gross heating value, MJ/m³ at 15 °C and 1013.25 mbar; the reference gas without it */
  gross: number | null
  /** at the meter: gas temperature, °C, and pressure, mbar; null takes the volume as read */
  meterCelsius: number | null
  meterMillibar: number | null
  /** on the plate: heat input, kW */
  plate: number | null
  plateBasis: 'gross' | 'net'
  /** how far below and above the plate is right, as shares */
  below: number
  above: number
}

export interface GasRateAnswer {
  /** m³/h as read */
  rate: number
  /** volume as read times this is the volume at 15 °C and 1013.25 mbar */
  factor: number
  gross: number
  net: number
  /** share of the plate, on its own basis; null where no plate is given */
  ofPlate: number | null
  /** what is right, kW on the plate's basis */
  band: [number, number] | null
  verdict: 'read' | 'right' | 'under' | 'over'
  /** seconds the same volume would take at the plate */
  secondsAtPlate: number | null
  /** timed over too little to be told within the band: a second more or less moves it further */
  tooShort: boolean
}

/** hand and eye at start and stop, s. Chosen for this model */
const hand = 0.5

/**
 * Gas rate and heat input from a meter timed over a volume, against the plate. Heating values of EN 437, or as billed.
 *
 * @throws RangeError for a time or a volume that is not positive
 */
export function gasRateAnswer({
  gas,
  litres,
  seconds,
  gross: billed,
  meterCelsius,
  meterMillibar,
  plate,
  plateBasis,
  below,
  above,
}: MeterTimed): GasRateAnswer {
  if (!(litres > 0)) throw new RangeError(`a gas rate needs the volume that was timed, not ${litres}`)
  const reference = referenceGases[gas]
  const factor = (288.15 / ((meterCelsius ?? 15) + 273.15)) * ((1013.25 + (meterMillibar ?? 0)) / 1013.25)
  const gross = heatInput(litres * factor, seconds, billed ?? reference.gross)
  const net = gross * (reference.net / reference.gross)
  const own = plateBasis === 'gross' ? gross : net
  const ofPlate = plate === null ? null : own / plate
  return {
    rate: (litres / 1000 / seconds) * 3600,
    factor,
    gross,
    net,
    ofPlate,
    band: plate === null ? null : [plate * (1 - below), plate * (1 + above)],
    verdict: ofPlate === null ? 'read' : ofPlate < 1 - below ? 'under' : ofPlate > 1 + above ? 'over' : 'right',
    secondsAtPlate: ofPlate === null ? null : seconds * ofPlate,
    tooShort: (hand * Math.SQRT2) / seconds > Math.min(below, above) / 2,
  }
}

/** Relative density of a gas, air 1. From memory of EN 437 */
const density = { naturalGas: 0.555, propane: 1.55 } as const satisfies Record<GasId, number>

/**
 * Pressure lost along a straight pipe of low-pressure gas, Pole's formula: Q = 0.0071·√(d⁵·h/(s·l)), with Q in m³/h, d in mm, h in mbar, l in m.
 * From memory of installers' handbooks.
 *
 * @param cubicMetresPerHour flow
 * @param millimetres bore
 * @param metres length, bends counted in as common practice has it
 * @returns mbar
 */
export function pipeDrop(gas: GasId, cubicMetresPerHour: number, millimetres: number, metres: number): number {
  return (density[gas] * metres * (cubicMetresPerHour / 0.0071) ** 2) / millimetres ** 5
}
