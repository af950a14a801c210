/**
 * Effectiveness of a counterflow heat exchanger by the effectiveness–NTU method.
 *
 * ε = (1 − e^(−NTU(1−c))) / (1 − c·e^(−NTU(1−c))), and NTU/(1+NTU) at c = 1.
 * Source: any heat-transfer textbook (Kays and London, Compact Heat Exchangers).
 *
 * @param conductance overall conductance UA, W/K, ≥ 0
 * @param hotCapacity capacity flow of the hot side, W/K, ≥ 0
 * @param coldCapacity capacity flow of the cold side, W/K, ≥ 0
 * @returns share of the greatest possible heat that is exchanged, 0–1
 */
export function counterflowEffectiveness(conductance: number, hotCapacity: number, coldCapacity: number): number {
  const least = Math.min(hotCapacity, coldCapacity)
  if (least <= 0 || conductance <= 0) return 0
  const c = least / Math.max(hotCapacity, coldCapacity)
  const ntu = conductance / least
  if (1 - c < 1e-9) return ntu / (1 + ntu)
  const decay = Math.exp(-ntu * (1 - c))
  return (1 - decay) / (1 - c * decay)
}

/**
 * Heat exchanged in a counterflow exchanger from its two inlet temperatures.
 *
 * @returns power from hot to cold, W; negative when the "cold" side is the hotter
 */
export function counterflowHeat(conductance: number, hotCapacity: number, coldCapacity: number, hotInlet: number, coldInlet: number): number {
  const effectiveness = counterflowEffectiveness(conductance, hotCapacity, coldCapacity)
  return effectiveness * Math.min(hotCapacity, coldCapacity) * (hotInlet - coldInlet)
}

/**
 * Effectiveness of an exchanger one side of which keeps its temperature (a coil in a store), ε = 1 − e^(−NTU).
 * Source: any heat-transfer textbook.
 *
 * @param conductance overall conductance UA, W/K, ≥ 0
 * @param capacity capacity flow of the flowing side, W/K, ≥ 0
 */
export function coilEffectiveness(conductance: number, capacity: number): number {
  return capacity <= 0 || conductance <= 0 ? 0 : 1 - Math.exp(-conductance / capacity)
}

/**
 * Log-mean of the temperature differences at the two ends of an exchanger, K.
 * Source: any heat-transfer textbook.
 *
 * @param one difference at one end, K, > 0
 * @param other difference at the other end, K, > 0
 */
export function logMeanDifference(one: number, other: number): number {
  return Math.abs(one - other) < 1e-9 ? one : (one - other) / Math.log(one / other)
}
