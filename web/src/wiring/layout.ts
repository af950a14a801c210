import dagre from '@dagrejs/dagre'
import type { ControlScheme } from '@dewpoint/core/system'
import { GridRouter } from 'webcola/dist/src/gridrouter'
import { Rectangle } from 'webcola/dist/src/rectangle'

/** A place on the drawing, px. */
export interface Point {
  x: number
  y: number
}

/** Where everything of a scheme is drawn. */
export interface SchemeLayout {
  width: number
  height: number
  devices: Record<string, { x: number; y: number; width: number; height: number }>
  /** by full name, with the side of its device it sits on */
  terminals: Record<string, Point & { side: 'left' | 'right' }>
  /** corners of every conductor */
  conductors: Record<string, Point[]>
}

const deviceWidth = 168
const rowHeight = 26
const headHeight = 52
const margin = 24
/** clear ground round a device that no conductor crosses */
const padding = 13
/** room between neighbouring conductors */
const gap = 7

/** Places devices in layers from the supply to the boiler and leads conductors between them at right angles. */
export function layoutOf(scheme: ControlScheme): SchemeLayout {
  const deviceOf = (terminal: string) => terminal.slice(0, terminal.indexOf('.'))
  const graph = new dagre.graphlib.Graph()
  graph.setGraph({ rankdir: 'LR', nodesep: 2 * rowHeight, ranksep: Math.max(78, 4.4 * scheme.conductors.length), marginx: margin, marginy: margin })
  graph.setDefaultEdgeLabel(() => ({}))

  // the calls decide the layers; supplies follow
  for (const { from, to, role } of scheme.conductors) {
    const supplied = role === 'neutral' || role === 'earth' || role === 'line' || role === 'permanentLive'
    if (deviceOf(from) !== deviceOf(to)) graph.setEdge(deviceOf(from), deviceOf(to), { weight: supplied ? 1 : 6 })
  }
  const sides = new Map<string, { left: string[]; right: string[] }>()
  const sized = (id: string, rows: number) => graph.setNode(id, { width: deviceWidth, height: headHeight + rows * rowHeight })
  for (const { id, terminals } of scheme.devices) sized(id, Math.ceil(Object.keys(terminals).length / 2) + 1)
  dagre.layout(graph)
  const column = (terminal: string) => graph.node(deviceOf(terminal)).x
  for (const { id, terminals } of scheme.devices) {
    const own = { left: [] as string[], right: [] as string[] }
    for (const name of Object.keys(terminals)) {
      const full = `${id}.${name}`
      const ends = scheme.conductors.flatMap(({ from, to }) => (from === full ? [to] : to === full ? [from] : []))
      const lean = ends.reduce((sum, end) => sum + Math.sign(column(end) - column(full)), 0)
      own[lean > 0 || (lean === 0 && own.right.length < own.left.length) ? 'right' : 'left'].push(full)
    }
    sides.set(id, own)
    sized(id, Math.max(own.left.length, own.right.length, 1))
  }
  dagre.layout(graph)

  const devices: SchemeLayout['devices'] = {}
  const terminals: SchemeLayout['terminals'] = {}
  for (const { id } of scheme.devices) {
    const { x, y, width, height } = graph.node(id)
    // on a common grid of rows, so that the router has few lines to choose from
    const box = { x: Math.round(x - width / 2), y: Math.round((y - height / 2) / rowHeight) * rowHeight, width, height }
    devices[id] = box
    for (const side of ['left', 'right'] as const) {
      const ordered = [...sides.get(id)![side]].sort((a, b) => meanY(a) - meanY(b))
      ordered.forEach((name, row) => {
        terminals[name] = { side, x: side === 'left' ? box.x : box.x + box.width, y: box.y + headHeight + row * rowHeight + rowHeight / 2 - 4 }
      })
    }
  }
  function meanY(terminal: string): number {
    const ends = scheme.conductors.flatMap(({ from, to }) => (from === terminal ? [to] : to === terminal ? [from] : []))
    return ends.length === 0 ? 0 : ends.reduce((sum, end) => sum + graph.node(deviceOf(end)).y, 0) / ends.length
  }

  const conductors = route(scheme, devices, terminals)
  const label = graph.graph() as { width?: number; height?: number }
  const corners = Object.values(conductors).flat()
  const left = Math.min(0, ...corners.map((one) => one.x - margin / 2))
  const top = Math.min(0, ...corners.map((one) => one.y - margin / 2))
  for (const box of Object.values(devices)) [box.x, box.y] = [box.x - left, box.y - top]
  for (const one of [...Object.values(terminals), ...corners]) [one.x, one.y] = [one.x - left, one.y - top]
  return {
    width: Math.max(label.width ?? 0, ...corners.map((one) => one.x + left + margin / 2)) - left,
    height: Math.max(label.height ?? 0, ...corners.map((one) => one.y + top + margin / 2)) - top,
    devices,
    terminals,
    conductors,
  }
}

/** A node of the router: a point beside a terminal, or a device as an obstacle. */
interface Routed {
  bounds: Rectangle
  children?: number[]
}

function route(scheme: ControlScheme, devices: SchemeLayout['devices'], terminals: SchemeLayout['terminals']): Record<string, Point[]> {
  const reach = 20
  const names = Object.keys(terminals)
  // conductors start beside their terminal, outside the box, so that no box is crossed
  const nodes: Routed[] = names.map((name) => {
    const { x, y, side } = terminals[name]!
    const at = side === 'left' ? x - reach : x + reach
    return { bounds: new Rectangle(at - 3, at + 3, y - 3, y + 3) }
  })
  // a device stands in the way as a group around specks at its corners, which the router gives its padding
  for (const { x, y, width, height } of Object.values(devices)) {
    const corners = [x, x + width].flatMap((cx) => [y, y + height].map((cy) => ({ cx, cy })))
    const children = corners.map(({ cx, cy }) => nodes.push({ bounds: new Rectangle(cx - 0.5, cx + 0.5, cy - 0.5, cy + 0.5) }) - 1)
    nodes.push({ bounds: new Rectangle(x, x + width, y, y + height), children })
  }
  const router = new GridRouter<Routed>(nodes, { getChildren: (one) => one.children ?? [], getBounds: (one) => one.bounds }, padding)
  // the router knows a group by its edge only: every crossing of its grid inside one is barred as well
  for (const vertex of router.verts) {
    const inside = router.nodes.find(({ leaf, rect: { x, X, y, Y } }) => !leaf && vertex.x > x && vertex.x < X && vertex.y > y && vertex.y < Y)
    if (inside) vertex.node = inside
  }
  const edges = scheme.conductors.map(({ id, from, to }) => ({ id, source: names.indexOf(from), target: names.indexOf(to) }))
  const routes = router.routeEdges(
    edges,
    gap,
    (edge) => edge.source,
    (edge) => edge.target,
  ) as unknown as Point[][][]
  return Object.fromEntries(
    edges.map(({ id, source, target }, index) => {
      const segments = routes[index]!
      const points = [segments[0]![0]!, ...segments.map((segment) => segment[1]!)].map(({ x, y }) => ({ x, y }))
      const [first, last] = [terminals[names[source]!]!, terminals[names[target]!]!]
      // square to the terminal even where nudging moved the end
      const lead = (terminal: Point, end: Point) =>
        Math.abs(terminal.y - end.y) < 0.5
          ? [{ x: terminal.x, y: terminal.y }]
          : [
              { x: terminal.x, y: terminal.y },
              { x: end.x, y: terminal.y },
            ]
      return [id, [...lead(first, points[0]!), ...points, ...lead(last, points.at(-1)!).reverse()]]
    }),
  )
}
