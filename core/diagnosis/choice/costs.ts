import { type Catalogue, comingBack, type Costs, timeCosts } from '../catalogue/index.ts'
import { isRepaired, type JournalRead } from '../evidence/index.ts'
import type { Weighing } from './information.ts'
import { provingMinutes } from './proving.ts'

/** Of each group, the groups whose remedies hold all of its own: what is done for it is not in vain there. */
export function servedBy(groups: readonly Pick<Weighing['groups'][number], 'kind' | 'remedies'>[]): number[][] {
  return groups.map(({ kind, remedies }, own) =>
    groups.flatMap((other, index) =>
      index === own || (kind === 'faults' && other.kind === 'faults' && remedies.every((id) => other.remedies.includes(id))) ? [index] : [],
    ),
  )
}

/**
 * What it costs to act on each group and be wrong: time, parts, proving in vain.
 *
 * @param journal.mendings where something has been mended already, that nothing is left to mend is found out by proving; once only
 * @param journal.tried what has been done in vain twice is not a way to act again: somebody else must come
 */
export function wrongActs(
  catalogue: Catalogue,
  groups: readonly Pick<Weighing['groups'][number], 'kind' | 'remedies'>[],
  costs: Costs,
  { mendings, tried, evidence }: Pick<JournalRead, 'mendings' | 'tried' | 'evidence'> = { mendings: [], tried: new Map(), evidence: [] },
): Float64Array {
  const remedies = new Map(catalogue.remedies.map((one) => [one.id, one]))
  // once it was run, what does not run through is not left as it is, and leaving too early is another day
  const proofMade = evidence.some((one) => one.epoch === mendings.length && one.check.runsThrough !== undefined)
  const anotherDay = comingBack(costs)
  return Float64Array.from(groups, ({ kind, remedies: wanted }) => {
    if (kind === 'nothingWrong' && isRepaired({ mendings }) && !proofMade) return timeCosts(costs, provingMinutes)
    // leaving, or sending for somebody else
    if (kind !== 'faults' || wanted.every((id) => (tried.get(id) ?? 0) >= 2)) return anotherDay
    let minutes = provingMinutes
    let parts = 0
    for (const id of wanted) {
      const remedy = remedies.get(id)
      minutes += remedy?.minutes ?? 30
      parts += remedy?.partsCost ?? 0
    }
    const money = timeCosts(costs, minutes) + parts
    return parts > 0 ? money + costs.wrongPart : money
  })
}

/**
 * Expected cost of acting now, by trying what is to be done in the best order until it holds: each vain try costs its own. The best order
 * is by probability over cost. What the right repair itself costs is not counted: no check saves it.
 *
 * Source: Heckerman, Breese and Rommelse, "Decision-theoretic troubleshooting", Communications of the ACM 38(3), 1995; the order is
 * optimal for one fault and independent acts (same place; Kadane and Simon 1977).
 *
 * @param mass of each group, any positive sum
 * @param wrong cost of each vain act
 * @returns money times the sum of the masses
 */
export function costOfActing(mass: ArrayLike<number>, wrong: ArrayLike<number>): number {
  let left = 0
  for (let group = 0; group < mass.length; group++) left += mass[group]!
  // what is rarer than a thousandth is never tried, only left over
  const least = left * 1e-3
  let count = 0
  for (let group = 0; group < mass.length; group++) {
    const one = mass[group]!
    if (one <= least) continue
    let place = count++
    while (place > 0 && mass[order[place - 1]!]! * wrong[group]! < one * wrong[order[place - 1]!]!) {
      order[place] = order[place - 1]!
      place--
    }
    order[place] = group
  }
  let cost = 0
  for (let place = 0; place < count; place++) {
    const group = order[place]!
    left -= mass[group]!
    if (left <= 1e-12) break
    cost += wrong[group]! * left
  }
  return cost
}

/** groups in order, kept between calls: this is called some ten thousand times a ranking */
const order: number[] = []

/**
 * Expected cost of what follows a belief, the right repair itself not counted: acting at once in the best order, trying the likeliest act and
 * going on with checks when it was vain, or going on with checks first.
 *
 * What a group calls for is not done in vain where it is only a part of what stands: a fan that is dead is rightly changed, whatever else is wrong.
 *
 * @param mass of each group, any positive sum
 * @param wrong cost of each vain act
 * @param served of each group, the groups its act is a part of, its own among them
 * @param perBit what a bit costs by checks at the going rate
 * @param usualPerBit what a bit costs by checks where everything is open again
 * @returns money times the sum of the masses: of acting, and of the better of acting and going on; and which group to act on
 */
export function costToGo(
  mass: Float64Array,
  wrong: Float64Array,
  served: readonly (readonly number[])[],
  perBit: number,
  usualPerBit: number,
): { acting: number; least: number; act: number } {
  let sum = 0
  let logs = 0
  for (let group = 0; group < mass.length; group++) {
    const one = mass[group]!
    if (one <= 1e-12) continue
    sum += one
    logs += one * Math.log(one)
  }
  if (sum <= 1e-12) return { acting: 0, least: 0, act: -1 }
  let acting = costOfActing(mass, wrong)
  let act = order[0]!
  for (let group = 0; group < mass.length; group++) {
    const one = mass[group]!
    let vain = sum
    for (const other of served[group]!) vain -= mass[other]!
    // only a likely act is tried
    if (one <= 0 || sum - vain < 0.2 * sum) continue
    const rest = sum - one
    const open = rest <= 1e-12 ? 0 : Math.max(rest * Math.log(rest) - (logs - one * Math.log(one)), 0) / Math.LN2
    const cost = Math.max(vain, 0) * wrong[group]! + usualPerBit * open
    if (cost <= acting) [acting, act] = [cost, group]
  }
  const bits = Math.max(sum * Math.log(sum) - logs, 0) / Math.LN2
  return { acting, least: Math.min(acting, perBit * bits), act }
}
