import { entriesOf, standing, type Entry } from '../casebook/index.ts'
import {
  accountOf,
  asFitted,
  carryOf,
  causesOf,
  closingOf,
  complaintLabel,
  expectedOf,
  fillSumOf,
  faultProbabilities,
  jobOf,
  lookalikesOf,
  nameOf,
  oddsBehind,
  openComplaints,
  originsOf,
  parted,
  partStates,
  plansOf,
  proofsOf,
  recordOf,
  remarksOf,
  remediesOf,
  replacementOf,
  severalOf,
  soundReadings,
  standingNow,
  surprise,
  verdictOf,
  whileOpen,
} from './account/index.ts'
import { type Belief, explaining, faultOdds, folded, leadingRows, rowsByBelief, weighJournal, type WeighedJournal } from './belief/index.ts'
import {
  allRules,
  demandsOf,
  usualCosts,
  type Catalogue,
  type Cause,
  type Check,
  type ChosenRemedy,
  type CheckOrder,
  type Costs,
  type DangerQuestion,
  type DiagnoseOptions,
  type Diagnosis,
  type NextCheck,
  type Plan,
  type Remark,
  type Rules,
  type Stop,
  type Suspect,
} from './catalogue/index.ts'
import { accessLeft, hangsOn, onSiteOf, rankChecks, type Ranking, runsFirst, runsThrough } from './choice/index.ts'
import { answered, blind, dangersIn, readJournal, readRecord, type JournalRead } from './evidence/index.ts'
import type { Signatures } from './signatures/index.ts'

/** suspects are listed down to this share */
const listed = 0.001
/** suspects and checks told of in full, where nobody says how many */
const usualDetail = 8
/** bits below which a check tells nothing of what was complained of */
const tellsNothing = 0.01

/**
 * Inverts the simulation: from a journal to suspects, the next check and everything that follows from them.
 * The same function serves browser, server and command line.
 *
 * @param catalogue what is known about this kind of boiler
 * @param known what every check reads under every hypothesis of that catalogue
 * @param entries the journal, in any order
 */
export function diagnose(catalogue: Catalogue, known: Signatures, entries: readonly Entry[], options: DiagnoseOptions = {}): Diagnosis {
  const { order = 'telling', cannot = [], also = [], detail = usualDetail, experience } = options
  const costs = { ...usualCosts, ...options.costs }
  const rules = { ...allRules, ...options.rules }

  // evidence: danger comes before everything
  const { stop, questions, had } = dangersIn(catalogue, entries)
  if (stop) return stopped(catalogue, entries, stop, questions, order)

  // belief
  const weighed = weighJournal(catalogue, known, entries, experience, rules)
  const { journal, signatures, belief } = weighed
  const { shown, onPad, leaders } = shownOf(catalogue, weighed, detail, rules)
  // after a repair what stands out, and what would mend it, is about what still stands
  const found = verdictOf(catalogue, signatures, belief.posterior)
  const mended = journal.mendings.length > 0
  const shares = mended ? standingNow(signatures, belief) : belief.posterior

  // choice
  const done = new Set([...answered(journal), ...blind(catalogue, journal), ...journal.impossible, ...cannot])
  const ranking = rankingOf(catalogue, weighed, order, done, costs, rules)

  // account
  const remarks = remarksOf(catalogue, signatures, belief, journal)
  const open = openComplaints(catalogue, signatures, belief, journal, found !== null)
  // what is done depends on the versions that are fitted
  const fitted = asFitted(catalogue, journal.circumstances.versions)
  const record = recordOf(fitted, signatures, belief, journal, entries, had)
  const owed = [...notRun(catalogue, journal, ranking), ...ranking.owed]
  const asked = record.flatMap((one) => (one.state === 'open' && one.asks ? (catalogue.checks.find(({ id }) => id === one.check) ?? []) : []))
  const plans = plansOf(fitted, signatures, shares, costs, journal.tried, options.ways?.prefers)
  const causes = causesOf(catalogue, signatures, belief.posterior, done)
  const jobs = jobsOf(fitted, journal, entries, plans, causes, options)
  return {
    ...told(catalogue, entries, journal),
    stop: null,
    questions,
    verdict: mended ? verdictOf(catalogue, signatures, shares) : found,
    suspects: suspectsOf(catalogue, shown, leaders, options),
    faults: Object.fromEntries([...faultProbabilities(signatures, belief.posterior)].map((probability, index) => [catalogue.faults[index]!.id, probability])),
    several: severalOf(catalogue, signatures, shown.belief),
    parts: partStates(catalogue, signatures, belief, weighed.pairs),
    causes,
    open,
    next: nextOf(catalogue, shown, ranking, [...again(catalogue, remarks), ...owed, ...asked], onPad, detail, also),
    advice: adviceOf(catalogue, weighed, ranking, owed),
    standing: standingOf(catalogue, signatures, belief, ranking),
    lookalikes: lookalikesOf(catalogue, signatures, shown.belief, journal, leaders, done),
    remedies: remediesOf(fitted, signatures, shares, costs, journal.tried),
    plans,
    ...jobs,
    whileOpen: whileOpen(fitted, jobs.chosen?.remedies ?? jobs.jobs[0]?.remedies ?? [], costs, options.prices, journal.tried),
    replacement: replacementOf(catalogue, plans, costs, journal.circumstances.age),
    carry: carryOf(catalogue, signatures, shares, costs, options.prices),
    telling: Object.fromEntries(Object.entries(ranking.telling).filter(([, bits]) => bits >= tellsNothing)),
    onSite: mended ? null : onSiteOf(catalogue, ranking.spoken),
    proofs: proofsOf(catalogue, signatures, journal),
    remarks,
    sound: soundReadings(catalogue, signatures, journal),
    record,
    closing: [...questions.map((one) => `${one.question} Not answered yet.`), ...closingOf(catalogue, signatures, belief, journal, open, record)],
    contradiction: surprise(signatures, belief),
    unexamined: belief.unexamined,
    order,
  }
}

/**
 * The suspects by themselves, as `diagnose` tells them: they move as soon as a reading is in, and what comes next takes longer to choose. Null while
 * something dangerous stands.
 */
export function suspectsNow(
  catalogue: Catalogue,
  known: Signatures,
  entries: readonly Entry[],
  options: DiagnoseOptions = {},
): Pick<Diagnosis, 'suspects' | 'several'> | null {
  if (dangersIn(catalogue, entries).stop) return null
  const rules = { ...allRules, ...options.rules }
  const weighed = weighJournal(catalogue, known, entries, options.experience, rules)
  const { shown, leaders } = shownOf(catalogue, weighed, options.detail ?? usualDetail, rules)
  return { suspects: suspectsOf(catalogue, shown, leaders, options), several: severalOf(catalogue, weighed.signatures, shown.belief) }
}

/** The belief as it is shown, the rows set side by side on the pad, and those told of in full. */
function shownOf(catalogue: Catalogue, weighed: WeighedJournal, detail: number, rules: Readonly<Rules>) {
  const { journal, signatures, belief } = weighed
  // what nothing speaks for is left out of what is shown, not of what may stand
  const spoken = rules.folded ? folded(catalogue, signatures, journal, belief) : belief
  const likeliest = leadingRows(spoken, 0.9999)
  // a pair is set beside the singles on the pad only when it is a suspect of weight
  const onPad = likeliest.filter((row) => (signatures.sets[row]?.length ?? 0) < 2 || spoken.posterior[row]! >= 0.1).slice(0, 5)
  const leaders = likeliest.filter((row, rank) => rank < detail || onPad.includes(row))
  return { shown: { ...weighed, belief: spoken }, onPad, leaders }
}

/** the last ranking of each journal weighed, and what it was made for */
const ranked = new WeakMap<WeighedJournal, { key: string; ranking: Ranking }>()

/** Ranks once what is asked twice: somebody who chooses a check by hand asks for the same journal again. */
function rankingOf(catalogue: Catalogue, weighed: WeighedJournal, order: CheckOrder, done: ReadonlySet<string>, costs: Costs, rules: Readonly<Rules>): Ranking {
  const key = JSON.stringify([order, [...done].sort(), costs, rules])
  const before = ranked.get(weighed)
  if (before?.key === key) return before.ranking
  const ranking = rankChecks(catalogue, weighed.signatures, weighed.belief, weighed.journal, order, done, costs, undefined, rules)
  ranked.set(weighed, { key, ranking })
  return ranking
}

/** What a journal says before anything is weighed. */
function told(catalogue: Catalogue, entries: readonly Entry[], journal: JournalRead): Pick<Diagnosis, 'findings' | 'refused' | 'doubted' | 'acts' | 'advised'> {
  return {
    advised: readRecord(catalogue, entries).advised.map(({ entry, about, what, answer, due }) => ({
      ...{ entry, what, answer },
      about: about ?? null,
      due: due ?? null,
    })),
    findings: entriesOf(entries, 'finding').map(({ id, payload }) => ({
      entry: id,
      what: payload.what,
      explainsComplaint: payload.explainsComplaint ?? null,
    })),
    refused: journal.refused,
    doubted: journal.doubted,
    acts: journal.acts.map(({ entry, kind, value }) => ({ entry, action: kind.id, value: value ?? null })),
  }
}

/** Nothing is worked out while something dangerous stands. */
function stopped(catalogue: Catalogue, entries: readonly Entry[], stop: Stop, questions: DangerQuestion[], order: string): Diagnosis {
  const journal = readJournal(catalogue, entries)
  return {
    ...told(catalogue, entries, journal),
    stop,
    questions,
    verdict: null,
    suspects: [],
    faults: {},
    several: null,
    parts: [],
    causes: [],
    open: journal.complaints.map((entry) => ({ entry: entry.id, complaint: entry.payload.what, label: complaintLabel(catalogue, entry.payload.what) })),
    next: [],
    advice: null,
    standing: [],
    lookalikes: [],
    remedies: [],
    plans: [],
    jobs: [],
    chosen: null,
    whileOpen: [],
    replacement: null,
    carry: [],
    telling: {},
    onSite: null,
    proofs: [],
    record: [],
    remarks: [],
    sound: {},
    closing: [`${stop.label}: make safe first.`],
    contradiction: null,
    unexamined: 1,
    order,
  }
}

/** Every plan as it is worked through, and the one that was chosen: that one stays as it is, whatever is mended meanwhile. */
function jobsOf(
  fitted: Catalogue,
  { circumstances, complaints }: JournalRead,
  entries: readonly Entry[],
  plans: readonly Plan[],
  causes: readonly Cause[],
  { ways }: DiagnoseOptions,
): Pick<Diagnosis, 'jobs' | 'chosen'> {
  const context = {
    ways,
    sums: fillSumOf(fitted, circumstances.parameters ?? {}, ways?.fill),
    causes: causes.flatMap((one) => one.by[0]?.label ?? []),
    complaints: complaints.map((one) => complaintLabel(fitted, one.payload.what)),
  }
  const made = (plan: string, remedies: ChosenRemedy[]) => ({ plan, remedies, job: jobOf(fitted, remedies, context) })
  const decision = entriesOf(standing(entries), 'decision').findLast((one) => one.payload.kind === 'planChosen' && one.payload.remedies)
  return {
    jobs: plans.map((one) =>
      made(
        one.id,
        one.steps.map(({ remedy, faults }) => ({ remedy, faults })),
      ),
    ),
    chosen: decision ? { ...made(decision.payload.plan ?? '', decision.payload.remedies as ChosenRemedy[]), entry: decision.id } : null,
  }
}

/** Suspects, likeliest first: the leading ones with their account, the others down to a thousandth without. */
function suspectsOf(
  catalogue: Catalogue,
  { journal, signatures, belief }: WeighedJournal,
  leaders: readonly number[],
  { experience }: DiagnoseOptions,
): Suspect[] {
  const circumstances = { ...journal.circumstances, experience }
  const odds = faultOdds(catalogue, circumstances)
  const wanted = new Set(leaders)
  const rows: number[] = []
  for (const row of rowsByBelief(belief)) {
    if (belief.posterior[row]! < listed && rows.length >= leaders.length) break
    if (belief.posterior[row]! >= listed || wanted.has(row)) rows.push(row)
  }
  const explained = explaining(catalogue, signatures, journal)
  const complained = journal.complaints.map((one) => one.payload.what)
  return rows.map((row) => {
    const set = signatures.sets[row] ?? []
    return {
      ...nameOf(catalogue, signatures, row),
      probability: belief.posterior[row]!,
      prior: belief.prior[row]!,
      explains: explained && set.length > 0 ? [...new Set(explained(set).map((one) => complained[one]!))] : null,
      origins: originsOf(catalogue, set),
      odds: oddsBehind(catalogue, set, odds, circumstances),
      account: wanted.has(row) ? accountOf(catalogue, signatures, belief, row) : [],
    }
  })
}

/** What is to be read again comes before anything new. */
function again({ checks }: Catalogue, remarks: readonly Remark[]): Check[] {
  return remarks.flatMap((one) => checks.find(({ id }) => id === one.again?.check) ?? [])
}

/**
 * Nothing is "nothing more" before what failed has run, and nothing is done a second time before it was seen to be in vain: the demands complained of
 * that were not run since the repair.
 */
function notRun(catalogue: Catalogue, journal: JournalRead, { act }: Ranking): Check[] {
  if (!act || !runsFirst(journal, act)) return []
  const failed = new Set(journal.complaints.flatMap((one) => demandsOf(catalogue, one.payload.what)))
  const done = new Set(answered(journal))
  return runsThrough(catalogue).filter((check) => (failed.size === 0 || failed.has(check.runsThrough!)) && !done.has(check.id))
}

/**
 * The checks worth doing next and those asked for, with where each suspect says they will fall.
 *
 * @param before what comes before all that is worth something: to be read again, or owed
 */
function nextOf(
  catalogue: Catalogue,
  { journal, signatures, belief }: WeighedJournal,
  { checks: all, parting }: Ranking,
  before: readonly Check[],
  onPad: number[],
  detail: number,
  also: readonly string[],
): NextCheck[] {
  // what parts nothing is offered behind four that do, or not at all
  const minutesOf = (check: Check) => check.minutes + accessLeft(journal, check.access)
  const urgent = [...new Set(before)]
  const first = urgent.map((check) => all.find((one) => one.check === check) ?? { check, bits: 0, minutes: minutesOf(check) })
  const checks = [...first, ...all.filter((one) => !urgent.includes(one.check))]
  const best = checks.slice(0, parting !== null && parting < 4 ? Math.min(parting + urgent.length, detail) : detail)
  const asked = catalogue.checks
    .filter(({ id }) => also.includes(id) && !best.some((one) => one.check.id === id))
    .map((check) => checks.find((one) => one.check === check) ?? { check, bits: 0, minutes: minutesOf(check) })
  return [...best, ...asked].map(({ check, bits, minutes, ...more }) => ({
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
}

/** What may stand now, after what was repaired, by what it calls for; what was mended in vain may be something on no list. */
function standingOf(catalogue: Catalogue, signatures: Signatures, belief: Belief, { groups }: Ranking): Diagnosis['standing'] {
  const unlisted = signatures.sets.length + 1
  const known = groups.filter((one) => one.kind !== 'rare').map((one) => ({ ...one, inVain: one.mass * belief.notListed(one.row) }))
  const inVain = known.reduce((sum, one) => sum + one.inVain, 0)
  const listed = known.map(({ inVain: away, mass, ...one }) => ({ ...one, mass: mass - away + (one.kind === 'unlisted' ? inVain : 0) }))
  if (inVain > 0 && !listed.some((one) => one.kind === 'unlisted')) listed.push({ kind: 'unlisted', remedies: [], mass: inVain, row: unlisted })
  return listed
    .sort((a, b) => b.mass - a.mass)
    .slice(0, 8)
    .map(({ kind, remedies, mass, row }) => ({ kind, remedies, probability: mass, ...nameOf(catalogue, signatures, row) }))
}

/** Whether going on costs less than acting on what is known. */
function adviceOf(
  catalogue: Catalogue,
  { journal, signatures, belief }: WeighedJournal,
  { acting, act, going }: Ranking,
  owed: readonly Check[],
): Diagnosis['advice'] {
  const acts = acting <= going && owed.length === 0
  const oneReading = acts && act ? hangsOn(catalogue, signatures, belief, journal, act) : null
  return {
    does: acts ? 'act' : 'check',
    kind: act?.kind ?? 'unlisted',
    remedies: act?.remedies ?? [],
    again: oneReading && { check: oneReading.id, label: oneReading.label },
    first: owed.map(({ id, label }) => ({ check: id, label })),
    acting,
    going: Number.isFinite(going) ? going : null,
  }
}
