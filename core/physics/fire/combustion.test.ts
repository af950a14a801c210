import fc from 'fast-check'
import psychrolib from 'psychrolib'
import { describe, expect, it } from 'vitest'
import {
  airRatioFromCarbonDioxide,
  airRatioFromOxygen,
  carbonDioxide,
  dewPoint,
  flueHeat,
  flueOxygen,
  fuels,
  saturationPressure,
  vapourPressure,
} from './combustion.ts'

psychrolib.SetUnitSystem(psychrolib.SI)
const { naturalGas, propane } = fuels
const gases = fc.constantFrom(naturalGas, propane)
const ratio = fc.double({ min: 1, max: 4, noNaN: true })

describe('stoichiometry of CH4 and C3H8', () => {
  it('gives 11.7 % and 13.7 % CO2 at most in dry products (textbook figures, from memory)', () => {
    expect(carbonDioxide(naturalGas, 1) * 100).toBeCloseTo(11.7, 1)
    expect(carbonDioxide(propane, 1) * 100).toBeCloseTo(13.7, 0)
  })

  it.each([
    [naturalGas, 1.25, 9.15, 4.4],
    [naturalGas, 1.31, 8.7, 5.3],
  ])('%o at air ratio %d: %d %% CO2, %d %% O2 (moles counted by hand)', (fuel, airRatio, carbon, oxygen) => {
    expect(carbonDioxide(fuel, airRatio) * 100).toBeCloseTo(carbon, 0)
    expect(flueOxygen(fuel, airRatio) * 100).toBeCloseTo(oxygen, 0)
  })

  it('every carbon atom leaves as CO2: moles balance', () => {
    fc.assert(
      fc.property(gases, ratio, (fuel, airRatio) => {
        const needed = fuel.carbon + fuel.hydrogen / 4
        const nitrogen = (needed * airRatio * 0.7905) / 0.2095
        const dry = fuel.carbon / carbonDioxide(fuel, airRatio)
        expect(dry).toBeCloseTo(fuel.carbon + nitrogen + needed * (airRatio - 1), 9)
        expect(flueOxygen(fuel, airRatio) * dry).toBeCloseTo(needed * (airRatio - 1), 9)
      }),
    )
  })

  it('air ratio from CO2 and from O2 go there and back', () => {
    fc.assert(
      fc.property(gases, ratio, (fuel, airRatio) => {
        expect(airRatioFromCarbonDioxide(fuel, carbonDioxide(fuel, airRatio))).toBeCloseTo(airRatio, 9)
        expect(airRatioFromOxygen(fuel, flueOxygen(fuel, airRatio))).toBeCloseTo(airRatio, 9)
      }),
    )
  })

  it('more CO2 than complete combustion can give is told by an air ratio below one', () => {
    expect(airRatioFromCarbonDioxide(naturalGas, 0.13)).toBeLessThan(1)
  })
})

describe('dew point', () => {
  it.each([
    [naturalGas, 1],
    [naturalGas, 1.2],
    [naturalGas, 1.3],
    [propane, 1],
    [propane, 1.4],
  ])('%o at air ratio %d agrees with psychrolib', (fuel, airRatio) => {
    expect(Math.abs(dewPoint(fuel, airRatio) - psychrolib.GetTDewPointFromVapPres(180, vapourPressure(fuel, airRatio)))).toBeLessThan(0.02)
  })

  it('natural gas 54–56 °C at usual settings, propane about 49 °C at 9.6 % CO2 (from memory)', () => {
    for (const share of [0.088, 0.096]) {
      const point = dewPoint(naturalGas, airRatioFromCarbonDioxide(naturalGas, share))
      expect(point).toBeGreaterThan(53.5)
      expect(point).toBeLessThan(56.5)
    }
    expect(Math.abs(dewPoint(propane, airRatioFromCarbonDioxide(propane, 0.096)) - 49)).toBeLessThan(1)
  })

  it.each([20, 40, 55, 80])('saturation pressure at %d °C agrees with psychrolib', (celsius) => {
    expect(saturationPressure(celsius) / psychrolib.GetSatVapPres(celsius)).toBeCloseTo(1, 6)
  })
})

describe('flue loss', () => {
  it('about 5 % at 120 K over the air and 9 % CO2, a common rule for natural gas (from memory)', () => {
    const airRatio = airRatioFromCarbonDioxide(naturalGas, 0.09)
    const { loss, regained } = flueHeat(naturalGas, airRatio, 140, 20)
    expect(loss * 100).toBeGreaterThan(4.5)
    expect(loss * 100).toBeLessThan(6.5)
    expect(regained).toBe(0)
  })

  it('condensing everything wins the difference of gross and net: 11 % for natural gas (EN 437: 37.78 over 34.02)', () => {
    expect(flueHeat(naturalGas, 1.25, 0, 0).regained * 100).toBeGreaterThan(9.5)
    expect(flueHeat(naturalGas, 1.25, 0, 0).regained * 100).toBeLessThan((37.78 / 34.02 - 1) * 100 + 0.5)
  })

  it('nothing condenses above the dew point, ever more below', () => {
    fc.assert(
      fc.property(gases, ratio, fc.double({ min: 0, max: 50, noNaN: true }), (fuel, airRatio, below) => {
        const point = dewPoint(fuel, airRatio)
        expect(flueHeat(fuel, airRatio, point + 0.5, 20).regained).toBe(0)
        expect(flueHeat(fuel, airRatio, point - below - 1, 20).regained).toBeGreaterThan(flueHeat(fuel, airRatio, point - below, 20).regained)
      }),
    )
  })
})
