/** What every element of a netlist has: a name, and whether it is part of the circuit at all when nothing says otherwise. */
interface Named {
  id: string
}

/** Joins its two ends while it is made: a switch, a conductor. */
interface Contact extends Named {
  kind: 'contact'
  a: string
  b: string
}

/** A resistance, Ω, > 0: a motor, a lamp, a fuse, a meter. */
interface Resistance extends Named {
  kind: 'resistance'
  a: string
  b: string
  ohms: number
}

/** An alternating source: volts of `a` over `b`, behind an inner resistance, Ω, > 0. */
interface Source extends Named {
  kind: 'source'
  a: string
  b: string
  volts: number
  ohms: number
}

/** An ideal transformer from winding a–b to winding c–d, `ratio` the turns of c–d over those of a–b, behind a resistance in c, Ω, > 0. */
interface Transformer extends Named {
  kind: 'transformer'
  a: string
  b: string
  c: string
  d: string
  ratio: number
  ohms: number
}

/** What two conductors side by side have between them, F, > 0. It counts only where pick-up is asked for. */
interface Capacitance extends Named {
  kind: 'capacitance'
  a: string
  b: string
  farads: number
}

/** One element of a circuit. */
export type Element = Contact | Resistance | Source | Transformer | Capacitance

/** A circuit as a flat list: elements between named nodes, one of which is the ground all voltages of its island are against. */
export interface Netlist {
  ground: string
  elements: Element[]
}

/** Ends of an element, in the order a, b, c, d. */
export function endsOf(element: Element): string[] {
  return element.kind === 'transformer' ? [element.a, element.b, element.c, element.d] : [element.a, element.b]
}
