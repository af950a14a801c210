import type { Point } from './layout.ts'

interface Size {
  width: number
  height: number
}

/** what is nearer to an edge than this is hardly in sight, px */
const margin = 36

/** How far a drawing enlarged about its middle is shifted so that a point of it stands at a place of the view; in px of the drawing. */
export const shift = ({ width, height }: Size, scale: number, at: Point, where: Point): Point => ({
  x: (where.x - width / 2) / scale - at.x + width / 2,
  y: (where.y - height / 2) / scale - at.y + height / 2,
})

/** Where a point of a drawing so enlarged and shifted stands in the view. */
export const seenAt = ({ width, height }: Size, scale: number, by: Point, at: Point): Point => ({
  x: scale * (at.x - width / 2 + by.x) + width / 2,
  y: scale * (at.y - height / 2 + by.y) + height / 2,
})

/** Whether a point is well in sight. */
export function held(size: Size, scale: number, by: Point, at: Point, view: Size): boolean {
  const { x, y } = seenAt(size, scale, by, at)
  return x >= margin && x <= view.width - margin && y >= margin && y <= view.height - margin
}
