import { waterDensity } from './water.ts'

/** Standard atmosphere, bar. Gauge pressures are above this. */
const atmosphere = 1.01325

/**
 * Gauge pressure of a closed system whose expansion vessel has taken in a volume of water.
 * The gas cushion obeys Boyle's law at constant temperature; EN 12828 sizes vessels by the same law.
 *
 * @param vesselLitres whole volume of the vessel, l, > 0
 * @param preCharge gas pressure with the water side empty, bar gauge; down to −1 for a vessel that has lost more gas than fills it at rest
 * @param waterLitres water in the vessel, l; below zero means the vessel is empty and the system has no cushion
 * @returns pressure, bar gauge; held at 40 bar when the water would leave less than a fiftieth of the gas
 */
export function vesselPressure(vesselLitres: number, preCharge: number, waterLitres: number): number {
  const gas = Math.max(vesselLitres - Math.max(waterLitres, 0), vesselLitres / 50)
  return Math.min(((preCharge + atmosphere) * vesselLitres) / gas - atmosphere, 40)
}

/**
 * Water a vessel holds at a pressure, the inverse of {@link vesselPressure}.
 *
 * @returns litres; 0 at or below the pre-charge
 */
export function vesselWater(vesselLitres: number, preCharge: number, pressure: number): number {
  return pressure <= preCharge ? 0 : vesselLitres * (1 - (preCharge + atmosphere) / (pressure + atmosphere))
}

/**
 * Growth of a volume of water warmed from one temperature to another.
 *
 * @returns litres gained, from the densities
 */
export function expansion(litres: number, fromCelsius: number, toCelsius: number): number {
  return litres * (waterDensity(fromCelsius) / waterDensity(toCelsius) - 1)
}

/**
 * Gauge pressure after warming a filled system, before any relief valve acts.
 *
 * @param system.litres water in the system, l
 * @param system.vesselLitres vessel volume, l
 * @param system.preCharge gas pressure with the water side empty, bar gauge
 * @param system.fill cold pressure, bar gauge
 */
export function hotPressure(system: { litres: number; vesselLitres: number; preCharge: number; fill: number }, fromCelsius: number, toCelsius: number): number {
  const cold = vesselWater(system.vesselLitres, system.preCharge, system.fill)
  return vesselPressure(system.vesselLitres, system.preCharge, cold + expansion(system.litres, fromCelsius, toCelsius))
}
