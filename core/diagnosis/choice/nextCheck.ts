import type { Belief } from '../belief/index.ts'
import { type Access, type Catalogue, type Check, type CheckOrder, type Costs, timeCosts, usualCosts } from '../catalogue/index.ts'
import type { JournalRead } from '../evidence/index.ts'
import type { Signatures } from '../signatures/index.ts'
import { wrongActs } from './costs.ts'
import { type Weighing, weighing } from './information.ts'
import { lookAhead } from './lookAhead.ts'

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
  /** expected cost of acting at once, by the best order of repairs */
  acting: number
  /** what to act on, if at once */
  act: Weighing['groups'][number] | null
  /** expected cost of the best way on with a check first; infinite when none is left */
  going: number
  /** what may stand now, by what it calls for */
  groups: Weighing['groups']
}

/** How many checks are looked at ahead: the most telling for their minutes, and of the rest the most telling of all. */
const lookedAhead = 10
const alsoTelling = 4
/** What a bit costs later against the best price now: the easy ones go first. Chosen by evaluation */
const dearer = 1.5
/** Minutes a bit takes by checks where everything is open. Chosen by evaluation */
const minutesPerBit = 4

/** Minutes to get at something and to put it back, once a visit. Common practice. */
const accessMinutes: Record<Access, number> = { none: 0, caseOff: 5, live: 2, drained: 20 }
/** minutes any check takes before it begins and after it ends: turning to it, writing it down. Assumed */
export const turningTo = 2

/** What remains to be paid for access after what was opened on this visit. */
export function accessLeft(journal: JournalRead, access: Access): number {
  if (access === 'none') return 0
  const opened = new Set(journal.evidence.flatMap((one) => (one.visit === journal.visit ? [one.check.access] : [])))
  const paid = opened.has(access) || (access === 'caseOff' && (opened.has('live') || opened.has('drained')))
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
): Ranking {
  const weighed = weighing(catalogue, signatures, belief, journal.tried)
  const wrong = wrongActs(catalogue, weighed.groups, costs, journal)
  const ranked: RankedCheck[] = []
  for (const check of catalogue.checks) {
    if (excluded.has(check.id)) continue
    const bits = weighed.bits(check)
    if (bits > 0.01) ranked.push({ check, bits, minutes: check.minutes + accessLeft(journal, check.access) })
  }
  const { groups } = weighed
  const { best, rest, acting, act, going } = aheadOf(weighed, wrong, ranked, timeCosts(costs, 1), ahead ? lookedAhead : 0)
  if (order === 'telling') return { checks: [...best, ...rest], acting, act: groups[act] ?? null, going, groups }
  const along = stageOrder(catalogue)
  const place = (one: RankedCheck) => along.get(`${one.check.concerns?.demand}.${one.check.concerns?.stage}`) ?? Infinity
  const sign = order === 'forward' ? 1 : -1
  const worth = ranked.filter((one) => one.bits > 0.03 && place(one) !== Infinity)
  const others = ranked.filter((one) => !worth.includes(one))
  return {
    checks: [...worth.sort((a, b) => sign * (place(a) - place(b)) || telling(b) - telling(a)), ...others],
    acting,
    act: groups[act] ?? null,
    going,
    groups,
  }
}

const telling = (one: Pick<RankedCheck, 'bits' | 'minutes'>) => one.bits / (one.minutes + turningTo)

/**
 * Sorts checks by what they tell a minute, and the best of them by what everything costs up to a proven repair, looked at two steps ahead.
 *
 * @param ranked sorted in place
 * @param many how many are looked at ahead
 */
export function aheadOf<T extends RankedCheck>(
  weighed: Weighing,
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

/** Where a stage stands in the sequence, hot water and heating side by side. */
function stageOrder(catalogue: Catalogue): Map<string, number> {
  const order = new Map<string, number>()
  for (const [demand, stages] of Object.entries(catalogue.system.sequence)) stages.forEach((stage, index) => order.set(`${demand}.${stage.id}`, index))
  return order
}
