import {
  addByResult,
  aheadOf,
  believe,
  costOfActing,
  mutualInformation,
  provingMinutes,
  readJournal,
  turningTo,
  timeCosts,
  usualCosts,
  weighing,
  wrongActs,
  type Catalogue,
  type Check,
  type Signatures,
  type Weighing,
} from '../diagnosis/index.ts'
import type { Entry } from '../casebook/index.ts'
import type { Chance } from '../chance/index.ts'

/** A diagnosis problem small enough to be solved exactly: plants in groups, checks with their results, what acting in vain costs. */
export interface SmallProblem {
  groups: Weighing['groups']
  /** of every plant, ascending */
  group: Int32Array
  mass: Float64Array
  wrong: Float64Array
  /** what the right act costs on each group: time, and proving */
  right: Float64Array
  checks: { check: Check; minutes: number; size: number; chances: Float64Array; listOf: Uint16Array }[]
}

/** a branch less likely than this is closed by acting; bounds what the optimum can be off by */
const closed = 1e-5

/**
 * A small problem taken out of a real one: what may stand after a complaint, kept to the likeliest few groups, and a few of the checks
 * that tell most, with a number's results put together to a few.
 *
 * @param many.groups at most eight or so
 * @param many.checks at most eight or so
 */
export function smallProblem(
  catalogue: Catalogue,
  signatures: Signatures,
  entries: readonly Entry[],
  chance: Chance,
  many: { groups: number; checks: number },
): SmallProblem {
  const belief = believe(catalogue, signatures, readJournal(catalogue, entries))
  const whole = weighing(catalogue, signatures, belief)
  const likely = whole.groups
    .map((one, index) => ({ one, index }))
    .filter(({ one }) => one.kind === 'faults' && one.remedies.length === 1)
    .sort((a, b) => b.one.mass - a.one.mass)
    .slice(0, many.groups * 2)
  const kept = Array.from({ length: Math.min(many.groups, likely.length) }, () => likely.splice(Math.floor(chance.uniform() * likely.length), 1)[0]!)
  const place = new Map(kept.map(({ index }, at) => [index, at]))
  // one plant a draw of each row would be many: the heaviest few of a group stand for it
  const own = [...whole.group.keys()].filter((index) => place.has(whole.group[index]!)).sort((a, b) => whole.mass[b]! - whole.mass[a]!)
  const counted = new Map<number, number>()
  const plants = own
    .filter((index) => {
      const at = whole.group[index]!
      counted.set(at, (counted.get(at) ?? 0) + 1)
      return counted.get(at)! <= 6
    })
    .sort((a, b) => place.get(whole.group[a]!)! - place.get(whole.group[b]!)!)
  const total = plants.reduce((sum, index) => sum + whole.mass[index]!, 0)
  const mass = Float64Array.from(plants, (index) => whole.mass[index]! / total)
  const group = Int32Array.from(plants, (index) => place.get(whole.group[index]!)!)
  const groups = kept.map(({ one }, at) => ({ ...one, mass: mass.reduce((sum, each, index) => sum + (group[index] === at ? each : 0), 0) }))
  const wrong = wrongActs(catalogue, groups, usualCosts)
  const minutesOf = new Map(catalogue.remedies.map((one) => [one.id, one.minutes]))
  const right = Float64Array.from(groups, ({ remedies }) => (minutesOf.get(remedies[0]!) ?? 30) + provingMinutes)
  const telling = catalogue.checks
    .map((check) => {
      const { size, chances, listOf } = whole.chances(check)
      const table = { check, minutes: check.minutes, size, chances, listOf: Uint16Array.from(plants, (index) => listOf[index]!) }
      return { table, bits: bitsOf(table, group, mass, groups.length) }
    })
    .filter(({ bits, table }) => bits > 0.05 && table.size <= 4)
    .sort((a, b) => b.bits / (b.table.minutes + turningTo) - a.bits / (a.table.minutes + turningTo))
    .slice(0, many.checks * 3)
  const checks = Array.from({ length: Math.min(many.checks, telling.length) }, () => telling.splice(Math.floor(chance.uniform() * telling.length), 1)[0]!.table)
  return { groups, group, mass, wrong, right, checks }
}

type Table = SmallProblem['checks'][number]

function jointOf({ size, chances, listOf }: Table, group: Int32Array, mass: Float64Array, count: number): Float64Array {
  const joint = new Float64Array(count * size)
  addByResult(joint, size, chances, listOf, group, mass)
  return joint
}
const bitsOf = (table: Table, group: Int32Array, mass: Float64Array, count: number) => mutualInformation(jointOf(table, group, mass, count), table.size)

/** What a way of working costs in expectation, money; the right act counted. */
export interface Expected {
  cost: number
  /** states that were worked out */
  states: number
}

/** What is known at one place: what each plant still weighs, with the checks made and the acts tried in vain. */
interface State {
  mass: Float64Array
  key: string
  made: number
  tried: number
}

/** The least expected cost, over every course of checks and acts: dynamic programming over what may have been found. */
export function optimum(problem: SmallProblem): Expected {
  const memory = new Map<string, number>()
  const visit = (state: State): number => {
    const known = memory.get(state.key)
    if (known !== undefined) return known
    let least = actingCost(problem, state)
    if (sum(state.mass) > closed) {
      problem.checks.forEach((table, at) => {
        if (state.made & (1 << at)) return
        let cost = (table.minutes + turningTo) * sum(state.mass)
        for (let result = 0; result < table.size && cost < least; result++) cost += visit(after(state, problem, at, result))
        least = Math.min(least, cost)
      })
      problem.groups.forEach((_group, at) => {
        if (state.tried & (1 << at)) return
        const left = vain(state, problem, at)
        const cost = sum(left.mass) * problem.wrong[at]!
        if (cost < least) least = Math.min(least, cost + visit(left))
      })
    }
    memory.set(state.key, least)
    return least
  }
  const cost = visit(start(problem)) + rightActs(problem)
  return { cost, states: memory.size }
}

/** What the engine's own choice costs in expectation, followed through everything that may be found. */
export function byEngine(problem: SmallProblem): Expected {
  let states = 0
  const visit = (state: State): number => {
    const total = sum(state.mass)
    if (total <= closed) return actingCost(problem, state)
    states++
    const left = problem.checks.map((table, at) => ({ table, at })).filter(({ at }) => !(state.made & (1 << at)))
    const weighed = weighingOf(problem, state)
    const ranked = left.flatMap(({ table, at }) => {
      const bits = weighed.bits(table.check)
      return bits > 0.01 ? [{ check: table.check, bits, minutes: table.minutes, at }] : []
    })
    const { best, acting, act, going } = aheadOf(weighed, problem.wrong, ranked, timeCosts(usualCosts, 1))
    if (best[0] && going < acting) {
      const { at } = best[0]
      const table = problem.checks[at]!
      let cost = (table.minutes + turningTo) * total
      for (let result = 0; result < table.size; result++) cost += visit(after(state, problem, at, result))
      return cost
    }
    const failed = vain(state, problem, act)
    return sum(failed.mass) * problem.wrong[act]! + (sum(failed.mass) > 0 ? visit(failed) : 0)
  }
  const cost = visit(start(problem)) + rightActs(problem)
  return { cost, states }
}

const sum = (mass: Float64Array) => mass.reduce((total, one) => total + one, 0)
const start = ({ mass }: SmallProblem): State => ({ mass, key: '', made: 0, tried: 0 })
const rightActs = ({ groups, right }: SmallProblem) => groups.reduce((total, one, at) => total + one.mass * right[at]!, 0)

function after(state: State, { checks }: SmallProblem, at: number, result: number): State {
  const { size, chances, listOf } = checks[at]!
  const mass = state.mass.map((one, index) => one * chances[listOf[index]! * size + result]!)
  const said = [...state.key.split(' ').filter(Boolean), `${at}:${result}`].sort()
  return { mass, key: said.join(' '), made: state.made | (1 << at), tried: state.tried }
}

function vain(state: State, { group }: SmallProblem, at: number): State {
  const said = [...state.key.split(' ').filter(Boolean), `x${at}`].sort()
  return { mass: state.mass.map((one, index) => (group[index] === at ? 0 : one)), key: said.join(' '), made: state.made, tried: state.tried | (1 << at) }
}

function actingCost({ groups, group, wrong }: SmallProblem, { mass }: State): number {
  const byGroup = new Float64Array(groups.length)
  mass.forEach((one, index) => (byGroup[group[index]!]! += one))
  return costOfActing(byGroup, wrong)
}

/** The same problem as the engine looks at it. */
function weighingOf({ groups, group, checks }: SmallProblem, { mass }: State): Omit<Weighing, 'bitsAmong'> {
  const count = groups.length
  const tables = new Map(checks.map((table) => [table.check, table]))
  const joint = (check: Check) => ({ joint: jointOf(tables.get(check)!, group, mass, count), size: tables.get(check)!.size })
  return {
    groups: groups.map((one, at) => ({ ...one, mass: mass.reduce((total, each, index) => total + (group[index] === at ? each : 0), 0) })),
    group,
    mass,
    joint,
    bits: (check) => {
      const { joint: table, size } = joint(check)
      return mutualInformation(table, size)
    },
    chances: (check) => tables.get(check)!,
  }
}
