import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { strokesOf } from './strokes.ts'

describe('a drawn signature as paths', () => {
  it('is a line each, in whole pixels; a tap is a dot', () => {
    const line = {
      points: [
        { x: 1.2, y: 2 },
        { x: 1.5, y: 2.1 },
        { x: 20, y: 30.6 },
      ],
    }
    expect(strokesOf([line, { points: [] }, { points: [{ x: 5, y: 5 }] }])).toEqual(['M1 2L20 31', 'M5 5L6 5'])
  })

  it('fits the journal however long and however many, and keeps where it began and ended', () => {
    const point = fc.record({ x: fc.double({ min: 0, max: 900, noNaN: true }), y: fc.double({ min: 0, max: 300, noNaN: true }) })
    fc.assert(
      fc.property(fc.array(fc.record({ points: fc.array(point, { minLength: 2, maxLength: 900 }) }), { maxLength: 80 }), (groups) => {
        const strokes = strokesOf(groups)
        expect(strokes.length).toBe(Math.min(60, groups.length))
        strokes.forEach((one, index) => {
          expect(one.length).toBeLessThanOrEqual(2000)
          const last = groups[index]!.points.at(-1)!
          expect(one.endsWith(`L${Math.round(last.x)} ${Math.round(last.y)}`)).toBe(true)
        })
      }),
      { numRuns: 20 },
    )
  })
})
