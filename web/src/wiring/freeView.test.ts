import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { held, seenAt, shift } from './freeView.ts'

const size = { width: 1300, height: 700 }
const place = fc.record({ x: fc.double({ min: 0, max: 1300, noNaN: true }), y: fc.double({ min: 0, max: 700, noNaN: true }) })

describe('a map moved about in its view', () => {
  it('stands with a point where it was wanted, at any size', () => {
    fc.assert(
      fc.property(place, place, fc.double({ min: 0.2, max: 4, noNaN: true }), (at, where, scale) => {
        const seen = seenAt(size, scale, shift(size, scale, at, where), at)
        expect(seen.x).toBeCloseTo(where.x, 6)
        expect(seen.y).toBeCloseTo(where.y, 6)
      }),
    )
  })

  it('unmoved and in its own size shows everything where it was drawn', () => {
    expect(seenAt(size, 1, { x: 0, y: 0 }, { x: 40, y: 50 })).toEqual({ x: 40, y: 50 })
  })

  it('has a point in sight only well within its edges', () => {
    const view = { width: 390, height: 400 }
    const by = { x: 0, y: 0 }
    expect(held(size, 1, by, { x: 200, y: 200 }, view)).toBe(true)
    expect(held(size, 1, by, { x: 380, y: 200 }, view)).toBe(false)
    expect(held(size, 1, by, { x: 200, y: 10 }, view)).toBe(false)
    expect(held(size, 2, by, { x: 200, y: 200 }, view)).toBe(false)
  })
})
