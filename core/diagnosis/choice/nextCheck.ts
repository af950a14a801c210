import { type Belief, explaining, folded } from '../belief/index.ts'
import { type Access, allRules, type Catalogue, type Check, type CheckOrder, type Costs, type Rules, timeCosts, usualCosts } from '../catalogue/index.ts'
import type { JournalRead } from '../evidence/index.ts'
import type { Signatures } from '../signatures/index.ts'
import { tracingOrder } from './alongTheSequence.ts'
import { wrongActs } from './costs.ts'
import { type Weighing, weighing } from './information.ts'
import { lookAhead } from './lookAhead.ts'
import { owedBefore } from './lookalikesFirst.ts'

/** A check with what it is worth. */
export interface RankedCheck {
  check: Check
  /** bits it is expected to tell about which parts are at fault */
  bits: number
  /** minutes on site, what must come off first included */
  minutes: number
  /** money from here to a proven repair, the right repair itself not counted, if this is done next; only of those looked at ahead */
  cost?: number
}

/** The checks worth doing, and what acting at once would cost beside them. */
export interface Ranking {
  checks: RankedCheck[]
  /** how many of the first of them part the suspects of what was complained of; null where nothing has to be parted */
  parting: number | null
  /** cheap checks of what looks like what is about to be condemned: they come first */
  owed: Check[]
  /** expected cost of acting at once, by the best order of repairs */
  acting: number
  /** what to act on, if at once */
  act: Weighing['groups'][number] | null
  /** expected cost of the best way on with a check first; infinite when none is left */
  going: number
  /** what may stand now, by what it calls for */
  groups: Weighing['groups']
  /** the same with what nothing speaks for left out */
  spoken: Weighing['groups']
  /** bits each check tells about what was complained of */
  telling: Record<string, number>
}

/** bits below which a check is passed over when tracing along the sequence */
const worthTracing = 0.03
/** How many checks are looked at ahead: the most telling for their minutes, and of the rest the most telling of all. */
const lookedAhead = 10
const alsoTelling = 4
/** What a bit costs later against the best price now: the easy ones go first. Chosen by evaluation */
const dearer = 1.5
/** Minutes a bit takes by checks where everything is open. Chosen by evaluation */
export const minutesPerBit = 4

/** Minutes to get at something and to put it back, once a visit. Common practice. */
export const accessMinutes: Record<Access, number> = { none: 0, caseOff: 5, live: 2, dead: 2, drained: 20 }
/** minutes any check takes before it begins and after it ends: turning to it, writing it down. Assumed */
export const turningTo = 2

/** What remains to be paid for access after what was opened on this visit. */
export function accessLeft(journal: JournalRead, access: Access): number {
  if (access === 'none') return 0
  const opened = new Set(journal.evidence.flatMap((one) => (one.visit === journal.visit ? [one.check.access] : [])))
  const terminals = opened.has('live') || opened.has('dead')
  const paid = opened.has(access) || ((access === 'live' || access === 'dead') && terminals) || (access === 'caseOff' && (terminals || opened.has('drained')))
  return paid ? 0 : accessMinutes[access]
}

/**
 * The checks worth doing, best first: by lowest expected cost up to a proven repair, or along the sequence of operation from either end.
 * The most telling for their minutes are looked at two steps ahead; the rest follow by what they tell a minute.
 *
 * @param excluded checks that cannot be done or were done
 * @param ahead whether to look ahead at all
 */
export function rankChecks(
  catalogue: Catalogue,
  signatures: Signatures,
  belief: Belief,
  journal: JournalRead,
  order: CheckOrder,
  excluded: ReadonlySet<string>,
  costs: Costs = usualCosts,
  ahead = order === 'telling',
  rules: Readonly<Rules> = allRules,
): Ranking {
  const weighed = weighing(catalogue, signatures, belief, journal.tried)
  const wrong = wrongActs(catalogue, weighed.groups, costs, journal)
  // a second fault nothing speaks for makes every check of it look worth its while
  const spoken = rules.folded ? folded(catalogue, signatures, journal, belief) : belief
  const shown = spoken === belief ? weighed : weighing(catalogue, signatures, spoken, journal.tried)
  const ranked: RankedCheck[] = []
  for (const check of catalogue.checks) {
    if (excluded.has(check.id)) continue
    const bits = shown.bits(check)
    if (bits > 0.01) ranked.push({ check, bits, minutes: check.minutes + accessLeft(journal, check.access) })
  }
  const { groups } = weighed
  const { best, rest, acting, act, going } = aheadOf(weighed, wrong, ranked, timeCosts(costs, 1), ahead ? lookedAhead : 0)
  const about = groups[act] ?? null
  const owed =
    rules.lookalikes && acting <= going && about?.kind === 'faults' ? owedBefore(catalogue, signatures, belief, journal, about.remedies, excluded) : []
  if (order === 'telling') {
    const all = [...(rules.freeFirst ? freeFirst(best) : best), ...rest]
    const leaders = rules.parting ? suspected(catalogue, signatures, journal, shown) : []
    const among = (one: RankedCheck) => (leaders.length > 1 ? shown.bitsAmong(one.check, leaders) : one.bits)
    const tells = new Map(all.map((one) => [one, among(one)]))
    const parts = leaders.length > 1 ? all.filter((one) => tells.get(one)! >= partsAtLeast) : []
    const parted = parts.length > 0 ? [...parts, ...all.filter((one) => !parts.includes(one))] : all
    const checks = rules.parting ? earlyOnes(catalogue, journal, parted, parts.length > 0 ? parts : all) : parted
    const toldBy = Object.fromEntries(all.map((one) => [one.check.id, tells.get(one)!]))
    return { checks, parting: parts.length > 0 ? parts.length : null, owed, acting, act: about, going, groups, spoken: shown.groups, telling: toldBy }
  }
  const traced = tracingOrder(
    catalogue,
    journal,
    weighed,
    ranked.filter((one) => one.bits > worthTracing),
    order,
    telling,
  )
  const others = ranked.filter((one) => !traced.includes(one))
  return {
    checks: [...traced, ...others],
    parting: null,
    owed,
    acting,
    act: about,
    going,
    groups,
    spoken: shown.groups,
    telling: Object.fromEntries(ranked.map((one) => [one.check.id, one.bits])),
  }
}

/** how many checks are seen at a glance */
const first = 4

/** a check that opens nothing and takes no longer is free and quick, minutes; it comes first unless another is cheaper in the end by this share. Chosen */
const quick = { minutes: 3, margin: 0.03 }

/** What is free and quick before opening and clamping, unless the sum says otherwise by a clear margin. */
function freeFirst(best: RankedCheck[]): RankedCheck[] {
  const isFree = ({ check }: RankedCheck) => check.access === 'none' && check.minutes <= quick.minutes
  const [leads] = best
  if (!leads || isFree(leads)) return best
  const free = best.find((one) => isFree(one) && one.cost! <= leads.cost! * (1 + quick.margin))
  return free ? [free, ...best.filter((one) => one !== free)] : best
}

/** The early checks of the complaints among the first that are offered, where they tell something; what is worth most stays first. */
function earlyOnes(catalogue: Catalogue, journal: JournalRead, checks: RankedCheck[], telling: readonly RankedCheck[]): RankedCheck[] {
  if (journal.mendings.length > 0) return checks
  const wanted = journal.complaints.flatMap(({ payload }) => catalogue.complaints.find((one) => one.id === payload.what)?.early ?? [])
  const early = telling.filter(({ check }) => wanted.includes(check.id) && !checks.slice(0, 1).some((one) => one.check === check)).slice(0, first - 1)
  const [best, ...others] = checks
  return best ? [best, ...early, ...others.filter((one) => !early.includes(one))] : checks
}

/** bits a check tells at least about suspects that it parts. Chosen */
const partsAtLeast = 0.05
/** share of what explains the complaint that its suspects hold */
const mostOfIt = 0.8

/**
 * The suspects of what was complained of, as groups: those that hold four fifths of what explains it, and never fewer than two where there
 * are two; none once something has been repaired.
 */
function suspected(catalogue: Catalogue, signatures: Signatures, journal: JournalRead, { groups }: Weighing): number[] {
  const explained = journal.mendings.length === 0 ? explaining(catalogue, signatures, journal) : null
  if (!explained) return []
  const order = groups
    .map((group, index) => ({ ...group, index }))
    .filter(({ kind, row }) => kind === 'faults' && explained(signatures.sets[row] ?? []).length > 0)
    .sort((a, b) => b.mass - a.mass)
  const whole = order.reduce((sum, one) => sum + one.mass, 0)
  const leaders: typeof order = []
  let held = 0
  for (const one of order) {
    if (held >= mostOfIt * whole && leaders.length > 1) break
    held += one.mass
    // the same with something more is not another suspect
    if (!leaders.some(({ remedies }) => remedies.every((id) => one.remedies.includes(id)))) leaders.push(one)
  }
  return leaders.map((one) => one.index)
}

const telling = (one: Pick<RankedCheck, 'bits' | 'minutes'>) => one.bits / (one.minutes + turningTo)

/**
 * Sorts checks by what they tell a minute, and the best of them by what everything costs up to a proven repair, looked at two steps ahead.
 *
 * @param ranked sorted in place
 * @param many how many are looked at ahead
 */
export function aheadOf<T extends RankedCheck>(
  weighed: Omit<Weighing, 'bitsAmong'>,
  wrong: Float64Array,
  ranked: T[],
  perMinute: number,
  many = lookedAhead,
): { best: T[]; rest: T[]; acting: number; act: number; going: number } {
  ranked.sort((a, b) => telling(b) - telling(a))
  const quick = ranked.slice(0, many)
  const thorough = many > 0 ? [...ranked.slice(many)].sort((a, b) => b.bits - a.bits).slice(0, alsoTelling) : []
  const best = [...quick, ...thorough]
  const usualPerBit = minutesPerBit * perMinute
  const perBit = best[0] ? Math.max((dearer * perMinute) / telling(best[0]), usualPerBit) : Infinity
  const { acting, act, twoSteps } = lookAhead(
    weighed,
    wrong,
    perBit,
    usualPerBit,
    best.map((one) => ({ check: one.check, cost: (one.minutes + turningTo) * perMinute })),
  )
  best.forEach((one, index) => (one.cost = twoSteps[index]!))
  return {
    best: best.sort((a, b) => a.cost! - b.cost!),
    rest: ranked.slice(many).filter((one) => !thorough.includes(one)),
    acting,
    act,
    going: best.length > 0 ? Math.min(...twoSteps) : Infinity,
  }
}
