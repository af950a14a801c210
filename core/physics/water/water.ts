/**
 * Density of liquid water at heating-system pressure (about 3 bar absolute).
 *
 * Kell's rational polynomial at atmospheric pressure, raised by 0.094 kg/m³ for 2 bar of compression
 * (compressibility 4.6e-10 /Pa). Valid 0–100 °C, within 0.01 kg/m³ of IAPWS-IF97 there.
 * Source: G. S. Kell, J. Chem. Eng. Data 20 (1975) 97.
 *
 * @param celsius temperature, °C
 * @returns density, kg/m³
 */
export function waterDensity(celsius: number): number {
  const t = celsius
  const atmospheric = (999.83952 + t * (16.945176 + t * (-7.9870401e-3 + t * (-46.170461e-6 + t * (105.56302e-9 - t * 280.54253e-12))))) / (1 + 16.87985e-3 * t)
  return atmospheric + 0.094
}

/**
 * Specific heat of liquid water at heating-system pressure.
 *
 * Fourth-degree fit to IAPWS-IF97 at 3 bar absolute, 5–95 °C, within 0.7 J/(kg K).
 *
 * @param celsius temperature, °C
 * @returns isobaric specific heat, J/(kg K)
 */
export function waterSpecificHeat(celsius: number): number {
  const t = celsius
  return 4213.9129 + t * (-2.33658906 + t * (5.16348469e-2 + t * (-4.72269843e-4 + t * 1.93295725e-6)))
}

/**
 * Heat carried by a flow of water between two temperatures: flow × density × specific heat × rise.
 * The flow is metered cold, so the density is the inlet's.
 *
 * @param litresPerMinute volume flow at the inlet, l/min, ≥ 0
 * @returns power, W; negative when the water cools
 */
export function heatToWater(litresPerMinute: number, inletCelsius: number, outletCelsius: number): number {
  const massFlow = (litresPerMinute / 60000) * waterDensity(inletCelsius)
  return massFlow * waterSpecificHeat((inletCelsius + outletCelsius) / 2) * (outletCelsius - inletCelsius)
}
