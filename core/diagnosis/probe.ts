import type { EntryOf } from '../casebook/index.ts'
import { terminalsOf, type Circuit, type ControlScheme } from '../system/index.ts'
import { wire, type Asked, type Move, type Wiring } from '../wiring/index.ts'
import type { Catalogue, Check, ProbeSpec } from './catalogue.ts'
import { combined, healthyDraws } from './draws.ts'
import { drawCount, plantOf, type FaultSet, type Signatures } from './signatures.ts'

/** Ids under which a journal holds readings between two terminals. */
const probeKinds = { 'probe.volts': 'volts', 'probe.continuity': 'continuity' } as const
type ProbeId = keyof typeof probeKinds
type Reading = EntryOf<'reading'>['payload']

/** Whether a check id is that of a meter between two terminals. */
export function isProbe(id: string): id is ProbeId {
  return id in probeKinds
}

/** Resistance from which an ohmmeter’s beep stays away, Ω. Common practice */
const beepsBelow = 50

/** Words for a terminal: its device, its name, its number. */
export function terminalWords(scheme: ControlScheme, terminal: string): string {
  const device = scheme.devices.find((one) => one.id === terminal.slice(0, terminal.indexOf('.')))
  const name = terminal.slice(terminal.indexOf('.') + 1)
  return device ? `${device.label} ${scheme.terminalWords[name] ?? name} (${device.terminals[name]})` : terminal
}

/** A meter between two terminals as a check, in its own words. */
export function probeCheck(scheme: ControlScheme, spec: ProbeSpec): Check {
  const { kind, over, under, meter, asked } = spec
  const between = `${terminalWords(scheme, over)} – ${terminalWords(scheme, under)}`
  const demand = asked.cold.hotWater ? 'hotWater' : Object.values(asked.cold).some(Boolean) ? 'heating' : 'none'
  return {
    id: `probe.${kind} ${JSON.stringify(payloadOf(spec))}`,
    kind: 'measure',
    label: `${kind === 'volts' ? 'Volts' : 'Continuity'}, ${between}`,
    situation: { demand, ...(asked.isolated && { powerOff: true }) },
    place: between,
    result:
      kind === 'volts'
        ? {
            kind: 'number',
            unit: 'V',
            read: { parameter: 'supply.live' },
            instrument: meter === 'tester' ? 'lowImpedance' : 'voltmeter',
            width: 4,
            scale: 'linear',
            range: [0, 250],
            possible: [-5, 440],
          }
        : {
            kind: 'outcome',
            outcomes: [
              { id: 'open', label: 'open' },
              { id: 'beeps', label: 'beeps' },
              { id: 'ohms', label: 'some resistance, no beep' },
            ],
            decide: { rules: [], otherwise: 'open' },
            confusion: 0.02,
          },
    minutes: 2,
    access: 'live',
    cautions:
      kind === 'volts'
        ? ['Live terminals: insulated probes, one hand, nobody else near. Prove the meter before and after.']
        : ['Prove dead first: meter proved on a known source, L–N, L–E, N–E, meter proved again; fuse out, isolator locked.'],
    how: [],
    probe: spec,
  }
}

/** Why a probe reading cannot be taken, in words that say what to do; null when it can. */
export function probeProblem(scheme: ControlScheme, spec: ProbeSpec): string | null {
  const known = terminalsOf(scheme)
  for (const terminal of [spec.over, spec.under])
    if (!known.includes(terminal)) return `“${terminal}” is no terminal of ${scheme.label}: name two of ${known.join(', ')}, with | between them.`
  if (spec.over === spec.under) return 'Both probes are on one terminal: that always reads nothing. Move one.'
  if (spec.kind === 'continuity' && !spec.asked.isolated)
    return 'Continuity is tested dead: an ohmmeter on live wires lies, or dies. Isolate, prove dead, then test.'
  if (spec.kind === 'volts' && spec.asked.isolated)
    return 'With the fuse out every terminal reads nothing: voltage is measured live, or test continuity instead.'
  for (const { conductor, terminal } of spec.asked.moved ?? []) {
    if (!scheme.conductors.some((one) => one.id === conductor)) return `“${conductor}” is no conductor of ${scheme.label}.`
    if (!known.includes(terminal)) return `“${terminal}” is no terminal of ${scheme.label}.`
  }
  return null
}

/** What a journal’s reading says of where the meter was and what was asked. */
export function specOf(check: ProbeId, { place = '', situation, instrument }: Reading): ProbeSpec {
  const [over = '', under = ''] = place.split('|')
  const demand = situation?.demand ?? 'none'
  const off = situation?.isolated ?? []
  const cold: Partial<Record<Circuit, boolean>> = {
    heating: demand === 'heating' || demand === 'both',
    hotWater: demand === 'hotWater' || demand === 'both',
    ...Object.fromEntries((situation?.open ?? []).map((circuit) => [circuit, true])),
  }
  const moved = (situation?.moved ?? []).map(moveOf)
  return {
    kind: probeKinds[check],
    over,
    under,
    meter: instrument === 'tester' ? 'tester' : 'multimeter',
    asked: {
      programmed: { heating: !off.includes('programmer.heating'), hotWater: !off.includes('programmer.hotWater') },
      cold,
      ...(situation?.powerOff && { isolated: true }),
      ...(moved.length > 0 && { moved }),
    },
  }
}

/** A conductor moved for a test as the journal holds it, in a reading’s situation or as an act. */
export function movedAs({ conductor, end, terminal }: Move): string {
  return `${conductor}>${end}>${terminal}`
}

/** The same the other way round. */
export function moveOf(written: string): Move {
  const [conductor = '', end = '', terminal = ''] = written.split('>')
  return { conductor, end: end === 'from' ? 'from' : 'to', terminal }
}

/** What a meter was put on, as a reading’s place, instrument and situation. */
export function payloadOf({ over, under, meter, asked }: ProbeSpec): Pick<Reading, 'place' | 'instrument' | 'situation'> {
  const { heating, hotWater, ...more } = asked.cold
  const off = (['heating', 'hotWater'] as const).filter((circuit) => !asked.programmed[circuit]).map((circuit) => `programmer.${circuit}`)
  const open = Object.keys(more).filter((circuit) => more[circuit as keyof typeof more])
  return {
    place: `${over}|${under}`,
    instrument: meter,
    situation: {
      demand: heating ? (hotWater ? 'both' : 'heating') : hotWater ? 'hotWater' : 'none',
      ...(open.length > 0 && { open }),
      ...(off.length > 0 && { isolated: off }),
      ...(asked.moved && { moved: asked.moved.map(movedAs) }),
      ...(asked.isolated && { powerOff: true }),
    },
  }
}

/** A wired system at rest in what is asked, with some faults present. */
export function wiredWith(catalogue: Catalogue, set: FaultSet, asked: Asked, more: Record<string, number> = {}): Wiring {
  const parameters = { ...plantOf(catalogue, set, 0), ...more }
  const wiring = wire(
    catalogue.system.controls!,
    (key) => {
      const value = parameters[key]
      if (value === undefined) throw new RangeError(`the wiring needs ${key}, which ${catalogue.system.id} does not have`)
      return value
    },
    (key, otherwise) => parameters[key] ?? otherwise,
  )
  wiring.settle(asked)
  return wiring
}

/** What one wired system reads: volts, or the index of the outcome. */
export function probed(wiring: Wiring, { kind, over, under, meter }: ProbeSpec): number {
  if (kind === 'volts') return wiring.read(over, under, meter, wiring.net.island[wiring.net.node(over)] !== wiring.net.island[wiring.net.node(under)]).volts
  const ohms = wiring.ohms(over, under)
  return ohms < beepsBelow ? 1 : Number.isFinite(ohms) && ohms < 1e6 ? 2 : 0
}

/** Volts of every node, and islands, of every set of faults that concerns the wiring: one table a situation. */
interface Situation {
  nodes: Map<string, { re: Float64Array; island: Int32Array }>
  columns: Map<string, Float32Array>
}
const situations = new WeakMap<Signatures, Map<string, Situation>>()
/** situations kept at once: an evening’s worth of one case */
const kept = 24

/**
 * What a probe reads under every hypothesis: one value a plant, that of the nominal plant with the row’s faults. Faults that touch
 * nothing of the wiring read like a healthy system.
 */
export function probeColumn(catalogue: Catalogue, signatures: Signatures, spec: ProbeSpec): Float32Array {
  let all = situations.get(signatures)
  if (!all) situations.set(signatures, (all = new Map()))
  const key = JSON.stringify(payloadOf(spec).situation)
  let situation = all.get(key)
  if (!situation) {
    if (all.size >= kept) all.clear()
    all.set(key, (situation = { nodes: new Map(), columns: new Map() }))
  }
  const name = JSON.stringify([spec.kind, spec.over, spec.under, spec.meter])
  let column = situation.columns.get(name)
  if (!column) situation.columns.set(name, (column = build(catalogue, signatures, spec, situation)))
  return column
}

function build(catalogue: Catalogue, { sets, first, draws }: Signatures, spec: ProbeSpec, { nodes }: Situation): Float32Array {
  const own = new Set(catalogue.system.controls!.components.flatMap(({ id, parameters }) => Object.keys(parameters).map((name) => `${id}.${name}`)))
  const concerns = catalogue.faults.map(({ patch }) => Object.keys(patch).some((key) => own.has(key)))
  const values = new Float32Array(first[sets.length + 1]!)
  const known = new Map<string, number>()
  const { over, under } = spec
  const reference = wiredWith(catalogue, [], spec.asked)
  const [a, b] = [reference.net.node(over), reference.net.node(under)]
  const valueOf = (set: number[]): number => {
    const key = set.join(',')
    let value = known.get(key)
    if (value !== undefined) return value
    let state = nodes.get(key)
    if (state && spec.kind === 'volts' && state.island[a] === state.island[b]) value = Math.abs(state.re[a]! - state.re[b]!)
    else {
      const wiring = set.length === 0 ? reference : wiredWith(catalogue, set, spec.asked)
      state = { re: Float64Array.from(wiring.net.re), island: Int32Array.from(wiring.net.island) }
      nodes.set(key, state)
      value = probed(wiring, spec)
    }
    known.set(key, value)
    return value
  }
  sets.forEach((set, row) => values.fill(valueOf(set.filter((fault) => concerns[fault])), first[row]!, first[row + 1]!))
  const patches = catalogue.prior.noDemandPatches
  const silent = patches.map((patch) => probed(wiredWith(catalogue, [], spec.asked, combined(healthyDraws(catalogue.system, drawCount)[0]!, [patch])), spec))
  for (let draw = 0; draw < draws; draw++) values[first[sets.length]! + draw] = silent[draw % silent.length]!
  return values
}

/** What a simulated check reads in a plant: from the signatures, or from the circuit for a probe. */
export function readings(catalogue: Catalogue, signatures: Signatures, check: Check): (plant: number) => number {
  if (check.probe) {
    const column = probeColumn(catalogue, signatures, check.probe)
    return (plant) => column[plant]!
  }
  const { checks, values } = signatures
  const width = checks.length
  const column = checks.indexOf(check.id)
  return (plant) => values[plant * width + column]!
}
