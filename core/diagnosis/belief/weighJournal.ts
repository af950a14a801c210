import type { Entry } from '../../casebook/index.ts'
import { allRules, type Catalogue, type Experience, type Rules } from '../catalogue/index.ts'
import { readJournal, type JournalRead } from '../evidence/index.ts'
import type { Signatures } from '../signatures/index.ts'
import { grow } from './multiFaultSearch.ts'
import { believe, type Belief } from './posterior.ts'
import { askAboutUnits } from './reading/slippedUnits.ts'

/** What one journal makes of it all: what it says, what is weighed, and what is believed. */
export interface WeighedJournal {
  journal: JournalRead
  /** the signatures the belief is over: those given, or larger sets grown from them where no pair explains the journal */
  signatures: Signatures
  belief: Belief
  /** the same over every pair, where larger sets were grown */
  pairs: { signatures: Signatures; belief: Belief }
}

/** the latest for each set of signatures: suspects, probes and pairs are asked about one journal, one after the other */
const latest = new WeakMap<Signatures, { catalogue: Catalogue; key: string; weighed: WeighedJournal }>()

/**
 * The one belief everything goes by: suspects, next checks, wiring probes and the choice of pairs worth simulating.
 *
 * @param known what every check reads under every hypothesis of the catalogue
 * @param entries the journal, in any order
 */
export function weighJournal(
  catalogue: Catalogue,
  known: Signatures,
  entries: readonly Entry[],
  experience?: Experience,
  rules: Readonly<Rules> = allRules,
): WeighedJournal {
  const key = JSON.stringify([entries, experience, rules])
  const before = latest.get(known)
  if (before?.catalogue === catalogue && before.key === key) return before.weighed
  const journal = askAboutUnits(catalogue, known, readJournal(catalogue, entries), entries)
  const belief = believe(catalogue, known, journal, experience, rules)
  const pairs = { signatures: known, belief }
  const weighed = { journal, pairs, ...(grow(catalogue, known, journal, belief, experience, rules) ?? pairs) }
  latest.set(known, { catalogue, key, weighed })
  return weighed
}
