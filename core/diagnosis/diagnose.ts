import { entriesOf, type Entry } from '../casebook/index.ts'
import { believe, type Belief } from './belief.ts'
import { accountOf, surprise } from './account.ts'
import type { Catalogue } from './catalogue.ts'
import { usualCosts } from './costs.ts'
import { answered, readJournal, type Case } from './evidence.ts'
import { closingOf, complaintLabel, openComplaints } from './closing.ts'
import { expectedOf, parted } from './expected.ts'
import { lookalikesOf, severalOf } from './lookalikes.ts'
import { nameOf } from './naming.ts'
import { leadingRows } from './leadingRows.ts'
import { grow } from './growing.ts'
import { hangsOn } from './hanging.ts'
import { accessLeft, rankChecks, type Ranking } from './nextCheck.ts'
import type { DiagnoseOptions } from './options.ts'
import { oddsBehind, originsOf } from './origins.ts'
import { partStates, standingNow, verdictOf } from './parts.ts'
import type { Experience } from './prior.ts'
import { carryOf, causesOf, remediesOf } from './remedies.ts'
import type { Diagnosis, NextCheck, Suspect } from './result.ts'
import type { Signatures } from './signatures.ts'
import { stopOf } from './stop.ts'

/**
 * Inverts the simulation: from a journal to suspects, the next check and everything that follows from them.
 * The same function serves browser, server and command line.
 *
 * @param catalogue what is known about this kind of boiler
 * @param known what every check reads under every hypothesis of that catalogue
 * @param entries the journal, in any order
 */
export function diagnose(catalogue: Catalogue, known: Signatures, entries: readonly Entry[], options: DiagnoseOptions = {}): Diagnosis {
  const { order = 'telling', cannot = [], also = [], detail = 8, experience } = options
  const journal = readJournal(catalogue, entries)
  const stop = stopOf(catalogue, entries)
  const findings = entriesOf(entries, 'finding').map(({ id, payload }) => ({
    entry: id,
    what: payload.what,
    explainsComplaint: payload.explainsComplaint ?? null,
  }))
  const empty: Diagnosis = {
    stop,
    verdict: null,
    suspects: [],
    several: null,
    parts: [],
    findings,
    causes: [],
    open: journal.complaints.map((entry) => ({ entry: entry.id, complaint: entry.payload.what, label: complaintLabel(catalogue, entry.payload.what) })),
    next: [],
    advice: null,
    standing: [],
    lookalikes: [],
    remedies: [],
    carry: [],
    closing: [],
    refused: journal.refused,
    doubted: journal.doubted,
    acts: journal.acts.map(({ entry, kind, value }) => ({ entry, action: kind.id, value: value ?? null })),
    contradiction: null,
    unexamined: 1,
    order,
  }
  if (stop) return { ...empty, closing: [`${stop.label}: make safe first.`] }

  const costs = { ...usualCosts, ...options.costs }
  const first = believe(catalogue, known, journal, experience)
  // where no pair explains it, larger sets are grown
  const { signatures, belief } = grow(catalogue, known, journal, first, experience) ?? { signatures: known, belief: first }
  const likeliest = leadingRows(belief, 0.9999)
  // a pair is set beside the singles on the pad only when it is a suspect of weight
  const onPad = likeliest.filter((row) => (signatures.sets[row]?.length ?? 0) < 2 || belief.posterior[row]! >= 0.1).slice(0, 5)
  const leaders = likeliest.filter((row, rank) => rank < detail || onPad.includes(row))
  const parts = partStates(catalogue, signatures, belief)
  // after a repair what stands out, and what would mend it, is about what still stands
  const found = verdictOf(catalogue, signatures, belief.posterior)
  const mended = journal.mendings.length > 0
  const shares = mended ? standingNow(signatures, belief) : belief.posterior
  const verdict = mended ? verdictOf(catalogue, signatures, shares) : found
  const done = new Set([...answered(journal), ...journal.impossible, ...cannot])
  const ranking = rankChecks(catalogue, signatures, belief, journal, order, done, costs)
  const best = ranking.checks.slice(0, detail)
  const asked = catalogue.checks.filter((check) => also.includes(check.id) && !best.some((one) => one.check === check))
  const next: NextCheck[] = [
    ...best,
    ...asked.map(
      (check) => ranking.checks.find((one) => one.check === check) ?? { check, bits: 0, minutes: check.minutes + accessLeft(journal, check.access) },
    ),
  ].map(({ check, bits, minutes, ...more }) => ({
    check: check.id,
    label: check.label,
    kind: check.kind,
    bits,
    minutes,
    cost: 'cost' in more && more.cost !== undefined ? more.cost : null,
    access: check.access,
    parts: parted(catalogue, signatures, belief, check, onPad),
    expected: onPad.map((row) => expectedOf(catalogue, signatures, belief, check, row)),
  }))
  const open = openComplaints(catalogue, signatures, belief, journal, found !== null)
  return {
    ...empty,
    verdict,
    suspects: leaders.map((row) => suspectOf(catalogue, signatures, belief, row, journal, experience)),
    several: severalOf(catalogue, signatures, belief),
    parts,
    causes: causesOf(catalogue, signatures, belief.posterior),
    open,
    next,
    advice: adviceOf(catalogue, signatures, belief, journal, ranking),
    standing: standingOf(catalogue, signatures, ranking),
    lookalikes: lookalikesOf(catalogue, signatures, belief, journal, leaders, done),
    remedies: remediesOf(catalogue, signatures, shares, costs, journal.tried),
    carry: carryOf(catalogue, signatures, shares, costs),
    closing: closingOf(catalogue, signatures, belief, journal, open),
    contradiction: surprise(signatures, belief),
    unexamined: belief.unexamined,
  }
}

function suspectOf(catalogue: Catalogue, signatures: Signatures, belief: Belief, row: number, journal: Case, experience?: Experience): Suspect {
  const set = signatures.sets[row] ?? []
  return {
    ...nameOf(catalogue, signatures, row),
    probability: belief.posterior[row]!,
    prior: belief.prior[row]!,
    origins: originsOf(catalogue, set),
    odds: oddsBehind(catalogue, set, journal.background, experience),
    account: accountOf(catalogue, signatures, belief, row),
  }
}

/** What may stand now, after what was repaired, by what it calls for. */
function standingOf(catalogue: Catalogue, signatures: Signatures, { groups }: Ranking): Diagnosis['standing'] {
  return groups
    .filter((one) => one.kind !== 'rare')
    .sort((a, b) => b.mass - a.mass)
    .slice(0, 8)
    .map(({ kind, remedies, mass, row }) => ({ kind, remedies, probability: mass, ...nameOf(catalogue, signatures, row) }))
}

/** Whether going on costs less than acting on what is known. */
function adviceOf(catalogue: Catalogue, signatures: Signatures, belief: Belief, journal: Case, { acting, act, going }: Ranking): Diagnosis['advice'] {
  const acts = acting <= going
  const again = acts && act ? hangsOn(catalogue, signatures, belief, journal, act) : null
  return {
    does: acts ? 'act' : 'check',
    kind: act?.kind ?? 'unlisted',
    remedies: act?.remedies ?? [],
    again: again && { check: again.id, label: again.label },
    acting,
    going: Number.isFinite(going) ? going : null,
  }
}
