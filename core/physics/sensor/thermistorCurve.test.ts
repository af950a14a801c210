import fc from 'fast-check'
import { lusolve } from 'mathjs'
import { describe, expect, it } from 'vitest'
import { nearestBeta, readableCurve, thermistorResistance, type ThermistorCurve } from '../index.ts'

const tenKilohm = { r0: 10_000, t0: 25, beta: 3977 }
/** a 10 kΩ class chart. Common practice */
const chart = [
  { celsius: 22, ohms: 11_420 },
  { celsius: 60, ohms: 2_490 },
  { celsius: 82, ohms: 1_170 },
]
const made = (curve: ThermistorCurve) => {
  const read = readableCurve(curve)
  if (!read.ok) throw new Error(read.problem)
  return read.curve
}

describe('three points by Steinhart and Hart', () => {
  it('has the coefficients a linear solve gives (mathjs lusolve; Steinhart and Hart, Deep-Sea Research 15 (1968) 497)', () => {
    const logs = chart.map(({ ohms }) => Math.log(ohms))
    const [a, b, c] = (
      lusolve(
        logs.map((l) => [1, l, l ** 3]),
        chart.map(({ celsius }) => 1 / (celsius + 273.15)),
      ) as number[][]
    ).map(([one]) => one!) as [number, number, number]
    const own = made({ kind: 'threePoints', points: chart })
    for (const ohms of [800, 1170, 1800, 2490, 5000, 11_420, 20_000]) {
      const l = Math.log(ohms)
      expect(own.celsius(ohms)).toBeCloseTo(1 / (a + b * l + c * l ** 3) - 273.15, 6)
    }
  })

  it('of a B-law comes back to that law within a hundredth of a kelvin', () => {
    const points = [0, 40, 90].map((celsius) => ({ celsius, ohms: thermistorResistance(celsius, tenKilohm) }))
    const own = made({ kind: 'threePoints', points })
    for (let celsius = 0; celsius <= 90; celsius += 10) expect(own.celsius(thermistorResistance(celsius, tenKilohm))).toBeCloseTo(celsius, 2)
  })

  it('refuses points whose resistance rises, or that no falling curve joins', () => {
    const rising = readableCurve({
      kind: 'threePoints',
      points: [
        { celsius: 20, ohms: 1000 },
        { celsius: 40, ohms: 2000 },
        { celsius: 60, ohms: 500 },
      ],
    })
    expect(rising).toEqual({ ok: false, problem: expect.stringContaining('From 20 to 40 °C the resistance does not fall') })
    const bent = readableCurve({
      kind: 'threePoints',
      points: [
        { celsius: 20, ohms: 10_000 },
        { celsius: 21, ohms: 100 },
        { celsius: 90, ohms: 99 },
      ],
    })
    expect(bent.ok).toBe(false)
    expect(readableCurve({ kind: 'threePoints', points: chart.slice(0, 2) }).ok).toBe(false)
  })
})

describe('a chart', () => {
  it('holds its own lines exactly and stays within half a kelvin of one B between them (common practice: 11.42, 2.49 and 1.17 kΩ)', () => {
    const own = made({ kind: 'chart', points: chart })
    for (const { celsius, ohms } of chart) {
      expect(own.ohms(celsius)).toBeCloseTo(ohms, 6)
      expect(own.celsius(ohms)).toBeCloseTo(celsius, 9)
    }
    for (let celsius = 22; celsius <= 82; celsius++) expect(Math.abs(own.celsius(thermistorResistance(celsius, tenKilohm)) - celsius)).toBeLessThan(0.5)
  })

  it.each<ThermistorCurve>([
    { kind: 'beta', curve: tenKilohm },
    { kind: 'threePoints', points: chart },
    { kind: 'chart', points: chart },
  ])('goes there and back: %o', (curve) => {
    const own = made(curve)
    fc.assert(
      fc.property(fc.double({ min: -15, max: 110, noNaN: true }), (celsius) => {
        expect(own.celsius(own.ohms(celsius))).toBeCloseTo(celsius, 6)
      }),
    )
  })

  it('is brought to the one B-value nearest it', () => {
    const exact = nearestBeta(made({ kind: 'beta', curve: { r0: 12_000, t0: 25, beta: 3740 } }), 20, 85)
    expect(exact.curve.r0).toBeCloseTo(12_000, 3)
    expect(exact.curve.beta).toBeCloseTo(3740, 6)
    expect(exact.worst).toBeLessThan(1e-6)
    const near = nearestBeta(made({ kind: 'chart', points: chart }), 22, 82)
    expect(Math.abs(near.curve.beta - 3977)).toBeLessThan(60)
    expect(near.worst).toBeLessThan(0.5)
  })
})
