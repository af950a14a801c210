import { cueProbability, resultTable } from '../belief/index.ts'
import type { Catalogue, Check } from '../catalogue/index.ts'
import type { Signatures } from '../signatures/index.ts'

/** Bits from which one check tells two equally likely faults apart. A coin that is right nine times in ten gives 0.53. */
export const partsFrom = 0.3

/** What is wrong with a catalogue, measured on its own simulation. */
export interface Separability {
  system: string
  faults: number
  checks: number
  remedies: number
  /** pairs of faults that need different remedies */
  pairs: number
  /** of those, parted by some check */
  parted: number
  /** pairs parted by nothing and not listed as such */
  alike: { faults: [string, string]; bits: number; best: string }[]
  /** pairs listed as inseparable, with why */
  listed: { faults: [string, string]; why: string }[]
  /** listed as inseparable although some check parts them */
  wronglyListed: { faults: [string, string]; by: string }[]
  /** faults no check tells from a healthy appliance */
  unseen: string[]
  /** checks that read the same under every fault */
  idle: string[]
}

/**
 * Measures whether the checks of a catalogue can tell its faults apart. Two faults are parted when some single check gives at
 * least {@link partsFrom} bits about which of the two stands; faults with the same first remedy need not be.
 */
export function separability(catalogue: Catalogue, signatures: Signatures): Separability {
  const { faults, checks, inseparable, system } = catalogue
  const chances = checks.map((check) => singleChances(catalogue, signatures, check))
  const rows = faults.length + 1
  const most = new Float64Array(rows * rows)
  const by = new Int32Array(rows * rows).fill(-1)
  // check by check: the rows of one lie together in memory
  chances.forEach((row, check) => {
    for (let a = 0; a < rows; a++) {
      for (let b = a + 1; b < rows; b++) {
        const pair = a * rows + b
        const here = between(row[a]!, row[b]!, most[pair]!)
        if (here > most[pair]!) [most[pair], by[pair]] = [here, check]
      }
    }
  })
  const best = (a: number, b: number) => ({ bits: most[a * rows + b]!, check: checks[by[a * rows + b]!]?.id ?? '' })
  const isListed = (a: string, b: string) => inseparable.find(({ faults: [one, other] }) => (one === a && other === b) || (one === b && other === a))
  const result: Separability = {
    system: system.id,
    faults: faults.length,
    checks: checks.length,
    remedies: catalogue.remedies.length,
    pairs: 0,
    parted: 0,
    alike: [],
    listed: [],
    wronglyListed: [],
    unseen: faults.filter((_fault, index) => best(0, index + 1).bits < partsFrom).map((fault) => fault.id),
    // what is made for safety's sake need tell of no fault
    idle: checks.filter((check, index) => !check.unsafe && chances[index]!.every((row) => between(chances[index]![0]!, row) < 0.02)).map((check) => check.id),
  }
  for (let a = 0; a < faults.length; a++) {
    for (let b = a + 1; b < faults.length; b++) {
      const one = faults[a]!
      const other = faults[b]!
      if (one.remedies[0] === other.remedies[0]) continue
      result.pairs++
      const { bits, check } = best(a + 1, b + 1)
      const listed = isListed(one.id, other.id)
      if (bits >= partsFrom) result.parted++
      if (listed && bits >= partsFrom) result.wronglyListed.push({ faults: [one.id, other.id], by: check })
      else if (listed) result.listed.push({ faults: [one.id, other.id], why: listed.why })
      else if (bits < partsFrom) result.alike.push({ faults: [one.id, other.id], bits, best: check })
    }
  }
  return result
}

/** Chances of each result of a check under the healthy appliance, every single fault and no demand, averaged over the draws. */
function singleChances(catalogue: Catalogue, signatures: Signatures, check: Check): Float64Array[] {
  const { first } = signatures
  const noDemand = signatures.sets.length
  return Array.from({ length: catalogue.faults.length + 2 }, (_unused, place) => {
    const row = place > catalogue.faults.length ? noDemand : place
    if (check.result.kind === 'cue') {
      const yes = cueProbability(catalogue, check, row === 0 || row === noDemand ? [] : [row - 1])
      return Float64Array.of(yes, 1 - yes)
    }
    const table = resultTable(catalogue, signatures, check)
    const sum = new Float64Array(table.size)
    const [from, to] = [first[row]!, first[row + 1]!]
    for (let plant = from; plant < to; plant++) {
      const list = table.listOf[table.readingOf[plant]!]! * table.size
      for (let index = 0; index < table.size; index++) sum[index]! += table.chances[list + index]! / (to - from)
    }
    return sum
  })
}

/**
 * Bits a result gives about which of two equally likely rows it came from (Jensen–Shannon divergence).
 *
 * @param least nothing below it is worked out: 0 is given where half the sum of the differences, which the divergence never exceeds, is no more
 *   (Lin 1991, theorem 3, from memory)
 */
function between(a: Float64Array, b: Float64Array, least = 0): number {
  let apart = 0
  for (let index = 0; index < a.length; index++) apart += Math.abs(a[index]! - b[index]!)
  if (apart / 2 <= least) return 0
  let nats = 0
  for (let index = 0; index < a.length; index++) {
    const p = a[index]!
    const q = b[index]!
    const mean = (p + q) / 2
    if (p > 1e-12) nats += 0.5 * p * Math.log(p / mean)
    if (q > 1e-12) nats += 0.5 * q * Math.log(q / mean)
  }
  return Math.max(nats / Math.LN2, 0)
}
