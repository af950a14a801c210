import type { Element } from '../circuit/index.ts'

/** Resistance that stands for a made contact, Ω: circuit simulators take no zero. */
const contactOhms = 1e-3
/** Path to ground every node is given, Ω, so that one that floats does not make the circuit unsolvable. */
const leakOhms = 1e12

/** A netlist in the open format of circuit simulators, and which of its nodes is which. */
export interface SpiceNetlist {
  text: string
  /** node of the simulator, by node of ours */
  nodes: Map<string, string>
}

/**
 * Writes a circuit as a SPICE netlist for an analysis at 50 Hz: the first line is its title, contacts are a milliohm, every node has a path
 * of 10¹² Ω to ground.
 *
 * @param elements what is made, as `Network.present` gives it
 * @param ground the node that is 0
 * @param prefix of every name, where several circuits share a file
 * @param leakTo node the paths lead to, 0 without it
 */
export function spiceNetlist(title: string, elements: readonly Element[], ground: string, prefix = '', leakTo = '0'): SpiceNetlist {
  const nodes = new Map([[ground, '0']])
  const node = (name: string) => {
    let known = nodes.get(name)
    if (known === undefined) nodes.set(name, (known = `${prefix}n${nodes.size}`))
    return known
  }
  const lines = elements.flatMap((one, index) => {
    const id = `${prefix}${index}`
    const [a, b] = [node(one.a), node(one.b)]
    if (a === b && one.kind !== 'transformer') return []
    switch (one.kind) {
      case 'contact':
        return [`* ${one.id}`, `Rc${id} ${a} ${b} ${contactOhms}`]
      case 'resistance':
        return [`* ${one.id}`, `R${id} ${a} ${b} ${one.ohms}`]
      case 'source':
        return [`* ${one.id}`, `V${id} ${id}x ${b} AC ${one.volts}`, `Rv${id} ${id}x ${a} ${one.ohms}`]
      case 'transformer':
        return [
          `* ${one.id}`,
          `E${id} ${id}x ${node(one.d)} ${a} ${b} ${one.ratio}`,
          `Vt${id} ${id}x ${id}y AC 0`,
          `Rt${id} ${id}y ${node(one.c)} ${one.ohms}`,
          `F${id} ${a} ${b} Vt${id} ${one.ratio}`,
        ]
      case 'capacitance':
        return [`* ${one.id}`, `C${id} ${a} ${b} ${one.farads}`]
    }
  })
  const leaks = [...nodes.values()].filter((one) => one !== '0' && one !== leakTo).map((one) => `Rl${one} ${one} ${leakTo} ${leakOhms}`)
  const named = [...nodes].map(([ours, theirs]) => `* node ${theirs} is ${ours}`)
  return { text: [title, ...named, ...lines, ...leaks].join('\n'), nodes }
}
