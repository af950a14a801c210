import { nearestBeta } from '@dewpoint/core/physics'
import { describe, expect, it } from 'vitest'
import { asModelCurve, chartOf, curveBy } from './curveOf.ts'

const none = () => null

describe('a curve by what was chosen', () => {
  it('reads a pasted chart whatever its lines are parted by, with a decimal comma where it is not', () => {
    for (const text of [
      '22;11420\n60;2490\n82;1170',
      '22\t11420\n60\t2490\n82\t1170',
      '22,11420\n60,2490\n82,1170',
      '\uFEFFtemperature;resistance kΩ\n22;11,42\n60;2,49\n82;1,17',
    ]) {
      const { points, problems } = chartOf(text)
      expect([points.map(({ ohms }) => Math.round(ohms)), problems], text).toEqual([[11_420, 2490, 1170], []])
    }
  })

  it('says what is missing', () => {
    expect(curveBy('chart', undefined, none, '').problems[0]!.says).toContain('Paste the chart')
    expect(curveBy('three', undefined, none, '').problems[0]!.says).toContain('Three points')
    expect(curveBy('chart', undefined, none, 'x'.repeat(200_000)).problems[0]!.says).toContain('100 kB')
  })

  it('is the boiler’s own, else the usual class: 2.49 kΩ near 60 °C (common practice)', () => {
    for (const model of [undefined, { r0: 10_000, t0: 25, beta: 3977 }]) {
      const found = curveBy('model', model, none, '')
      expect(Math.abs(found.curve!.celsius(2490) - 60)).toBeLessThan(0.5)
    }
  })

  it('is kept by a model line by line', () => {
    const found = curveBy('chart', undefined, none, '22;11420\n60;2490\n82;1170')
    const kept = asModelCurve(found.curve!, nearestBeta(found.curve!, 20, 85).curve, chartOf('22;11420\n60;2490\n82;1170').points)
    expect(kept.points).toEqual([
      { celsius: 22, ohms: 11_420 },
      { celsius: 60, ohms: 2490 },
      { celsius: 82, ohms: 1170 },
    ])
  })
})
