import { describe, expect, it } from 'vitest'
import { readableCurve } from '../../physics/index.ts'
import { rangeFor, thermistorAnswer, thermistorTable } from './thermistor.ts'

const read = readableCurve({ kind: 'beta', curve: { r0: 10_000, t0: 25, beta: 3977 } })
if (!read.ok) throw new Error(read.problem)
const { curve } = read
const asked = { curve, ohms: null, celsius: null, highLimit: 85, within: 3 }

describe('a thermistor against its chart', () => {
  it.each([
    [11_420, 22],
    [2_490, 60],
    [1_170, 82],
  ])('%d Ω is %d °C within half a kelvin (common practice, 10 kΩ class chart)', (ohms, celsius) => {
    const answer = thermistorAnswer({ ...asked, ohms })
    expect(Math.abs(answer.told! - celsius)).toBeLessThan(0.5)
    expect(answer.verdict).toBe('read')
    expect(thermistorAnswer({ ...asked, ohms, celsius }).verdict).toBe('right')
  })

  it('a flow sensor reading 1.30 kΩ at a true 60 °C makes the high limit act near a true 63 °C (common practice: “at a true 60”)', () => {
    const { error, limitActsAt, verdict } = thermistorAnswer({ ...asked, ohms: 1300, celsius: 60 })
    expect(verdict).toBe('high')
    // half the chart’s resistance is about 19 K high (common practice: 1 to 25 K and more)
    expect(error).toBeGreaterThan(17)
    expect(error).toBeLessThan(20)
    expect(limitActsAt).toBeGreaterThan(60)
    expect(limitActsAt).toBeLessThan(67)
  })

  it('a sensor that is right lets the limit act where it stands', () => {
    expect(thermistorAnswer({ ...asked, ohms: curve.ohms(60), celsius: 60 }).limitActsAt).toBeCloseTo(85, 6)
  })

  it('reading low lets the boiler run hotter than its limit', () => {
    const { verdict, limitActsAt } = thermistorAnswer({ ...asked, ohms: 3600, celsius: 60 })
    expect(verdict).toBe('low')
    expect(limitActsAt).toBeGreaterThan(90)
  })

  it('open and short are no temperatures', () => {
    expect(thermistorAnswer({ ...asked, ohms: 5e6, celsius: 20 })).toMatchObject({ verdict: 'open', told: null, error: null })
    expect(thermistorAnswer({ ...asked, ohms: 2 })).toMatchObject({ verdict: 'short', told: null })
    expect(thermistorAnswer(asked).verdict).toBe('nothing')
  })

  it('finds the range to set (common practice: the smallest that holds it)', () => {
    const ranges = [200, 2000, 20_000, 200_000]
    expect([rangeFor(2490, ranges), rangeFor(1990, ranges), rangeFor(2e6, ranges)]).toEqual([20_000, 2000, undefined])
  })

  it('is a table at any step, and never an endless one', () => {
    expect(thermistorTable(curve, 0, 10, 2.5).map(({ celsius }) => celsius)).toEqual([0, 2.5, 5, 7.5, 10])
    expect(thermistorTable(curve, 90, 20, 5)).toHaveLength(15)
    expect(thermistorTable(curve, -40, 150, 0).length).toBeLessThanOrEqual(1001)
  })
})
