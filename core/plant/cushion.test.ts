import { describe, expect, it } from 'vitest'
import { vesselPressure, vesselWater } from '../physics/index.ts'
import { Cushion } from './cushion.ts'

const of = (preCharge: number, pressure = 1.2, cushion = 1) => {
  const values: Record<string, number> = { 'vessel.volume': 8, 'vessel.cushion': cushion, 'vessel.preCharge': preCharge }
  return new Cushion((key) => values[key]!, pressure)
}
/** pressure after so much water came in, as it warms up */
const after = (preCharge: number, litres: number) => {
  const one = of(preCharge)
  one.add(litres)
  return one.pressure
}

describe('the water of a heating system against its vessel', () => {
  it('is at the pressure it was filled to, whatever gas is left, down to none', () => {
    for (const charge of [1, 0.5, 0, -0.5, -0.85, -0.95, -1]) {
      expect(after(charge, 0)).toBeCloseTo(1.2, 9)
      expect(after(charge, 1e-6)).toBeCloseTo(1.2, 3)
    }
  })

  it('rises by Boyle’s law, and the farther the less gas is left: a third of a litre lifts the valve where there is next to none', () => {
    expect(after(1, 0.3)).toBeCloseTo(vesselPressure(8, 1, vesselWater(8, 1, 1.2) + 0.3), 9)
    const rises = [1, 0.5, 0, -0.5, -0.85, -0.95, -1].map((charge) => after(charge, 0.3))
    for (let index = 1; index < rises.length; index++) expect(rises[index]!).toBeGreaterThanOrEqual(rises[index - 1]!)
    expect(rises.at(-1)!).toBeGreaterThan(3)
  })
})
