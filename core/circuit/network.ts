import { endsOf, type Element, type Netlist } from './netlist.ts'

/** Angular frequency of the mains, 1/s. */
const omega = 2 * Math.PI * 50

/** Kinds as the solver sees them. */
const contact = 0
const resistance = 1
const source = 2
const transformer = 3
const capacitance = 4
const kindOf = { contact, resistance, source, transformer, capacitance }

/**
 * A netlist made ready to be solved again and again, by nodal analysis at mains frequency. Made contacts are merged first; what is left
 * is a symmetric system solved by LDLᵀ without pivoting (every island is passive and held at one node). Nothing is allocated in a solve.
 *
 * Nodes that conduct to one another form an island. Voltages are against the ground within its island and against the island's first
 * node within any other: between two islands there is no voltage to speak of, they float. With pick-up the capacitances join islands, and
 * a floating node takes the voltage they give it.
 */
export interface Network {
  /** node names; an index here is the index everywhere */
  nodes: readonly string[]
  /** element names, likewise */
  elements: readonly string[]
  /** 1 while an element is part of the circuit: a contact made, a resistance whole. Write, then solve */
  made: Uint8Array
  /** four nodes an element (the last two of a transformer only): move one to land a conductor elsewhere */
  ends: Int32Array
  /** volts, ohms or farads of an element, as its kind has it */
  value: Float64Array
  /** real part of every node's voltage, V */
  re: Float64Array
  /** imaginary part of every node's voltage, V; 0 without pick-up */
  im: Float64Array
  /** island of every node: equal numbers conduct to one another, 0 is the ground's */
  island: Int32Array
  /** solves for the present state; with `pickUp` capacitances count too */
  solve(pickUp?: boolean): void
  /** index of a node; throws RangeError for one the netlist does not have */
  node(name: string): number
  /** index of an element; throws RangeError for one the netlist does not have */
  element(name: string): number
  /** current from a to b through a resistance or a source, or in a transformer's second winding out of c, A, real part; 0 where open */
  current(element: number): number
  /** unknowns left after merging, in the latest solve */
  unknowns(): number
  /** the circuit as it stands: what is made, where it lands */
  present(): Element[]
}

/** What a netlist is before anything in it is switched or moved. */
interface Compiled {
  ground: string
  nodes: string[]
  nodeIndex: ReadonlyMap<string, number>
  names: string[]
  elementIndex: ReadonlyMap<string, number>
  kind: Uint8Array
  ends: Int32Array
  value: Float64Array
  inner: Float64Array
}

const compiled = new WeakMap<readonly Element[], Compiled>()

function compile({ ground, elements }: Netlist): Compiled {
  const known = compiled.get(elements)
  if (known?.ground === ground) return known
  const nodes = [...new Set([ground, ...elements.flatMap(endsOf)])]
  const nodeIndex = new Map(nodes.map((name, index) => [name, index]))
  const names = elements.map((one) => one.id)
  const elementIndex = new Map(names.map((name, index) => [name, index]))
  if (elementIndex.size < names.length) throw new RangeError(`two elements are called ${names.find((name, index) => names.indexOf(name) < index)}`)
  const count = elements.length
  const kind = Uint8Array.from(elements, (one) => kindOf[one.kind])
  const ends = new Int32Array(count * 4)
  const value = new Float64Array(count)
  const inner = new Float64Array(count)
  elements.forEach((one, index) => {
    endsOf(one).forEach((name, end) => (ends[index * 4 + end] = nodeIndex.get(name)!))
    const positive = (number: number, what: string) => {
      if (!(number > 0 && Number.isFinite(number))) throw new RangeError(`${one.id}: ${what} must be a positive number, not ${number}`)
      return number
    }
    if (one.kind === 'resistance') value[index] = positive(one.ohms, 'ohms')
    else if (one.kind === 'capacitance') value[index] = positive(one.farads, 'farads')
    else if (one.kind === 'source') [value[index], inner[index]] = [one.volts, positive(one.ohms, 'ohms')]
    else if (one.kind === 'transformer') [value[index], inner[index]] = [positive(one.ratio, 'ratio'), positive(one.ohms, 'ohms')]
  })
  const whole = { ground, nodes, nodeIndex, names, elementIndex, kind, ends, value, inner }
  compiled.set(elements, whole)
  return whole
}

/**
 * Compiles a netlist; the same elements again cost next to nothing, so they are not to be changed afterwards.
 *
 * @throws RangeError naming an element whose value is not a positive finite number, or a name used twice
 */
export function network(netlist: Netlist): Network {
  const { elements } = netlist
  const { nodes, nodeIndex, names, elementIndex, kind, inner, ...asWritten } = compile(netlist)
  const count = elements.length
  const size = nodes.length
  const ends = asWritten.ends.slice()
  const value = asWritten.value.slice()
  const made = new Uint8Array(count).fill(1)
  const re = new Float64Array(size)
  const im = new Float64Array(size)
  const island = new Int32Array(size)
  // roots of merged nodes, and of islands among the roots
  const root = new Int32Array(size)
  const lump = new Int32Array(size)
  const held = new Int32Array(size)
  const place = new Int32Array(size)
  const numbered = new Int32Array(size)
  const g = new Float64Array(size * size)
  const b = new Float64Array(size * size)
  const rhs = new Float64Array(size)
  const rhsIm = new Float64Array(size)
  const pivot = new Float64Array(size)
  const pivotIm = new Float64Array(size)
  let unknowns = 0

  const find = (tree: Int32Array, node: number): number => {
    while (tree[node] !== node) node = tree[node] = tree[tree[node]!]!
    return node
  }
  const join = (tree: Int32Array, one: number, other: number): void => {
    const a = find(tree, one)
    const c = find(tree, other)
    // the lower index stays, so that the ground is the root of what it is joined to
    if (a < c) tree[c] = a
    else tree[a] = c
  }
  const stamp = (matrix: Float64Array, i: number, j: number, by: number): void => {
    if (i >= 0 && j >= 0) matrix[i * size + j] = matrix[i * size + j]! + by
  }
  const between = (matrix: Float64Array, i: number, j: number, by: number): void => {
    stamp(matrix, i, i, by)
    stamp(matrix, j, j, by)
    stamp(matrix, i, j, -by)
    stamp(matrix, j, i, -by)
  }
  const cross = (matrix: Float64Array, i: number, j: number, by: number): void => {
    stamp(matrix, i, j, by)
    stamp(matrix, j, i, by)
  }

  const solve = (pickUp = false): void => {
    for (let node = 0; node < size; node++) root[node] = lump[node] = held[node] = node
    for (let index = 0; index < count; index++) {
      if (!made[index]) continue
      const one = ends[index * 4]!
      const other = ends[index * 4 + 1]!
      if (kind[index] === contact) join(root, one, other)
      if (kind[index] !== capacitance) join(lump, one, other)
      if (kind[index] === transformer) join(lump, ends[index * 4 + 2]!, ends[index * 4 + 3]!)
      if (pickUp || kind[index] !== capacitance) join(held, one, other)
      if (kind[index] === transformer) join(held, ends[index * 4 + 2]!, ends[index * 4 + 3]!)
    }
    unknowns = 0
    for (let node = 0; node < size; node++) {
      island[node] = find(lump, node)
      // one node of everything that hangs together is held at nought
      if (find(root, node) === node) numbered[node] = find(root, find(held, node)) === node ? -1 : unknowns++
    }
    const n = unknowns
    for (let node = 0; node < size; node++) place[node] = numbered[find(root, node)]!
    for (let i = 0; i < n; i++) {
      rhs[i] = rhsIm[i] = 0
      for (let j = 0; j < n; j++) g[i * size + j] = b[i * size + j] = 0
    }
    for (let index = 0; index < count; index++) {
      if (!made[index] || kind[index] === contact) continue
      const i = place[ends[index * 4]!]!
      const j = place[ends[index * 4 + 1]!]!
      const amount = value[index]!
      if (kind[index] === resistance) between(g, i, j, 1 / amount)
      else if (kind[index] === capacitance) {
        if (pickUp) between(b, i, j, omega * amount)
      } else if (kind[index] === source) {
        const by = 1 / inner[index]!
        between(g, i, j, by)
        if (i >= 0) rhs[i]! += by * amount
        if (j >= 0) rhs[j]! -= by * amount
      } else {
        const by = 1 / inner[index]!
        const k = place[ends[index * 4 + 2]!]!
        const l = place[ends[index * 4 + 3]!]!
        between(g, k, l, by)
        between(g, i, j, by * amount * amount)
        cross(g, i, k, -by * amount)
        cross(g, i, l, by * amount)
        cross(g, j, k, by * amount)
        cross(g, j, l, -by * amount)
      }
    }
    if (pickUp) solveComplex(n)
    else solveReal(n)
    for (let node = 0; node < size; node++) {
      const at = place[node]!
      re[node] = at < 0 ? 0 : rhs[at]!
      im[node] = at < 0 || !pickUp ? 0 : rhsIm[at]!
    }
  }

  /** LDLᵀ in the lower triangle, then forward, diagonal, backward. */
  const solveReal = (n: number): void => {
    for (let j = 0; j < n; j++) {
      const d = g[j * size + j]!
      pivot[j] = d
      if (d === 0) continue
      for (let i = j + 1; i < n; i++) {
        const entry = g[i * size + j]!
        if (entry === 0) continue
        const factor = entry / d
        for (let k = j + 1; k <= i; k++) g[i * size + k]! -= factor * g[k * size + j]!
        rhs[i]! -= factor * rhs[j]!
      }
    }
    for (let i = n - 1; i >= 0; i--) {
      let sum = rhs[i]!
      for (let k = i + 1; k < n; k++) sum -= g[k * size + i]! * rhs[k]!
      rhs[i] = pivot[i] === 0 ? 0 : sum / pivot[i]!
    }
  }

  /** The same with conductance g and susceptance b: a complex symmetric matrix. */
  const solveComplex = (n: number): void => {
    for (let j = 0; j < n; j++) {
      const dr = (pivot[j] = g[j * size + j]!)
      const di = (pivotIm[j] = b[j * size + j]!)
      const norm = dr * dr + di * di
      if (norm === 0) continue
      for (let i = j + 1; i < n; i++) {
        const er = g[i * size + j]!
        const ei = b[i * size + j]!
        if (er === 0 && ei === 0) continue
        const fr = (er * dr + ei * di) / norm
        const fi = (ei * dr - er * di) / norm
        for (let k = j + 1; k <= i; k++) {
          const kr = g[k * size + j]!
          const ki = b[k * size + j]!
          g[i * size + k]! -= fr * kr - fi * ki
          b[i * size + k]! -= fr * ki + fi * kr
        }
        rhs[i]! -= fr * rhs[j]! - fi * rhsIm[j]!
        rhsIm[i]! -= fr * rhsIm[j]! + fi * rhs[j]!
      }
    }
    for (let i = n - 1; i >= 0; i--) {
      let sr = rhs[i]!
      let si = rhsIm[i]!
      for (let k = i + 1; k < n; k++) {
        const cr = g[k * size + i]!
        const ci = b[k * size + i]!
        sr -= cr * rhs[k]! - ci * rhsIm[k]!
        si -= cr * rhsIm[k]! + ci * rhs[k]!
      }
      const dr = pivot[i]!
      const di = pivotIm[i]!
      const norm = dr * dr + di * di
      rhs[i] = norm === 0 ? 0 : (sr * dr + si * di) / norm
      rhsIm[i] = norm === 0 ? 0 : (si * dr - sr * di) / norm
    }
  }

  const named = (index: ReadonlyMap<string, number>, what: string) => (name: string) => {
    const found = index.get(name)
    if (found === undefined) throw new RangeError(`the circuit has no ${what} "${name}"`)
    return found
  }
  return {
    nodes,
    elements: names,
    made,
    ends,
    value,
    re,
    im,
    island,
    solve,
    node: named(nodeIndex, 'node'),
    element: named(elementIndex, 'element'),
    current: (index) => {
      if (!made[index]) return 0
      const across = re[ends[index * 4]!]! - re[ends[index * 4 + 1]!]!
      if (kind[index] === resistance) return across / value[index]!
      if (kind[index] === source) return (across - value[index]!) / inner[index]!
      if (kind[index] === transformer) return (value[index]! * across - (re[ends[index * 4 + 2]!]! - re[ends[index * 4 + 3]!]!)) / inner[index]!
      return 0
    },
    unknowns: () => unknowns,
    present: () =>
      elements.flatMap((one, index): Element[] => {
        if (!made[index]) return []
        const [a, b, c, d] = [0, 1, 2, 3].map((end) => nodes[ends[index * 4 + end]!]!) as [string, string, string, string]
        const amount = value[index]!
        switch (one.kind) {
          case 'contact':
            return [{ ...one, a, b }]
          case 'resistance':
            return [{ ...one, a, b, ohms: amount }]
          case 'source':
            return [{ ...one, a, b, volts: amount }]
          case 'transformer':
            return [{ ...one, a, b, c, d, ratio: amount }]
          case 'capacitance':
            return [{ ...one, a, b, farads: amount }]
        }
      }),
  }
}
