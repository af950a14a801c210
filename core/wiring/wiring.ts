import { network, type Element, type Network } from '../circuit/index.ts'
import { terminalsOf, type Circuit, type ControlScheme } from '../system/index.ts'
import { calls } from './calling.ts'
import { kindOf, type Hearing, type Inside } from './devices.ts'

/** A conductor taken off one terminal and put on another, to see what follows. */
export interface Move {
  conductor: string
  end: 'from' | 'to'
  terminal: string
}

/** What is asked of a wired system, and what has been done to it. */
export interface Asked {
  /** programmer switched on for heating, for hot water */
  programmed: { heating: boolean; hotWater: boolean }
  /** circuits whose place is cold and whose thermostat is free to call */
  cold: Partial<Record<Circuit, boolean>>
  /** the board runs its pump */
  pumping?: boolean
  /** fuse out, isolator locked: the springs have gone home */
  isolated?: boolean
  moved?: readonly Move[]
}

/** What a meter is put on two terminals. */
export type Probe = 'multimeter' | 'tester'

/** Input resistance of each, Ω. A usual multimeter has 10 MΩ; a low-impedance tester some kΩ (from memory). */
const inputOhms: Record<Probe, number> = { multimeter: 10e6, tester: 5000 }
/** capacitance between two cores that run side by side for ten metres, F: about 100 pF a metre (from memory) */
const sideBySide = 1e-9
/** amperes that blow the fuse in the supply, and the one behind a transformer */
const blowsAt = 3

/** A voltage between two terminals; floating when nothing joins them but what lies side by side. */
interface VoltageReading {
  volts: number
  floating: boolean
}

/** A scheme brought to life: contacts follow what is asked, motors follow their volts. */
export interface Wiring {
  net: Network
  /** moves everything on by some seconds; whether a voltage or a valve may be otherwise than before */
  step(asked: Asked, seconds: number): boolean
  /** lets everything come to rest: valves drive, end switches make */
  settle(asked: Asked): void
  /** where a valve's motor stands, 0 rest to 1 end of travel */
  position(device: string): number
  /** how far a valve's way is open: by its motor, or by hand */
  open(device: string, way: 'only' | 'heating' | 'hotWater'): number
  /** volts of one terminal over another; 0 across two islands */
  volts(over: number, under: number): number
  /** what a meter shows; with `pickUp`, ghosts included */
  read(over: string, under: string, probe: Probe, pickUp?: boolean): VoltageReading
  /** what an ohmmeter shows, Ω; Infinity for open. Only on a dead circuit */
  ohms(one: string, other: string): number
  /** a fuse that has blown since the beginning */
  blown: ReadonlySet<string>
}

/**
 * Makes a scheme ready to run with one set of parameters.
 *
 * @param value a parameter `component.parameter`; throws for one the system lacks
 * @param optional a parameter, or what stands in for it
 */
export function wire(scheme: ControlScheme, value: (key: string) => number, optional: (key: string, otherwise: number) => number): Wiring {
  let parts = known.get(scheme)
  if (!parts) known.set(scheme, (parts = partsOf(scheme)))
  const { elements, index, rules, motors, circuits, movable } = parts
  const net = network({ ground: 'supply._earth', elements })
  const owns = new Map(
    scheme.devices.map(({ id }) => [
      id,
      (name: string, otherwise?: number) => (otherwise === undefined ? value(`${id}.${name}`) : optional(`${id}.${name}`, otherwise)),
    ]),
  )
  const positions = Float64Array.from(scheme.devices, ({ id, kind }) => (kindOf(kind).motor ? optional(`${id}.start`, 0) : 0))
  let now: Asked = { programmed: { heating: false, hotWater: false }, cold: {} }
  const hearings = scheme.devices.map((device): Hearing & { calling: boolean; position: number; pumping: boolean } => ({
    own: owns.get(device.id)!,
    programmed: (circuit) => now.programmed[circuit],
    calling: false,
    position: 0,
    pumping: false,
  }))
  const blown = new Set<string>()
  for (const { id, device } of rules) {
    const size = kindOf(scheme.devices[device]!.kind).sized?.[id.slice(id.indexOf('.') + 1)]
    if (size) net.value[index.get(id)!] = size(hearings[device]!.own)
  }
  for (const { id, astray } of scheme.conductors) {
    const at = index.get(id)!
    net.made[at] = optional(`${id}.continuity`, 1) > 0.5 ? 1 : 0
    if (astray && optional(`${id}.landsOn`, 0) > 0.5) net.ends[at * 4 + 1] = net.node(astray)
    const short = index.get(`${id}~short`)
    if (short !== undefined) net.made[short] = optional(`${id}.shorted`, 0) > 0.5 ? 1 : 0
  }
  const intake = index.get('supply.intake')
  const voltmeter = index.get('~voltmeter')!
  const ohmmeter = index.get('~ohmmeter')!
  net.made[voltmeter] = net.made[ohmmeter] = 0
  const drives = motors.map(({ at }) => {
    const { own } = hearings[at]!
    return { works: own('motor') > 0.5, holds: own('holding', 1) > 0.5, freedom: own('freedom'), travelTime: own('travelTime') }
  })
  const fuses = rules.filter(({ id }) => id.endsWith('.fuse')).map(({ id }) => index.get(id)!)
  const asFound = Int32Array.from(net.ends)
  const store = () => optional('cylinder.temperature', 25)
  // what was asked last, as flags; nothing yet
  const last = new Int8Array(circuits.length + 4).fill(-1)
  let turning = true
  let movedNow: readonly Move[] | undefined
  let solved = false

  const hear = (asked: Asked): void => {
    now = asked
    if (asked.moved !== movedNow) {
      movedNow = asked.moved
      net.ends.set(asFound)
      for (const { conductor, end, terminal } of movedNow ?? []) net.ends[net.element(conductor) * 4 + (end === 'from' ? 0 : 1)] = net.node(terminal)
      solved = false
    }
    // nothing asked otherwise and no motor moving: every contact stands as it stood
    const same = heard(asked)
    if (same && !turning) return
    for (let at = 0; at < hearings.length; at++) {
      const hearing = hearings[at]!
      const { circuit } = scheme.devices[at]!
      hearing.calling = circuit !== undefined && asked.cold[circuit] === true
      hearing.position = positions[at]!
      hearing.pumping = asked.pumping === true
    }
    for (let rule = 0; rule < rules.length; rule++) {
      const { id, at, device, when } = rules[rule]!
      if (same && !movable[device]) continue
      const made = (when ? when(hearings[device]!) : true) && !blown.has(id) && !(at === intake && asked.isolated)
      if ((net.made[at] === 1) === made) continue
      net.made[at] = made ? 1 : 0
      solved = false
    }
  }
  const heard = (asked: Asked): boolean => {
    let same = true
    for (let at = 0; at < last.length; at++) {
      const said =
        at < circuits.length
          ? asked.cold[circuits[at]!]
          : at === circuits.length
            ? asked.programmed.heating
            : at === circuits.length + 1
              ? asked.programmed.hotWater
              : at === circuits.length + 2
                ? asked.pumping
                : asked.isolated
      const flag = said === true ? 1 : 0
      if (last[at] === flag) continue
      last[at] = flag
      same = false
    }
    return same
  }
  const solve = (): boolean => {
    if (solved) return false
    net.solve()
    for (const fuse of fuses) {
      if (net.made[fuse] && Math.abs(net.current(fuse)) > blowsAt) {
        blown.add(net.elements[fuse]!)
        net.made[fuse] = 0
        net.solve()
      }
    }
    solved = true
    return true
  }
  const turn = (seconds: number): boolean => {
    turning = false
    for (let motor = 0; motor < motors.length; motor++) {
      const { at, enough, over, under, hold } = motors[motor]!
      const { works, holds, freedom, travelTime } = drives[motor]!
      const travel = (seconds / travelTime) * freedom
      const driven = works && Math.abs(net.re[over]! - net.re[under]!) > enough && net.island[over] === net.island[under]
      const before = positions[at]!
      const rest = hold && holds && before >= 0.5 && Math.abs(net.re[hold[0]]! - net.re[hold[1]]!) > enough && works ? 0.5 : 0
      positions[at] = driven ? Math.min(before + travel, hold && before < 0.5 ? Math.max(0.5, before) : 1) : Math.max(before - 3 * travel, rest)
      if (positions[at] !== before) turning = true
    }
    return turning
  }
  const places = new Map(scheme.devices.map(({ id }, at) => [id, { at, held: optional(`${id}.heldOpen`, 0) }]))
  const step = (asked: Asked, seconds: number): boolean => {
    hear(asked)
    // no contact has moved and no motor is on its way: nothing can be otherwise
    if (!solve() && !turning) return false
    turn(seconds)
    return true
  }
  /** volts between two terminals with a meter on them; everything stands as before once it is taken off */
  const probed = (element: number, one: string, other: string, pickUp: boolean): number => {
    const a = (net.ends[element * 4] = net.node(one))
    const b = (net.ends[element * 4 + 1] = net.node(other))
    net.made[element] = 1
    net.solve(pickUp)
    const across = Math.hypot(net.re[a]! - net.re[b]!, net.im[a]! - net.im[b]!)
    net.made[element] = 0
    net.solve()
    return across
  }
  return {
    net,
    step,
    settle: (asked) => {
      const free = {
        ...asked,
        cold: Object.fromEntries(Object.entries(asked.cold).map(([circuit, cold]) => [circuit, cold && calls(circuit as Circuit, optional, store())])),
      }
      for (let second = 0; second < 60; second++) {
        hear(free)
        solve()
        // a spring goes home quicker than a motor drives, so ten steps of four seconds cover either
        if (!turn(4) && second > 0) break
      }
      hear(free)
      solve()
    },
    position: (device) => positions[places.get(device)!.at]!,
    open: (device, way) => {
      const { at, held } = places.get(device)!
      const stands = Math.max(positions[at]!, way === 'only' ? held : held * 0.5)
      if (way === 'only') return stands
      return way === 'heating' ? Math.min(2 * stands, 1) : Math.min(2 * (1 - stands), 1)
    },
    volts: (over, under) => (net.island[over] === net.island[under] ? net.re[over]! - net.re[under]! : 0),
    read: (over, under, probe, pickUp = false) => {
      solve()
      const floating = net.island[net.node(over)] !== net.island[net.node(under)]
      net.value[voltmeter] = inputOhms[probe]
      return { volts: probed(voltmeter, over, under, pickUp), floating }
    },
    ohms: (one, other) => {
      solve()
      if (one === other) return 0
      const joined = net.island[net.node(one)] === net.island[net.node(other)]
      const across = probed(ohmmeter, one, other, false)
      if (!joined) return Infinity
      return across > 0.999999 ? Infinity : (across / (1 - across)) * 1000
    },
    blown,
  }
}

const known = new WeakMap<ControlScheme, ReturnType<typeof partsOf>>()

/** The netlist of a scheme: what is inside its devices, its conductors, what lies side by side, and the meters. */
function partsOf(scheme: ControlScheme) {
  const elements: Element[] = []
  const rules: { id: string; at: number; device: number; when: Inside['when'] }[] = []
  const motors: { device: number; element: string; enough: number; hold?: { over: string; under: string } }[] = []
  scheme.devices.forEach((device, place) => {
    const kind = kindOf(device.kind)
    const has = (end: string) => end.startsWith('_') || end in device.terminals
    for (const { when, ...inside } of kind.inside) {
      if (![inside.a, inside.b].every(has)) continue
      const named = {
        ...inside,
        id: `${device.id}.${inside.id}`,
        a: `${device.id}.${inside.a}`,
        b: `${device.id}.${inside.b}`,
        ...(inside.kind === 'transformer' && { c: `${device.id}.${inside.c}`, d: `${device.id}.${inside.d}` }),
      } as Element
      rules.push({ id: named.id, at: elements.length, device: place, when })
      elements.push(named)
    }
    if (kind.motor) motors.push({ device: place, ...kind.motor })
  })
  for (const { id, from, to, touches } of scheme.conductors) {
    elements.push({ id, kind: 'contact', a: from, b: to })
    if (touches) elements.push({ id: `${id}~short`, kind: 'contact', a: to, b: touches })
  }
  for (const [one, other] of neighbours(scheme))
    elements.push({ id: `${one}|${other}`, kind: 'capacitance', a: coreOf(scheme, one), b: coreOf(scheme, other), farads: sideBySide })
  elements.push({ id: '~voltmeter', kind: 'resistance', a: 'supply.L', b: 'supply.N', ohms: 10e6 })
  elements.push({ id: '~ohmmeter', kind: 'source', a: 'supply.L', b: 'supply.N', volts: 1, ohms: 1000 })
  const known = nodeOrder(elements)
  for (const terminal of terminalsOf(scheme)) if (!known.has(terminal)) elements.push({ id: `${terminal}~bare`, kind: 'contact', a: terminal, b: terminal })
  const order = nodeOrder(elements)
  return {
    elements,
    index: new Map(elements.map(({ id }, at) => [id, at])),
    circuits: [...new Set(scheme.devices.flatMap((one) => one.circuit ?? []))],
    movable: scheme.devices.map(({ kind }) => kindOf(kind).motor !== undefined),
    rules,
    motors: motors.map(({ device, element, enough, hold }) => {
      const own = scheme.devices[device]!.id
      const inside = elements.find((one) => one.id === `${own}.${element}`)!
      return {
        at: device,
        enough,
        over: order.get(inside.a)!,
        under: order.get(inside.b)!,
        ...(hold && { hold: [order.get(`${own}.${hold.over}`)!, order.get(`${own}.${hold.under}`)!] as const }),
      }
    }),
  }
}

/** the far terminal of a conductor, where a broken core hangs */
const coreOf = (scheme: ControlScheme, id: string) => scheme.conductors.find((one) => one.id === id)!.to

/** Pairs of conductors that share a cable. */
function neighbours({ conductors }: ControlScheme): [string, string][] {
  const together = (one: string, other: string) => one.split(' ').some((cable) => other.split(' ').includes(cable))
  return conductors.flatMap((one, at) =>
    conductors.slice(at + 1).flatMap((other): [string, string][] => (together(one.cable, other.cable) && other.to !== one.to ? [[one.id, other.id]] : [])),
  )
}

function nodeOrder(elements: Element[]): Map<string, number> {
  const order = new Map<string, number>([['supply._earth', 0]])
  for (const one of elements) {
    for (const end of one.kind === 'transformer' ? [one.a, one.b, one.c, one.d] : [one.a, one.b]) if (!order.has(end)) order.set(end, order.size)
  }
  return order
}
