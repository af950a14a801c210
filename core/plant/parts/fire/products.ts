import { airRatioFromCarbonDioxide, carbonDioxide, flueHeat, flueOxygen, fuels, gasRate, referenceGases } from '../../../physics/index.ts'
import { signalIndex as S } from '../../../system/index.ts'
import { clamp, type Plant } from '../../plant.ts'

/** O2 in fresh air, % of volume */
const fresh = 20.95

/** The gas a system burns; an electric one has none. */
function fuelOf({ system }: Plant) {
  const gas = system.gas === 'none' ? 'naturalGas' : system.gas
  return { fuel: fuels[gas], net: referenceGases[gas].net }
}

/**
 * Writes what leaves by the flue: CO2, O2, CO, the flue's temperature and what leaks back into the air.
 * CO is little while air is to spare and climbs steeply as the air ratio nears one; a dirty or damaged burner multiplies it. From memory.
 *
 * @returns writes the products for a CO2 share; call with 0 for no flame
 */
export function products(plant: Plant): (carbonDioxideShare: number, rate: number) => void {
  const { s, clock, value, optional } = plant
  const { fuel, net } = fuelOf(plant)
  const dirt = optional('burner.dirt', 1)
  const approach = value('exchanger.approach') * optional('exchanger.dirt', 1)
  const leakBack = optional('flue.leakBack', 0)
  return (share, rate) => {
    // nothing in the plant hangs on them: what is not recorded need not be known
    if (clock[2]! < 0.5) return
    if (share <= 0) {
      s[S.carbonDioxide] = s[S.carbonMonoxide] = s[S.airCarbonDioxide] = s[S.gasRate] = 0
      s[S.combustionRatio] = 0
      s[S.oxygen] = s[S.airOxygen] = fresh
      s[S.flueTemperature] = s[S.returnTemperature]!
      return
    }
    // products drawn back in take the place of air
    const ratio = airRatioFromCarbonDioxide(fuel, share) * (1 - leakBack)
    const lean = Math.max(ratio, 1)
    s[S.carbonDioxide] = 100 * carbonDioxide(fuel, lean)
    s[S.oxygen] = 100 * flueOxygen(fuel, lean)
    const scarce = Math.max(1.16 - ratio, 0)
    s[S.carbonMonoxide] = Math.min(dirt * (25 + 50 * rate) + 60_000 * scarce * scarce, 9000)
    s[S.combustionRatio] = s[S.carbonMonoxide]! / 10_000 / Math.max(s[S.carbonDioxide]!, 0.1)
    s[S.airCarbonDioxide] = leakBack * s[S.carbonDioxide]!
    s[S.airOxygen] = fresh - leakBack * (fresh - s[S.oxygen]!)
    s[S.flueTemperature] = s[S.returnTemperature]! + approach * (0.5 + 0.5 * rate)
    s[S.gasRate] = gasRate(s[S.gasInput]!, net)
  }
}

/**
 * Share of the net heat of the gas that reaches the water, by return temperature: products leave warmer than the return by the
 * exchanger's approach; below their dew point they give back heat of condensation. Tabulated once a run.
 *
 * @param clean as the appliance was rated: its gas rate follows from that whatever the exchanger has become
 */
export function efficiency(plant: Plant, clean = false): (returnCelsius: number) => number {
  const { value, optional } = plant
  if (plant.system.gas === 'none') return () => 1
  const { fuel } = fuelOf(plant)
  const approach = value('exchanger.approach') * (clean ? 1 : optional('exchanger.dirt', 1))
  const ratio = Math.max(airRatioFromCarbonDioxide(fuel, value('burner.ratedCarbonDioxide') / 100), 1)
  const table = new Float64Array(24)
  for (let index = 0; index < table.length; index++) {
    const { loss, regained } = flueHeat(fuel, ratio, index * 5 + approach, 20)
    table[index] = 1 - loss + regained
  }
  return (celsius) => {
    const place = clamp(celsius / 5, 0, table.length - 1.001)
    const index = Math.floor(place)
    return table[index]! + (place - index) * (table[index + 1]! - table[index]!)
  }
}
