import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { convert, counterpartOf, dimensionOf, formatQuantity, isUnit, unitsLike } from './index.ts'

describe('units (definitions of the SI brochure)', () => {
  it.each([
    [212, '°F', '°C', 100],
    [14.5037738, 'psi', 'bar', 1],
    [20, 'mbar', 'kPa', 2],
    [2.49, 'kΩ', 'Ω', 2490],
    [11.5, 'l/min', 'm³/h', 0.69],
    [1, 'ft³', 'l', 28.316846592],
    [35.3146667, 'ft³/h', 'm³/h', 1],
    [6000, 'rev/min', 'rev/min', 6000],
    [10, 'US gal', 'l', 37.85411784],
    [1, 'kW', 'Btu/h', 3412.141633],
    [37.78, 'MJ/m³', 'kWh/m³', 10.494444],
    [20, 'mbar', 'inH2O', 8.029484],
    [22, 'mm', 'in', 0.866142],
  ] as const)('%d %s is %s %d', (value, from, to, expected) => {
    expect(convert(value, from, to)).toBeCloseTo(expected, 6)
  })

  it('go there and back', () => {
    fc.assert(
      fc.property(fc.constantFrom(...unitsLike('bar')), fc.double({ min: -1, max: 100, noNaN: true }), (unit, value) => {
        expect(convert(convert(value, 'bar', unit), unit, 'bar')).toBeCloseTo(value, 9)
      }),
    )
  })

  it('each have the one of the other system beside them, of the same thing, and none more than one', () => {
    for (const unit of ['bar', '°C', 'l', 'kW', 'l/min', 'mbar', 'm³/h', 'MJ/m³', 'm', 'mm'] as const) {
      const other = counterpartOf(unit)!
      expect(dimensionOf(other)).toBe(dimensionOf(unit))
      expect(other).not.toBe(unit)
    }
    expect([counterpartOf('V'), counterpartOf('K')]).toEqual([undefined, undefined])
  })

  it('of different things are not converted', () => {
    expect(() => convert(1, 'bar', '°C')).toThrow('°C measures temperature')
  })

  it('are known by symbol only', () => {
    expect([isUnit('kΩ'), isUnit('toString'), isUnit('ohm')]).toEqual([true, false, false])
  })
})

describe('readings in words', () => {
  it.each([
    [2.4912, 'kΩ', '2.49 kΩ'],
    [41.23, 'Hz', '41.2 Hz'],
    [1300.4, 'rev/min', '1300 rev/min'],
    [1e9, 'kΩ', 'open'],
    [0.0009, '1', '0.0009'],
    [0.004, '1', '0.004'],
    [-0.05, 'bar', '-0.05 bar'],
    [1e-12, 'bar', '0 bar'],
    [0, 'V', '0 V'],
  ] as const)('%d %s is “%s”', (value, unit, words) => {
    expect(formatQuantity(value, unit)).toBe(words)
  })
})
