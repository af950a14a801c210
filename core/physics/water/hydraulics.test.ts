import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { circulation, conductance, resistanceFor } from './hydraulics.ts'
import { radiatorOutput } from './radiator.ts'

const positive = (min: number, max: number) => fc.double({ min, max, noNaN: true })

describe('pump against resistance', () => {
  it('meets where both curves are equal', () => {
    fc.assert(
      fc.property(positive(0.05, 1), positive(1e-5, 1e-3), positive(1e-5, 1e-1), (shutOff, fall, resistance) => {
        const flow = circulation({ shutOff, fall }, resistance)
        expect(shutOff - fall * flow * flow).toBeCloseTo(resistance * flow * flow, 9)
      }),
    )
  })

  it('passes nothing when shut or stopped', () => {
    expect(circulation({ shutOff: 0.6, fall: 1e-4 }, Infinity)).toBe(0)
    expect(circulation({ shutOff: 0, fall: 1e-4 }, 1e-3)).toBe(0)
  })

  it('parallel ways share one pressure and their flows add up', () => {
    fc.assert(
      fc.property(positive(1e-4, 1e-2), positive(1e-4, 1e-2), positive(0.1, 1), (a, b, openness) => {
        const [toA, toB] = [conductance(a, 1), conductance(b, openness)]
        const flow = circulation({ shutOff: 0.6, fall: 3e-4 }, 1 / (toA + toB) ** 2)
        const [flowA, flowB] = [(flow * toA) / (toA + toB), (flow * toB) / (toA + toB)]
        expect(flowA + flowB).toBeCloseTo(flow, 9)
        expect(a * flowA * flowA).toBeCloseTo((b / openness ** 2) * flowB * flowB, 9)
      }),
    )
  })

  it('a resistance is what it was sized for', () => {
    expect(resistanceFor(0.2, 10) * 10 * 10).toBeCloseTo(0.2, 12)
  })
})

describe('radiator (EN 442, exponent 1.3)', () => {
  it.each([
    [50, 1],
    [30, 0.515],
    [25, 0.406],
    [0, 0],
  ])('at %d K over the room gives %d of its rating', (over, share) => {
    expect(radiatorOutput(1, 20 + over, 20)).toBeCloseTo(share, 3)
  })
})
