import type { Entry } from '../../casebook/index.ts'
import { folded, leadingRows, weighJournal } from '../belief/index.ts'
import { type Catalogue, type Check, type Expected, type Experience, probeCheck, type ProbeSpec } from '../catalogue/index.ts'
import { bitsOf } from '../choice/index.ts'
import { probed, type Signatures, wiredWith } from '../signatures/index.ts'
import { expectedOf, parted } from './expected.ts'

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

/**
 * What a meter between two terminals should read now: healthy, and under each leading suspect.
 *
 * @param entries the journal so far; empty on the bench
 * @throws RangeError naming a terminal the scheme does not have
 */
export function probing(catalogue: Catalogue, known: Signatures, entries: readonly Entry[], spec: ProbeSpec, experience?: Experience): Probing {
  const check = probeCheck(catalogue.system.controls!, spec)
  const { journal, signatures, belief: whole } = weighJournal(catalogue, known, entries, experience)
  const belief = folded(catalogue, signatures, journal, whole)
  const leaders = leadingRows(belief, 0.9999).slice(0, 6)
  const wiring = wiredWith(catalogue, [], spec.asked)
  const floating = wiring.net.island[wiring.net.node(spec.over)] !== wiring.net.island[wiring.net.node(spec.under)]
  const value = probed(wiring, spec)
  return {
    check,
    healthy: check.result.kind === 'outcome' ? { outcome: check.result.outcomes[value]!.id, floating } : { volts: value, floating },
    expected: leaders.map((row) => expectedOf(catalogue, signatures, belief, check, row)),
    parts: parted(catalogue, signatures, belief, check, leaders),
    bits: bitsOf(catalogue, signatures, belief, journal.tried)(check),
  }
}
