/** Over-temperature the rated output of a radiator is given at, K. Source: EN 442. */
const ratedOver = 50

/**
 * Heat a radiator gives to its room, Φ = Φ₅₀·(Δ/50)^1.3. Source: EN 442, exponent of panel radiators.
 *
 * @param rated output at 50 K over the room, in any unit of power
 * @param meanCelsius mean water temperature
 * @param roomCelsius room temperature
 * @returns output in the unit of `rated`; 0 where the water is no warmer than the room
 */
export function radiatorOutput(rated: number, meanCelsius: number, roomCelsius: number): number {
  const over = meanCelsius - roomCelsius
  return over > 0 ? rated * Math.pow(over / ratedOver, 1.3) : 0
}
