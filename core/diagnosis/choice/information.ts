import { type Belief, cueChance, cueProbability, leadingRows, resultTable, signProbability, unlistedProbability } from '../belief/index.ts'
import type { Catalogue, Check, Fault } from '../catalogue/index.ts'
import { type FaultSet, type Signatures } from '../signatures/index.ts'

/** a row below this share is weighed together with the other rare ones */
const rare = 4e-4

/** What nearly all of the belief consists of, plant by plant, put together for weighing checks. */
export interface Weighing {
  /** what may stand now: hypotheses that call for the same remedies, the share of the belief each has, and its likeliest row */
  groups: { remedies: string[]; kind: 'faults' | 'nothingWrong' | 'noDemand' | 'unlisted' | 'rare'; mass: number; row: number }[]
  /** of every plant its group, ascending, and its share of the belief */
  group: Int32Array
  mass: Float64Array
  /** [group][result] of a check, summing to the belief weighed */
  joint: (check: Check) => { joint: Float64Array; size: number }
  /** bits a check is expected to tell about which group it is; and about which of some groups, where these are all there is */
  bits: (check: Check) => number
  bitsAmong: (check: Check, groups: readonly number[]) => number
  /** [list][result]: chances of each result of a check, a number's results put together to a few; and which list each plant has */
  chances: (check: Check) => { size: number; chances: Float64Array; listOf: Uint16Array }
}

/**
 * Puts the leading rows together by what they call for. How much a check tells is the mutual information between its result and the
 * group: telling hypotheses of one remedy apart saves nothing.
 *
 * @param tried remedies carried out already: what still stands calls for the next on its list
 *
 * Plants that read alike share one list of chances, so belief is first added up by group and list; what is left to do is small.
 */
export function weighing(catalogue: Catalogue, signatures: Signatures, belief: Belief, tried: ReadonlyMap<string, number> = new Map()): Weighing {
  const { first, sets } = signatures
  const unlisted = sets.length + 1
  // in the order of memory: the order does not matter to the sums
  const rows = leadingRows(belief).sort((a, b) => a - b)
  const { groupOf, groups } = remedyGroups(catalogue, signatures, tried)

  // every state that may still stand behind a row, those of the first group first, and every plant of it with its share of the belief
  const found: { row: number; gone: boolean; group: number; mass: number; weights: Float64Array }[] = []
  let many = 0
  for (const row of rows)
    for (const state of belief.standing(row)) {
      const whole = belief.posterior[row]! * state.weight
      const shown = belief.shown(state.row)
      const weights = belief.weightsOf(row, shown)
      // what may show nothing today is there with one share and gone with the other
      const goneShare = belief.likeShare(shown)
      const group = groupOf(state.row, whole)
      for (const gone of goneShare > 0 ? [false, true] : [false]) {
        found.push({ row: shown, gone, group, mass: whole * (gone ? goneShare : 1 - goneShare), weights })
        many += weights.length
      }
    }
  const count = groups.length
  const order = inOrderOf(found, count)
  const states = { row: new Int32Array(found.length), group: new Int32Array(found.length), mass: new Float64Array(found.length) }
  const rowsOf = new Int32Array(many)
  const groupIn = new Int32Array(many)
  const massOf = new Float64Array(many)
  let at = 0
  order.forEach((place, index) => {
    const { row, group, mass, weights } = found[place]!
    states.row[index] = row
    states.group[index] = group
    states.mass[index] = mass
    for (let draw = 0; draw < weights.length; draw++, at++) {
      rowsOf[at] = row
      groupIn[at] = group
      massOf[at] = mass * weights[draw]!
    }
  })
  /** the plants every state reads like in a check: found once for checks of one kind */
  const plantsBy = new Map<Int32Array | null, Int32Array>()
  const plantsFor = (check: Check): Int32Array => {
    const like = belief.like(check)
    let plants = plantsBy.get(like)
    if (plants) return plants
    plantsBy.set(like, (plants = new Int32Array(many)))
    let place = 0
    for (const index of order) {
      const { row, gone, weights } = found[index]!
      const from = first[row === unlisted ? 0 : row]!
      for (let draw = 0; draw < weights.length; draw++) plants[place++] = gone && like ? like[from + draw]! : from + draw
    }
    return plants
  }
  /** an unlisted cause reads partly like a healthy appliance, for the rest strangely: of what each plant weighs, and of what each group has of "strangely" */
  const sharesFor = (check: Pick<Check, 'direct'>) => {
    const like = unlistedProbability(check, 1, 0)
    const shares = massOf.slice()
    const strangeIn = new Float64Array(count)
    for (let index = 0; index < many; index++)
      if (rowsOf[index] === unlisted) {
        shares[index]! *= like
        strangeIn[groupIn[index]!]! += massOf[index]! - shares[index]!
      }
    return { shares, strangeIn }
  }
  const usualShares = sharesFor({})
  const directShares = sharesFor({ direct: true })

  const joint = (check: Check) => {
    if (check.result.kind === 'cue') {
      const table = new Float64Array(count * 2)
      addCue(table, states, sets, cueChances(catalogue, check))
      return { joint: table, size: 2 }
    }
    const { size, chances, readingOf, listOf, strange } = resultTable(catalogue, signatures, check)
    const { shares, strangeIn } = check.direct ? directShares : usualShares
    const table = new Float64Array(count * size)
    for (let one = 0; one < count; one++)
      if (strangeIn[one]! > 0) for (let result = 0; result < size; result++) table[one * size + result] = strangeIn[one]! * strange[result]!
    addByResult(table, size, chances, through(plantsFor(check), readingOf, listOf), groupIn, shares)
    return { joint: table, size }
  }
  return {
    groups,
    group: groupIn,
    mass: massOf,
    joint,
    bits: (check) => {
      const { joint: table, size } = joint(check)
      return mutualInformation(table, size)
    },
    bitsAmong: (check, some) => {
      const { joint: table, size } = joint(check)
      const own = new Float64Array(some.length * size)
      some.forEach((one, index) => own.set(table.subarray(one * size, (one + 1) * size), index * size))
      return mutualInformation(own, size)
    },
    chances: (check) => {
      const listOf = new Uint16Array(many)
      if (check.result.kind === 'cue') {
        const yesOf = cueChances(catalogue, check)
        for (let index = 0; index < listOf.length; index++)
          listOf[index] = index > 0 && rowsOf[index] === rowsOf[index - 1] ? listOf[index - 1]! : Math.round(yesOf(sets, rowsOf[index]!) * finely)
        return { size: 2, chances: Float64Array.from({ length: 2 * (finely + 1) }, (_unused, at) => Math.abs((at % 2) - (at >> 1) / finely)), listOf }
      }
      const table = resultTable(catalogue, signatures, check)
      const into = merged(joint(check), check.result.kind === 'number')
      const size = Math.max(...into) + 1
      const lists = alike()
      const plants = plantsFor(check)
      const own: number[] = []
      for (let from = 0; from < table.chances.length; from += table.size)
        for (const isUnlisted of [false, true]) {
          const sum = new Array<number>(size).fill(0)
          for (let result = 0; result < table.size; result++) {
            const chance = table.chances[from + result]!
            sum[into[result]!]! += isUnlisted ? unlistedProbability(check, chance, table.strange[result]!) : chance
          }
          own.push(lists.of(sum))
        }
      for (let index = 0; index < listOf.length; index++)
        listOf[index] = own[2 * table.listOf[table.readingOf[plants[index]!]!]! + (rowsOf[index] === unlisted ? 1 : 0)]!
      return { size, chances: Float64Array.from(lists.all), listOf }
    },
  }
}

/** chances that differ by less than one part of so many count as alike, two steps ahead */
const finely = 50

/** Lists of chances that are alike, kept once. */
function alike(): { all: number[]; of: (list: readonly number[]) => number } {
  const all: number[] = []
  const known = new Map<string, number>()
  return {
    all,
    of: (list) => {
      const key = list.map((one) => Math.round(one * finely)).join()
      let place = known.get(key)
      if (place === undefined) {
        known.set(key, (place = known.size))
        all.push(...list)
      }
      return place
    },
  }
}

/** Results of a number put together until each is as likely as a seventh, the last, "not reached", by itself. */
function merged({ joint, size }: { joint: Float64Array; size: number }, ordered: boolean): number[] {
  const into = Array.from({ length: size }, (_unused, result) => result)
  if (!ordered) return into
  const likely = new Float64Array(size)
  joint.forEach((cell, index) => (likely[index % size]! += cell))
  const total = likely.reduce((sum, one) => sum + one, 0)
  let place = 0
  let sum = 0
  for (let result = 0; result < size - 1; result++) {
    into[result] = place
    sum += likely[result]!
    if (sum > total / 7 && result < size - 2) {
      place++
      sum = 0
    }
  }
  into[size - 1] = place + 1
  return into
}

const bitsKnown = new WeakMap<Belief, Weighing['bits']>()

/** Bits each check is expected to tell, put together once for a belief. */
export function bitsOf(catalogue: Catalogue, signatures: Signatures, belief: Belief, tried: ReadonlyMap<string, number>): Weighing['bits'] {
  let bits = bitsKnown.get(belief)
  if (!bits) bitsKnown.set(belief, (bits = weighing(catalogue, signatures, belief, tried).bits))
  return bits
}

/** Places of a list, those of the first group first. */
function inOrderOf(list: readonly { group: number }[], count: number): Int32Array {
  const next = new Int32Array(count + 1)
  for (const { group } of list) next[group + 1]!++
  for (let group = 0; group < count; group++) next[group + 1]! += next[group]!
  const order = new Int32Array(list.length)
  list.forEach(({ group }, index) => (order[next[group]!++] = index))
  return order
}

function through(plants: Int32Array, readingOf: Uint16Array, listOf: Uint16Array): Uint16Array {
  const lists = new Uint16Array(plants.length)
  for (let index = 0; index < lists.length; index++) lists[index] = listOf[readingOf[plants[index]!]!]!
  return lists
}

/**
 * Adds what plants read to a table of group by result: the one long loop of ranking, kept by itself so that it compiles tightly.
 *
 * @param chances [list][result]
 * @param lists which list each plant has
 * @param group of each plant, ascending
 */
export function addByResult(table: Float64Array, size: number, chances: Float64Array, lists: Uint16Array, group: Int32Array, mass: Float64Array): void {
  const byList = new Float64Array(chances.length / size)
  const met = new Uint16Array(byList.length)
  for (let index = 0; index < group.length;) {
    const own = group[index]!
    let count = 0
    for (; index < group.length && group[index] === own; index++) {
      const one = mass[index]!
      if (one === 0) continue
      const list = lists[index]!
      if (byList[list] === 0) met[count++] = list
      byList[list]! += one
    }
    for (let each = 0; each < count; each++) {
      const list = met[each]!
      const share = byList[list]!
      byList[list] = 0
      if (share < 1e-9) continue
      for (let result = 0; result < size; result++) table[own * size + result]! += share * chances[list * size + result]!
    }
  }
}

/** The same for a cue, state by state. */
function addCue(
  table: Float64Array,
  { row, group, mass }: { row: Int32Array; group: Int32Array; mass: Float64Array },
  sets: readonly FaultSet[],
  yesOf: (sets: readonly FaultSet[], row: number) => number,
): void {
  for (let index = 0; index < row.length; index++) {
    const yes = yesOf(sets, row[index]!)
    const cell = group[index]! * 2
    table[cell] = table[cell]! + mass[index]! * yes
    table[cell + 1] = table[cell + 1]! + mass[index]! * (1 - yes)
  }
}

const chancesKnown = new WeakMap<Check, (sets: readonly FaultSet[], row: number) => number>()

/** Chance of "yes" to a cue in every row: what single faults make of it is looked up once, that of larger sets put together from it. */
function cueChances(catalogue: Catalogue, check: Check): (sets: readonly FaultSet[], row: number) => number {
  let known = chancesKnown.get(check)
  if (known) return known
  const unlisted = cueChance(catalogue, check, null)
  const none = cueProbability(catalogue, check, [])
  const silent = Float64Array.from(catalogue.faults, (fault) => 1 - (fault.cues?.[check.id] ?? 0))
  known = (sets, row) => {
    if (row > sets.length) return unlisted
    let no = 1 - none
    const set = sets[row]
    if (set) for (let place = 0; place < set.length; place++) no *= silent[set[place]!]!
    return signProbability(check, 1 - no)
  }
  chancesKnown.set(check, known)
  return known
}

/**
 * Mutual information of a table of joint weights, bits. Source: Shannon 1948.
 *
 * @param joint [group][result], any positive sum
 */
export function mutualInformation(joint: Float64Array, size: number): number {
  const groups = joint.length / size
  const result = new Float64Array(size)
  let total = 0
  let nats = 0
  for (let one = 0; one < groups; one++) {
    let mass = 0
    for (let said = 0; said < size; said++) {
      const cell = joint[one * size + said]!
      mass += cell
      result[said]! += cell
      if (cell > 1e-12) nats += cell * Math.log(cell)
    }
    total += mass
    if (mass > 1e-12) nats -= mass * Math.log(mass)
  }
  for (let said = 0; said < size; said++) if (result[said]! > 1e-12) nats -= result[said]! * Math.log(result[said]!)
  if (total <= 0) return 0
  return Math.max((nats / total + Math.log(total)) / Math.LN2, 0)
}

/** The remedy a fault calls for: the first on its list that was not tried. */
export function remedyFor({ remedies }: Pick<Fault, 'remedies'>, tried: ReadonlyMap<string, number>): string {
  return remedies.find((one) => !tried.has(one)) ?? remedies.at(-1)!
}

/** Rows that call for the same remedies belong together: telling them apart saves nothing. So do rows too rare to be told apart by themselves. */
function remedyGroups(
  catalogue: Catalogue,
  { sets }: Signatures,
  tried: ReadonlyMap<string, number>,
): { groupOf: (row: number, mass: number) => number; groups: Weighing['groups'] } {
  const known = new Map<string, number>()
  const likeliest: number[] = []
  const groups: Weighing['groups'] = []
  const groupOf = (row: number, mass: number): number => {
    const set = sets[row]
    const kind = mass < rare ? 'rare' : !set ? (row === sets.length ? 'noDemand' : 'unlisted') : set.length === 0 ? 'nothingWrong' : 'faults'
    const remedies = kind === 'faults' ? [...new Set(set!.map((index) => remedyFor(catalogue.faults[index]!, tried)))].sort() : []
    const name = `${kind} ${remedies.join(' ')}`
    let present = known.get(name)
    if (present === undefined) {
      known.set(name, (present = groups.length))
      groups.push({ remedies, kind, mass: 0, row })
      likeliest.push(mass)
    }
    const group = groups[present]!
    group.mass += mass
    if (mass > likeliest[present]!) [group.row, likeliest[present]] = [row, mass]
    return present
  }
  return { groupOf, groups }
}
