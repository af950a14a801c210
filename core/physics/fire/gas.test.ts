import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { gasRate, heatInput, referenceGases } from './gas.ts'

describe('gas rate', () => {
  it.each([
    ['naturalGas', 24, 2.54],
    ['propane', 24, 0.98],
  ] as const)('%s: %d kW net uses %d m³/h (EN 437 calorific values, from memory)', (gas, kilowatts, cubicMetres) => {
    expect(gasRate(kilowatts, referenceGases[gas].net)).toBeCloseTo(cubicMetres, 2)
  })

  it('85 l in two minutes of natural gas is 26.8 kW gross, 24.1 kW net', () => {
    expect(heatInput(85, 120, referenceGases.naturalGas.gross)).toBeCloseTo(26.76, 1)
    expect(heatInput(85, 120, referenceGases.naturalGas.net)).toBeCloseTo(24.1, 1)
  })

  it('rate and input are each other’s inverse', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 60, noNaN: true }), fc.double({ min: 20, max: 100, noNaN: true }), (kilowatts, calorific) => {
        expect(heatInput(gasRate(kilowatts, calorific) * 1000, 3600, calorific)).toBeCloseTo(kilowatts, 9)
      }),
    )
  })

  it('refuses a time that is none', () => {
    expect(() => heatInput(85, 0, 34)).toThrow(RangeError)
  })
})
