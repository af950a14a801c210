import type { Entry } from '../casebook/index.ts'
import type { Circuit } from '../system/index.ts'
import type { Asked } from '../wiring/index.ts'
import { believe, type Belief } from './belief.ts'
import type { Catalogue, Check, ProbeSpec } from './catalogue.ts'
import { readJournal, type Case } from './evidence.ts'
import { expectedOf, parted } from './expected.ts'
import { informationOf } from './information.ts'
import { leadingRows } from './leadingRows.ts'
import type { Order } from './nextCheck.ts'
import { probeCheck, probed, wiredWith } from './probe.ts'
import type { Expected } from './result.ts'
import type { Signatures } from './signatures.ts'

/** What a meter between two terminals is expected to read. */
export interface Probing {
  check: Check
  /** on a healthy system: volts, or an outcome; `floating` when nothing but air joins the two */
  healthy: { volts?: number; outcome?: string; floating: boolean }
  /** per leading suspect, likeliest first */
  expected: Expected[]
  /** suspects the reading would part from the leader */
  parts: string[]
  /** bits it is expected to tell about what is at fault */
  bits: number
}

/** A terminal worth probing next. */
export interface NextProbe {
  spec: ProbeSpec
  bits: number
}

/**
 * What a meter between two terminals should read now: healthy, and under each leading suspect.
 *
 * @param entries the journal so far; empty on the bench
 * @throws RangeError naming a terminal the scheme does not have
 */
export function probing(catalogue: Catalogue, signatures: Signatures, entries: readonly Entry[], spec: ProbeSpec): Probing {
  const check = probeCheck(catalogue.system.controls!, spec)
  const { belief, bitsOf } = thought(catalogue, signatures, entries)
  const leaders = leadingRows(belief, 0.9999).slice(0, 6)
  const wiring = wiredWith(catalogue, [], spec.asked)
  const floating = wiring.net.island[wiring.net.node(spec.over)] !== wiring.net.island[wiring.net.node(spec.under)]
  const value = probed(wiring, spec)
  return {
    check,
    healthy: check.result.kind === 'outcome' ? { outcome: check.result.outcomes[value]!.id, floating } : { volts: value, floating },
    expected: leaders.map((row) => expectedOf(catalogue, signatures, belief, check, row)),
    parts: parted(catalogue, signatures, belief, check, leaders),
    bits: bitsOf(check),
  }
}

/** What one journal makes of it all. */
interface Thought {
  key: string
  journal: Case
  belief: Belief
  bitsOf: (check: Check) => number
}
/** the latest for each set of signatures: probe after probe is asked about one journal */
const latest = new WeakMap<Signatures, Thought>()

function thought(catalogue: Catalogue, signatures: Signatures, entries: readonly Entry[]): Thought {
  const key = entries.map((one) => one.id).join()
  let known = latest.get(signatures)
  if (known?.key !== key) {
    const journal = readJournal(catalogue, entries)
    const belief = believe(catalogue, signatures, journal)
    known = { key, journal, belief, bitsOf: informationOf(catalogue, signatures, belief) }
    latest.set(signatures, known)
  }
  return known
}

/** bits below which a probe is not worth the walk */
const worth = 0.04

/**
 * Terminals along a circuit’s path worth probing, best first: from the programmer on, from the boiler’s demand terminal back, or the most
 * telling. Those already read in this situation are left out.
 */
export function nextProbes(catalogue: Catalogue, signatures: Signatures, entries: readonly Entry[], circuit: Circuit, order: Order, asked: Asked): NextProbe[] {
  const path = catalogue.system.controls?.paths[circuit]
  if (!path) return []
  const { journal, bitsOf } = thought(catalogue, signatures, entries)
  const done = new Set(journal.evidence.map((one) => one.check.id))
  const found = path.terminals.flatMap((over, place) => {
    const spec: ProbeSpec = { kind: 'volts', over, under: path.against, meter: 'tester', asked }
    const check = probeCheck(catalogue.system.controls!, spec)
    if (over === path.against || done.has(check.id)) return []
    return [{ spec, bits: bitsOf(check), place }]
  })
  const telling = found.filter((one) => one.bits > worth)
  const sign = order === 'forward' ? 1 : -1
  telling.sort((a, b) => (order === 'telling' ? b.bits - a.bits : sign * (a.place - b.place)))
  return telling.map(({ spec, bits }) => ({ spec, bits }))
}
