import { schemesOf, stockCatalogues } from '@dewpoint/trade'
import { describe, expect, it } from 'vitest'
import { layoutOf } from './layout.ts'

const schemes = [...new Set(Object.keys(stockCatalogues).flatMap(schemesOf))]

describe.each(schemes.map((one) => [one.id, one] as const))('the drawing of %s', (_id, scheme) => {
  const { devices, terminals, conductors } = layoutOf(scheme)
  const boxes = Object.entries(devices)

  it('leads every conductor at right angles from its terminal to its terminal, through no device', () => {
    for (const { id, from, to } of scheme.conductors) {
      const points = conductors[id]!
      expect(points[0]).toMatchObject({ x: terminals[from]!.x, y: terminals[from]!.y })
      expect(points.at(-1)).toMatchObject({ x: terminals[to]!.x, y: terminals[to]!.y })
      points.slice(1).forEach((end, place) => {
        const start = points[place]!
        expect(Math.min(Math.abs(start.x - end.x), Math.abs(start.y - end.y)), id).toBeLessThan(0.5)
        for (const [device, { x, y, width, height }] of boxes) {
          const through =
            Math.min(start.x, end.x) < x + width - 1 &&
            Math.max(start.x, end.x) > x + 1 &&
            Math.min(start.y, end.y) < y + height - 1 &&
            Math.max(start.y, end.y) > y + 1
          expect(through, `${id} through ${device}`).toBe(false)
        }
      })
    }
  })

  it('lays no device over another', () => {
    boxes.forEach(([one, a], index) => {
      for (const [other, b] of boxes.slice(index + 1)) {
        expect(a.x + a.width <= b.x || b.x + b.width <= a.x || a.y + a.height <= b.y || b.y + b.height <= a.y, `${one} over ${other}`).toBe(true)
      }
    })
  })
})
