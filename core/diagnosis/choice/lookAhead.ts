import type { Check } from '../catalogue/index.ts'
import { costToGo, servedBy } from './costs.ts'
import { addByResult, type Weighing } from './information.ts'

/** A check with what it costs, in money. */
interface Priced {
  check: Check
  cost: number
}

/** How many checks are looked at two steps ahead, each with the others as the second. */
const followedUp = 4
/** results less likely than this are not followed */
const followed = 0.02

/**
 * Expected cost of making each of some checks, and of what follows, up to a proven repair: the check itself, then the cheaper of acting
 * and of going on. Going on costs what a second check makes it cost, and beyond that what bits cost at the going price.
 *
 * @param wrong cost of acting in vain on each group
 * @param perBit what a bit costs at the going rate, money
 * @param usualPerBit what a bit costs where everything is open again, money
 * @returns of each check in order, and of acting at once, money; and the group to act on
 */
export function lookAhead(
  weighing: Omit<Weighing, 'bitsAmong'>,
  wrong: Float64Array,
  perBit: number,
  usualPerBit: number,
  candidates: readonly Priced[],
): { acting: number; act: number; twoSteps: number[] } {
  const { groups } = weighing
  const count = groups.length
  const served = servedBy(groups)
  const total = groups.reduce((sum, one) => sum + one.mass, 0)
  const buffer = new Float64Array(count)
  /** cost from here on after one result: a column of a joint table */
  const after = (joint: Float64Array, size: number, result: number) => {
    for (let group = 0; group < count; group++) buffer[group] = joint[group * size + result]!
    return costToGo(buffer, wrong, served, perBit, usualPerBit).least
  }
  const oneStep = ({ check, cost }: Priced) => {
    const { joint, size } = weighing.joint(check)
    let sum = 0
    for (let result = 0; result < size; result++) sum += after(joint, size, result)
    return cost + sum / total
  }
  const going = candidates.map(oneStep)
  const leading = candidates
    .map((one, index) => ({ ...one, index }))
    .sort((a, b) => going[a.index]! - going[b.index]!)
    .slice(0, followedUp)
  const { cells, tables } = together(
    weighing,
    leading.map((one) => weighing.chances(one.check)),
  )
  const mass = new Float64Array(cells.mass.length)
  const twoSteps = [...going]
  leading.forEach(({ index, check, cost }, place) => {
    const own = tables[place]!
    let sum = 0
    for (let result = 0; result < own.size; result++) {
      const share = scale(mass, cells, own, result, buffer)
      if (share <= 1e-12) continue
      let best = costToGo(buffer, wrong, served, perBit, usualPerBit).least
      if (share / total > followed)
        leading.forEach((second, other) => {
          if (second.check === check) return
          const { size, chances, listOf } = tables[other]!
          const joint = new Float64Array(count * size)
          addByResult(joint, size, chances, listOf, cells.group, mass)
          let then = second.cost * share
          for (let next = 0; next < size && then < best; next++) then += after(joint, size, next)
          best = Math.min(best, then)
        })
      sum += best
    }
    twoSteps[index] = cost + sum / total
  })
  for (let group = 0; group < count; group++) buffer[group] = groups[group]!.mass
  const { acting, act } = costToGo(buffer, wrong, served, perBit, usualPerBit)
  return { acting: acting / total, act, twoSteps }
}

/** Plants of one group that every one of some checks reads alike, as one: a few hundred cells stand for some ten thousand plants. */
function together(
  { group, mass }: Pick<Weighing, 'mass' | 'group'>,
  tables: readonly ReturnType<Weighing['chances']>[],
): { cells: Pick<Weighing, 'mass' | 'group'>; tables: ReturnType<Weighing['chances']>[] } {
  const known = new Map<number, number>()
  const groups: number[] = []
  const masses: number[] = []
  const lists: number[][] = tables.map(() => [])
  for (let plant = 0; plant < group.length; plant++) {
    let key = group[plant]!
    for (const { chances, size, listOf } of tables) key = key * (chances.length / size) + listOf[plant]!
    let cell = known.get(key)
    if (cell === undefined) {
      known.set(key, (cell = groups.length))
      groups.push(group[plant]!)
      masses.push(0)
      tables.forEach(({ listOf }, place) => lists[place]!.push(listOf[plant]!))
    }
    masses[cell]! += mass[plant]!
  }
  return {
    cells: { group: Int32Array.from(groups), mass: Float64Array.from(masses) },
    tables: tables.map((one, place) => ({ ...one, listOf: Uint16Array.from(lists[place]!) })),
  }
}

/** Mass of every plant after one result, and of every group into `groups`; returns the sum. */
function scale(
  mass: Float64Array,
  weighing: Pick<Weighing, 'mass' | 'group'>,
  { size, chances, listOf }: ReturnType<Weighing['chances']>,
  result: number,
  groups: Float64Array,
): number {
  groups.fill(0)
  let sum = 0
  for (let index = 0; index < mass.length; index++) {
    const one = weighing.mass[index]! * chances[listOf[index]! * size + result]!
    mass[index] = one
    sum += one
    groups[weighing.group[index]!]! += one
  }
  return sum
}
