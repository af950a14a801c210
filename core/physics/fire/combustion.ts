/** A hydrocarbon by the atoms of one molecule, with its lower heating value. */
export interface Fuel {
  carbon: number
  hydrogen: number
  /** lower (net) heating value, kJ/mol */
  lowerHeat: number
}

/** Methane stands for natural gas (G20), propane for G31. Lower heating values at 25 °C from memory of data tables. */
export const fuels = {
  naturalGas: { carbon: 1, hydrogen: 4, lowerHeat: 802.6 },
  propane: { carbon: 3, hydrogen: 8, lowerHeat: 2043.1 },
} as const satisfies Record<string, Fuel>

/** A gas supplied to the appliance. */
export type GasId = keyof typeof fuels

/** Oxygen in dry air, by volume. */
const oxygen = 0.2095
/** moles of nitrogen that come with a mole of oxygen */
const nitrogenRatio = (1 - oxygen) / oxygen
const atmosphere = 101_325
/** heat of condensation of water near 40 °C, kJ/mol. Steam tables, from memory */
const condensation = 43.3

const oxygenNeeded = ({ carbon, hydrogen }: Fuel) => carbon + hydrogen / 4

/** Moles of dry products of one mole of fuel at an air ratio. */
function dryProducts(fuel: Fuel, airRatio: number): number {
  const needed = oxygenNeeded(fuel)
  return fuel.carbon + needed * (airRatio * nitrogenRatio + airRatio - 1)
}

/**
 * Carbon dioxide in the dry products of complete combustion. Source: stoichiometry of CxHy.
 *
 * @param airRatio air over the air needed, ≥ 1
 * @returns share by volume, 0–0.14
 */
export function carbonDioxide(fuel: Fuel, airRatio: number): number {
  return fuel.carbon / dryProducts(fuel, airRatio)
}

/**
 * Oxygen in the dry products of complete combustion. Source: stoichiometry of CxHy.
 *
 * @param airRatio air over the air needed, ≥ 1
 * @returns share by volume, 0–0.21
 */
export function flueOxygen(fuel: Fuel, airRatio: number): number {
  return (oxygenNeeded(fuel) * (airRatio - 1)) / dryProducts(fuel, airRatio)
}

/**
 * Air ratio from carbon dioxide in the dry products, the inverse of {@link carbonDioxide}.
 *
 * @param share CO2 by volume, > 0
 * @returns 1 for none to spare; below 1 when there is more CO2 than complete combustion can give
 */
export function airRatioFromCarbonDioxide(fuel: Fuel, share: number): number {
  const needed = oxygenNeeded(fuel)
  return (fuel.carbon / share - fuel.carbon + needed) / (needed * (nitrogenRatio + 1))
}

/**
 * Air ratio from oxygen in the dry products, the inverse of {@link flueOxygen}.
 *
 * @param share O2 by volume, 0 to below 0.2095
 */
export function airRatioFromOxygen(fuel: Fuel, share: number): number {
  const needed = oxygenNeeded(fuel)
  return (needed + share * (fuel.carbon - needed)) / (needed * (1 - share * (nitrogenRatio + 1)))
}

/**
 * Partial pressure of water vapour in the products, dry combustion air, standard atmosphere.
 *
 * @returns Pa
 */
export function vapourPressure(fuel: Fuel, airRatio: number): number {
  const water = fuel.hydrogen / 2
  return (atmosphere * water) / (water + dryProducts(fuel, airRatio))
}

/**
 * Saturation pressure of water vapour over liquid water, 0–200 °C.
 * Source: Hyland and Wexler 1983, as given in the ASHRAE Handbook, Fundamentals.
 *
 * @returns Pa
 */
export function saturationPressure(celsius: number): number {
  const t = celsius + 273.15
  return Math.exp(-5800.2206 / t + 1.3914993 + t * (-0.048640239 + t * (4.1764768e-5 - t * 1.4452093e-8)) + 6.5459673 * Math.log(t))
}

/**
 * Dew point of the products: the temperature at which their water begins to condense.
 * Newton's method on {@link saturationPressure}.
 *
 * @returns °C
 */
export function dewPoint(fuel: Fuel, airRatio: number): number {
  const wanted = Math.log(vapourPressure(fuel, airRatio))
  let celsius = 55
  for (let round = 0; round < 20; round++) {
    const miss = Math.log(saturationPressure(celsius)) - wanted
    const slope = (Math.log(saturationPressure(celsius + 0.01)) - miss - wanted) / 0.01
    celsius -= miss / slope
    if (Math.abs(miss) < 1e-12) break
  }
  return celsius
}

/**
 * What the products carry away and give back, as shares of the net heat of the fuel.
 *
 * Sensible heat with constant molar heat capacities (CO2 38.5, H2O 33.8, N2 29.2, O2 29.6 J/(mol K), means of 25–120 °C, from
 * memory); water condenses until what is left saturates the products at the flue temperature.
 *
 * @param flueCelsius temperature of the products where they leave the exchanger, 20–300 °C
 * @param airCelsius temperature of the combustion air
 * @returns `loss` sensible heat lost, `regained` heat of condensation won
 */
export function flueHeat(fuel: Fuel, airRatio: number, flueCelsius: number, airCelsius: number): { loss: number; regained: number } {
  const needed = oxygenNeeded(fuel)
  const water = fuel.hydrogen / 2
  const dry = dryProducts(fuel, airRatio)
  const capacity = 38.5 * fuel.carbon + 33.8 * water + 29.2 * needed * airRatio * nitrogenRatio + 29.6 * needed * (airRatio - 1)
  const saturated = Math.min(saturationPressure(flueCelsius) / atmosphere, 0.99)
  const left = Math.min(water, (dry * saturated) / (1 - saturated))
  return { loss: (capacity * (flueCelsius - airCelsius)) / 1000 / fuel.lowerHeat, regained: ((water - left) * condensation) / fuel.lowerHeat }
}
