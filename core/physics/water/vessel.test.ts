import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { expansion, hotPressure, vesselPressure, vesselWater } from './vessel.ts'

describe('expansion vessel of 8 l at 1.0 bar, 10 → 70 °C (common practice; each confirmed by this sum)', () => {
  const at = (litres: number, fill: number) => hotPressure({ litres, vesselLitres: 8, preCharge: 1, fill }, 10, 70)

  it.each([
    [60, 1.2, 1.7],
    [100, 1.0, 1.8],
    [100, 1.2, 2.2],
    [100, 1.5, 2.9],
  ])('%d l filled at %d bar reaches about %d bar hot', (litres, fill, hot) => {
    expect(Math.abs(at(litres, fill) - hot)).toBeLessThan(0.1)
  })

  it('120 l filled at 1.5 bar lifts a 3 bar relief valve', () => {
    expect(at(120, 1.5)).toBeGreaterThan(3)
  })
})

describe('the gas law', () => {
  it('pressure and water are each other’s inverse', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.2, max: 2, noNaN: true }), fc.double({ min: 0.1, max: 6, noNaN: true }), (charge, litres) => {
        expect(vesselWater(8, charge, vesselPressure(8, charge, litres))).toBeCloseTo(litres, 6)
      }),
    )
  })

  it('water cooled to where it began has grown by nothing', () => {
    expect(expansion(100, 20, 20)).toBe(0)
  })
})
