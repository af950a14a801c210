import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { coilEffectiveness, counterflowEffectiveness, counterflowHeat, logMeanDifference } from './exchanger.ts'

const positive = (min: number, max: number) => fc.double({ min, max, noNaN: true })

describe('counterflow exchanger', () => {
  it('is NTU/(1+NTU) when both flows carry the same (heat-transfer textbooks)', () => {
    expect(counterflowEffectiveness(800, 800, 800)).toBeCloseTo(0.5, 12)
  })

  it('is 1−exp(−NTU) when one side does not change temperature (heat-transfer textbooks)', () => {
    expect(counterflowEffectiveness(500, 250, 1e12)).toBeCloseTo(1 - Math.exp(-2), 9)
  })

  it('agrees with heat = conductance × log-mean difference, and never crosses temperatures', () => {
    fc.assert(
      fc.property(positive(50, 2000), positive(100, 1500), positive(100, 1500), (ua, hot, cold) => {
        fc.pre(Math.abs(hot / cold - 1) > 1e-3)
        const heat = counterflowHeat(ua, hot, cold, 80, 10)
        const atHotEnd = 80 - (10 + heat / cold)
        const atColdEnd = 80 - heat / hot - 10
        expect(Math.min(atHotEnd, atColdEnd)).toBeGreaterThanOrEqual(-1e-9)
        fc.pre(Math.min(atHotEnd, atColdEnd) > 1e-3)
        const logMean = (atHotEnd - atColdEnd) / Math.log(atHotEnd / atColdEnd)
        expect((ua * logMean) / heat).toBeCloseTo(1, 6)
      }),
    )
  })

  it('exchanges nothing without flow', () => {
    expect(counterflowHeat(800, 0, 500, 80, 10)).toBe(0)
  })
})

describe('a coil in a store', () => {
  it('is the counterflow exchanger whose other side never changes', () => {
    expect(coilEffectiveness(650, 900)).toBeCloseTo(counterflowEffectiveness(650, 900, 1e12), 6)
  })

  it('has the log-mean difference of its two ends', () => {
    const [flow, store, capacity, conductance] = [70, 40, 900, 650]
    const heat = coilEffectiveness(conductance, capacity) * capacity * (flow - store)
    const back = flow - heat / capacity
    expect(conductance * logMeanDifference(flow - store, back - store)).toBeCloseTo(heat, 6)
    expect(logMeanDifference(20, 20)).toBe(20)
  })
})
