import { describe, expect, it } from 'vitest'
import { scriptedJournal } from '../../casebook/index.ts'
import { believe } from '../belief/index.ts'
import type { Catalogue } from '../catalogue/index.ts'
import { readJournal } from '../evidence/index.ts'
import { outcomeOf, smallCatalogue, smallCheck } from '../tests/testCatalogue.ts'
import { type Signatures, plantsOf } from '../signatures/index.ts'
import fc from 'fast-check'

/**
 * The posterior against enumeration written here from the rules alone, on small random catalogues: cues by noisy-OR,
 * outcomes with confusion, 1.5 % of anything, a cap of fifty per reading, the average over draws of the product over readings.
 */
const draws = 3
const probability = fc.double({ min: 0.02, max: 0.95, noNaN: true })

const world = fc.record({
  odds: fc.array(fc.double({ min: 1, max: 80, noNaN: true }), { minLength: 3, maxLength: 5 }),
  withouts: fc.array(probability, { minLength: 2, maxLength: 2 }),
  withs: fc.array(fc.array(probability, { minLength: 5, maxLength: 5 }), { minLength: 2, maxLength: 2 }),
  outcome: fc.array(fc.nat(2), { minLength: 200, maxLength: 200 }),
  confusion: fc.double({ min: 0.01, max: 0.3, noNaN: true }),
  said: fc.tuple(fc.boolean(), fc.boolean(), fc.nat(2)),
})
type World = typeof world extends fc.Arbitrary<infer T> ? T : never

function built({ odds, withouts, withs, outcome, confusion }: World): { catalogue: Catalogue; signatures: Signatures } {
  const faults = odds.map((per1000, index) => ({
    id: `f${index}`,
    part: `p${index}`,
    label: `f${index}`,
    kind: 'failure' as const,
    patch: {},
    per1000,
    cues: { cue0: withs[0]![index]!, cue1: withs[1]![index]! },
    remedies: [],
  }))
  const catalogue = smallCatalogue({
    faults,
    checks: [
      smallCheck('cue0', { kind: 'cue', without: withouts[0]! }),
      smallCheck('cue1', { kind: 'cue', without: withouts[1]! }),
      smallCheck('seen', outcomeOf(['a', 'b', 'c'], confusion)),
    ],
  })
  const sets: number[][] = [[], ...odds.map((_odd, a) => [a])]
  for (let a = 0; a < odds.length; a++) for (let b = a + 1; b < odds.length; b++) sets.push([a, b])
  const values = Float32Array.from({ length: (sets.length + 1) * draws }, (_unused, index) => outcome[index % outcome.length]!)
  return {
    catalogue,
    signatures: { draws, checks: ['seen'], faults: faults.map((one) => one.id), sets, rowOf: new Map(), first: plantsOf(sets, draws, draws), values },
  }
}

function enumerated({ odds, withouts, withs, confusion, said }: World, signatures: Signatures): number[] {
  const total = signatures.sets.length + 2
  const noisyOr = (cue: number, set: readonly number[]) => {
    let none = 1 - withouts[cue]!
    for (const fault of set) none *= 1 - withs[cue]![fault]!
    return 1 - none
  }
  const anything = (p: number, ways: number) => 0.985 * p + 0.015 / ways
  const tables = [0, 1, 2].map((piece) => {
    const flat = piece < 2 ? (said[piece] ? withouts[piece]! + 0.15 * (1 - withouts[piece]!) : 1 - (withouts[piece]! + 0.15 * (1 - withouts[piece]!))) : 1 / 4
    const rows = Array.from({ length: total }, (_unused, row) =>
      Array.from({ length: draws }, (_other, draw) => {
        const listed = (at: number) => {
          const set = signatures.sets[at] ?? []
          if (piece === 2) return anything(signatures.values[at * draws + draw] === said[2] ? 1 - confusion : confusion / 3, 4)
          return anything(said[piece] ? noisyOr(piece, set) : 1 - noisyOr(piece, set), 2)
        }
        return row === total - 1 ? 0.5 * listed(0) + 0.5 * flat : listed(row)
      }),
    )
    const highest = Math.max(...rows.flat())
    return rows.map((row) => row.map((value) => Math.max(value, highest / 50)))
  })
  const weights = Array.from({ length: total }, (_unused, row) => {
    const set = signatures.sets[row]
    const prior =
      row === total - 1
        ? 20
        : row === total - 2
          ? 40
          : set!.length === 0
            ? 25
            : set!.length === 1
              ? odds[set![0]!]!
              : (0.4 * odds[set![0]!]! * odds[set![1]!]!) / 1000
    let average = 0
    for (let draw = 0; draw < draws; draw++) average += tables.reduce((product, table) => product * table[row]![draw]!, 1) / draws
    return prior * average
  })
  const sum = weights.reduce((all, one) => all + one, 0)
  return weights.map((one) => one / sum)
}

describe('posterior', () => {
  it('equals brute-force enumeration on small random catalogues', () => {
    fc.assert(
      fc.property(world, (one) => {
        const { catalogue, signatures } = built(one)
        const { answer } = scriptedJournal()
        const journal = readJournal(catalogue, [
          answer('cue0', one.said[0] ? 'yes' : 'no'),
          answer('cue1', one.said[1] ? 'yes' : 'no'),
          answer('seen', ['a', 'b', 'c'][one.said[2]]!),
        ])
        const { posterior } = believe(catalogue, signatures, journal)
        enumerated(one, signatures).forEach((expected, row) => expect(Math.abs(posterior[row]! - expected)).toBeLessThan(1e-9))
      }),
      { numRuns: 200 },
    )
  })
})
