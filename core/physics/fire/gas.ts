/** Heat in a cubic metre of gas, MJ/m³ at 15 °C and 1013.25 mbar, dry. */
interface CalorificValue {
  gross: number
  net: number
}

/**
 * The reference gases. Source: EN 437, figures from memory. Gas as supplied differs: use the billed value where it is known.
 */
export const referenceGases = {
  naturalGas: { gross: 37.78, net: 34.02 },
  propane: { gross: 95.65, net: 88.0 },
} as const satisfies Record<string, CalorificValue>

/**
 * Gas used at a heat input: input over calorific value.
 *
 * @param kilowatts heat input, kW, on the basis `calorific` is given on
 * @param calorific MJ/m³, > 0
 * @returns m³/h
 */
export function gasRate(kilowatts: number, calorific: number): number {
  return (kilowatts * 3.6) / calorific
}

/**
 * Heat input from the meter: a volume over a time.
 *
 * @param litres read off the meter, l
 * @param seconds it took, s, > 0
 * @param calorific MJ/m³
 * @returns kW, on the basis `calorific` is given on
 * @throws RangeError for a time that is not positive
 */
export function heatInput(litres: number, seconds: number, calorific: number): number {
  if (!(seconds > 0)) throw new RangeError(`a gas rate needs the seconds it was timed over, not ${seconds}`)
  return (litres * calorific) / seconds
}
