import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { thermistorResistance, thermistorTemperature } from './thermistor.ts'

const tenKilohm = { r0: 10_000, t0: 25, beta: 3977 }

describe('thermistor', () => {
  it.each([
    [11_420, 22],
    [2_490, 60],
    [1_170, 82],
  ])('%d Ω on a 10 kΩ class sensor is %d °C (common practice, chart)', (ohms, celsius) => {
    expect(Math.abs(thermistorTemperature(ohms, tenKilohm) - celsius)).toBeLessThan(0.5)
  })

  it('gives 11.45, 2.46 and 1.18 kΩ at 22, 60 and 82 °C for one B of 3977 (common practice)', () => {
    const kilohms = [22, 60, 82].map((celsius) => Number((thermistorResistance(celsius, tenKilohm) / 1000).toFixed(2)))
    expect(kilohms).toEqual([11.45, 2.46, 1.18])
  })

  it('goes there and back', () => {
    fc.assert(
      fc.property(fc.double({ min: -20, max: 120, noNaN: true }), (celsius) => {
        expect(thermistorTemperature(thermistorResistance(celsius, tenKilohm), tenKilohm)).toBeCloseTo(celsius, 8)
      }),
    )
  })

  it('refuses a resistance that is none', () => {
    expect(() => thermistorTemperature(0, tenKilohm)).toThrow(RangeError)
    expect(() => thermistorResistance(-300, tenKilohm)).toThrow(RangeError)
  })
})
