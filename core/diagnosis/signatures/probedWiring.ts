import { type Asked, wire, type Wiring } from '../../wiring/index.ts'
import type { Parameters } from '../../system/index.ts'
import { type Catalogue, type Check, type Fault, payloadOf, type ProbeSpec } from '../catalogue/index.ts'
import { combined, healthyDraws, patched, severities } from './healthyPlants.ts'
import { drawCount, type FaultSet, type Signatures } from './hypotheses.ts'

/** Resistance from which an ohmmeter’s beep stays away, Ω. Common practice */
const beepsBelow = 50

const nominalChanges = new WeakMap<Fault, Parameters>()
/** What a fault changes in the nominal plant. */
function inNominal(fault: Fault): Parameters {
  let changes = nominalChanges.get(fault)
  if (!changes) nominalChanges.set(fault, (changes = patched(fault, severities(fault, drawCount)[0]!)))
  return changes
}

/** A wired system at rest in what is asked, with some faults present. */
export function wiredWith(catalogue: Catalogue, set: FaultSet, asked: Asked, more: Record<string, number> = {}): Wiring {
  const healthy = healthyDraws(catalogue.system, drawCount)[0]!
  const changes = set.map((index) => inNominal(catalogue.faults[index]!))
  // only what changes is copied: a plant has hundreds of parameters, the faults of its wiring thousands of pairs
  const touched = Object.fromEntries(changes.flatMap((change) => Object.keys(change).map((key) => [key, healthy[key]!])))
  const changed: Parameters = { ...combined(touched, changes), ...more }
  const wiring = wire(
    catalogue.system.controls!,
    (key) => {
      const value = changed[key] ?? healthy[key]
      if (value === undefined) throw new RangeError(`the wiring needs ${key}, which ${catalogue.system.id} does not have`)
      return value
    },
    (key, otherwise) => changed[key] ?? healthy[key] ?? otherwise,
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
