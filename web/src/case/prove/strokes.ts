/** A point of a drawn line, in pixels of where it was drawn. */
interface Point {
  x: number
  y: number
}

/** letters a stroke may have: what the journal takes of one */
const longest = 2000
/** strokes of one signature */
const most = 60

/**
 * Drawn lines as SVG paths, small enough for the journal: whole pixels, points that lie close left out, more of them where a line is long.
 *
 * @param groups of points, a line each
 * @returns paths, at most sixty; a tap is a short line
 */
export function strokesOf(groups: readonly { points: readonly Point[] }[]): string[] {
  return groups
    .filter((one) => one.points.length > 0)
    .slice(0, most)
    .map(({ points }) => {
      for (let apart = 2; ; apart *= 1.5) {
        const path = pathOf(thinned(points, apart))
        if (path.length <= longest) return path
      }
    })
}

function thinned(points: readonly Point[], apart: number): Point[] {
  const kept: Point[] = [points[0]!]
  for (const point of points.slice(1, -1)) {
    const last = kept.at(-1)!
    if (Math.hypot(point.x - last.x, point.y - last.y) >= apart) kept.push(point)
  }
  kept.push(points.length > 1 ? points.at(-1)! : { x: points[0]!.x + 1, y: points[0]!.y })
  return kept
}

const pathOf = (points: readonly Point[]) => points.map(({ x, y }, index) => `${index === 0 ? 'M' : 'L'}${Math.round(x)} ${Math.round(y)}`).join('')
