/** Water in a radiator or a metre of pipe, l. Common practice, from memory of tables: steel panels 600 mm high, thin-walled copper. */
export const waterIn = {
  smallRadiator: 3,
  mediumRadiator: 6,
  largeRadiator: 10,
  towelRail: 4,
  metre10: 0.06,
  metre15: 0.145,
  metre22: 0.32,
  metre28: 0.54,
  /** a metre of underfloor pipe, 16 mm plastic */
  metreFloor: 0.11,
  boiler: 2.5,
} as const

/** What a system is made of. */
export type WaterPart = keyof typeof waterIn

/** Litres in a system from its radiators and lengths of pipe; `counts` pieces or metres, ≥ 0. */
export function waterContent(counts: Partial<Record<WaterPart, number>>): number {
  return (Object.keys(waterIn) as WaterPart[]).reduce((sum, part) => sum + waterIn[part] * (counts[part] ?? 0), 0)
}
