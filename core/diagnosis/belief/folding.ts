import type { Catalogue } from '../catalogue/index.ts'
import type { JournalRead } from '../evidence/index.ts'
import type { FaultSet, Signatures } from '../signatures/index.ts'
import { linksOf } from './prior/links.ts'
import type { Belief } from './posterior.ts'
import { rowsByBelief } from './rowsByBelief.ts'

/** A second fault that makes the journal so many times likelier has something that speaks for it. Chosen */
const speaks = 1.5
/** rows below this share of the belief are left as they are */
const looked = 1e-6

/**
 * The belief with what nothing speaks for left out of larger sets: a fault of a set that makes the journal no likelier, was not seen and does
 * not belong to another of the set by damage or workaround is dropped, and its share goes to the rest of the set. For showing, and for
 * choosing checks: what may still stand, and what acting costs, go by the belief itself.
 *
 * @returns the belief itself once something has been repaired: from then on it is about what the repair left
 */
export function folded(catalogue: Catalogue, signatures: Signatures, journal: JournalRead, belief: Belief): Belief {
  if (journal.mendings.length > 0) return belief
  const { sets, rowOf } = signatures
  const seen = new Set(journal.seen.map(({ fault }) => fault))
  const near = linksOf(catalogue)
  const posterior = belief.posterior.slice()
  /** the row of a set without one fault nothing speaks for, whose rest is likeliest; the row itself where there is none */
  const without = (row: number, set: FaultSet): number => {
    let into = row
    for (const fault of set) {
      if (seen.has(fault) || set.some((one) => one !== fault && near[fault]!.has(one))) continue
      // single faults have their rows in order, after the one of nothing wrong
      const target = set.length === 2 ? (set[0] === fault ? set[1]! : set[0]!) + 1 : rowOf.get(set.filter((one) => one !== fault).join(','))
      if (target === undefined) continue
      const times = Math.exp(belief.logLikelihood[row]! - belief.logLikelihood[target]!)
      if (times < speaks && (into === row || belief.posterior[target]! > belief.posterior[into]!)) into = target
    }
    return into
  }
  // the likeliest first would move mass into what was passed already: larger sets come before smaller ones
  const rows = rowsByBelief(belief).filter((row) => (sets[row]?.length ?? 0) > 1 && belief.posterior[row]! > looked)
  for (const row of rows.sort((a, b) => sets[b]!.length - sets[a]!.length)) {
    const into = without(row, sets[row]!)
    if (into === row) continue
    posterior[into]! += posterior[row]!
    posterior[row] = 0
  }
  return { ...belief, posterior }
}
