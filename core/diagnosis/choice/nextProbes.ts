import type { Entry } from '../../casebook/index.ts'
import type { Circuit } from '../../system/index.ts'
import type { Asked } from '../../wiring/index.ts'
import { type Catalogue, type CheckOrder, type Experience, probeCheck, type ProbeSpec } from '../catalogue/index.ts'
import { weighJournal } from '../belief/index.ts'
import { answered } from '../evidence/index.ts'
import type { Signatures } from '../signatures/index.ts'
import { bitsOf } from './information.ts'

/** A terminal worth probing next. */
export interface NextProbe {
  spec: ProbeSpec
  bits: number
}

/** bits below which a probe is not worth the walk */
const worth = 0.04

/**
 * Terminals along a circuit’s path worth probing, best first: from the programmer on, from the boiler’s demand terminal back, or the most
 * telling. Those already read in this situation, with nothing repaired since, are left out.
 */
export function nextProbes(
  catalogue: Catalogue,
  known: Signatures,
  entries: readonly Entry[],
  circuit: Circuit,
  order: CheckOrder,
  asked: Asked,
  experience?: Experience,
): NextProbe[] {
  const path = catalogue.system.controls?.paths[circuit]
  if (!path) return []
  const { journal, signatures, belief } = weighJournal(catalogue, known, entries, experience)
  const tells = bitsOf(catalogue, signatures, belief, journal.tried)
  // what was read before a repair is worth reading again after it
  const done = new Set(answered(journal))
  const found = path.terminals.flatMap((over, place) => {
    const spec: ProbeSpec = { kind: 'volts', over, under: path.against, meter: 'tester', asked }
    const check = probeCheck(catalogue.system.controls!, spec)
    if (over === path.against || done.has(check.id)) return []
    return [{ spec, bits: tells(check), place }]
  })
  const telling = found.filter((one) => one.bits > worth)
  const sign = order === 'forward' ? 1 : -1
  telling.sort((a, b) => (order === 'telling' ? b.bits - a.bits : sign * (a.place - b.place)))
  return telling.map(({ spec, bits }) => ({ spec, bits }))
}
