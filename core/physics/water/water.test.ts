import { describe, expect, it } from 'vitest'
import golden from './golden/water.json' with { type: 'json' }
import { heatToWater, waterDensity, waterSpecificHeat } from './water.ts'

describe('water against IAPWS-IF97 at 3 bar absolute (golden/water.py)', () => {
  it.each(golden)('at $celsius °C', ({ celsius, density, specificHeat }) => {
    expect(Math.abs(waterDensity(celsius) - density)).toBeLessThan(0.02)
    expect(Math.abs(waterSpecificHeat(celsius) - specificHeat)).toBeLessThan(1)
  })

  it('grows about 4 % from 5 to 95 °C (common practice; 3.958 % by IF97)', () => {
    expect((waterDensity(5) / waterDensity(95) - 1) * 100).toBeCloseTo(3.958, 2)
  })

  it('takes 24 kW for 10 l/min raised by 35 K (common practice)', () => {
    expect(heatToWater(10, 10, 45) / 1000).toBeCloseTo(24.4, 0)
  })
})
