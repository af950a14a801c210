import { inferences, type INetwork } from 'bayesjs'
import { run } from 'clingo-wasm'
import { describe, expect, it } from 'vitest'
import { scriptedJournal } from '../casebook/index.ts'
import { believe } from './belief/index.ts'
import type { Catalogue } from './catalogue/index.ts'
import { costOfActing, costToGo, mutualInformation } from './choice/index.ts'
import { readJournal } from './evidence/index.ts'
import { type Signatures, plantsOf } from './signatures/index.ts'
import fc from 'fast-check'
import { outcomeOf, smallCatalogue, smallCheck } from './tests/testCatalogue.ts'

/** A catalogue of outcome checks, each with what every set of faults shows. */
function built(odds: number[], shows: (check: number, set: readonly number[], draw: number) => number, checks: number, confusion: number, draws: number) {
  const faults = odds.map((per1000, index) => ({
    id: `fault${index}`,
    part: `part${index}`,
    label: `${index}`,
    kind: 'failure',
    patch: {},
    per1000,
    remedies: [],
  }))
  const catalogue = smallCatalogue({
    faults: faults as Catalogue['faults'],
    parts: faults.map(({ part }) => ({ id: part, label: part })),
    checks: Array.from({ length: checks }, (_unused, index) => smallCheck(`seen${index}`, outcomeOf(['a', 'b'], confusion))),
  })
  const sets: number[][] = [[], ...odds.map((_odd, a) => [a])]
  for (let a = 0; a < odds.length; a++) for (let b = a + 1; b < odds.length; b++) sets.push([a, b])
  const first = plantsOf(sets, draws, draws)
  const values = new Float32Array(first[sets.length + 1]! * checks)
  for (let row = 0; row <= sets.length; row++)
    for (let draw = 0; draw < draws; draw++)
      for (let check = 0; check < checks; check++) values[(first[row]! + draw) * checks + check] = shows(check, sets[row] ?? [], draw)
  const signatures: Signatures = {
    draws,
    checks: catalogue.checks.map((one) => one.id),
    faults: faults.map((one) => one.id),
    sets,
    rowOf: new Map(),
    first,
    values,
  }
  return { catalogue, signatures }
}

describe('the posterior against a general-purpose library (bayesjs, inference by enumeration)', () => {
  it('agrees to 1e-9 on random catalogues: one node for the hypothesis, one for the plant, one a reading', () => {
    const world = fc.record({
      odds: fc.array(fc.double({ min: 0.5, max: 40, noNaN: true }), { minLength: 2, maxLength: 4 }),
      confusion: fc.double({ min: 0.02, max: 0.3, noNaN: true }),
      seed: fc.array(fc.nat(1), { minLength: 200, maxLength: 200 }),
      said: fc.array(fc.nat(1), { minLength: 3, maxLength: 3 }),
    })
    fc.assert(
      fc.property(world, ({ odds, confusion, seed, said }) => {
        const draws = 2
        const { catalogue, signatures } = built(
          odds,
          (check, set, draw) => seed[(check * 37 + draw * 11 + set.reduce((sum, one) => sum * 5 + one + 1, 0)) % 200]!,
          3,
          confusion,
          draws,
        )
        const { answer } = scriptedJournal()
        const journal = readJournal(
          catalogue,
          said.map((outcome, index) => answer(`seen${index}`, 'ab'[outcome]!)),
        )
        const { posterior, prior } = believe(catalogue, signatures, journal)
        // what each reading is likely, from the rules alone: two outcomes and "not reached", 1.5 % of anything, half like healthy for the unlisted
        const rows = signatures.sets.length + 2
        const listed = (row: number, draw: number, index: number) => {
          const right = signatures.values[(signatures.first[row]! + draw) * 3 + index] === said[index]
          return 0.985 * (right ? 1 - confusion : confusion / 2) + 0.015 / 3
        }
        const tables = said.map((_outcome, index) => {
          const table = Array.from({ length: rows }, (_unused, row) =>
            Array.from({ length: draws }, (_other, draw) => (row === rows - 1 ? 0.5 * listed(0, draw, index) + 0.5 / 3 : listed(row, draw, index))),
          )
          const highest = Math.max(...table.flat())
          return table.map((row) => row.map((one) => Math.max(one / highest, 1 / 50)))
        })
        const states = Array.from({ length: rows }, (_unused, row) => `h${row}`)
        const network: INetwork = {
          h: { id: 'h', states, parents: [], cpt: Object.fromEntries(states.map((state, row) => [state, prior[row]!])) },
          d: { id: 'd', states: ['d0', 'd1'], parents: [], cpt: { d0: 0.5, d1: 0.5 } },
        }
        tables.forEach((table, index) => {
          network[`e${index}`] = {
            id: `e${index}`,
            states: ['said', 'other'],
            parents: ['h', 'd'],
            cpt: states.flatMap((h, row) =>
              ['d0', 'd1'].map((d, draw) => ({ when: { h, d }, then: { said: table[row]![draw]!, other: 1 - table[row]![draw]! } })),
            ),
          }
        })
        const given = { e0: 'said', e1: 'said', e2: 'said' }
        states.forEach((h, row) => expect(Math.abs(inferences.enumeration.infer(network, { h }, given) - posterior[row]!)).toBeLessThan(1e-9))
      }),
      { numRuns: 12 },
    )
  })
})

describe('the likeliest explanations against a logic solver (clingo): smallest sets of faults of a deterministic model', () => {
  it.each(Array.from({ length: 12 }, (_unused, index) => index + 1))('instance %i', async (instance) => {
    // linear congruential numbers, so that the instance is the same everywhere (constants of Numerical Recipes)
    let state = instance * 7919
    const next = (below: number) => (state = (1664525 * state + 1013904223) >>> 0) % below
    const faults = 5
    const checks = 6
    const turns = Array.from({ length: faults }, () => Array.from({ length: checks }, () => next(3) === 0))
    const truth = [next(faults), next(faults)]
    const seen = Array.from({ length: checks }, (_unused, check) => truth.some((fault) => turns[fault]![check]))
    const program = [
      `fault(0..${faults - 1}). { stands(F) : fault(F) } 2.`,
      ...turns.flatMap((own, fault) => own.flatMap((turned, check) => (turned ? [`shows(${check}) :- stands(${fault}).`] : []))),
      ...seen.map((shown, check) => (shown ? `:- not shows(${check}).` : `:- shows(${check}).`)),
      '#minimize { 1,F : stands(F) }. #show stands/1.',
    ].join('\n')
    const solved = await run(program, 0, ['--opt-mode=optN'])
    if (solved.Result === 'ERROR') throw new Error(solved.Error)
    const witnesses = solved.Call[0]!.Witnesses.filter((one) => one.Costs?.[0] === (solved.Models as { Costs?: number[] }).Costs?.[0])
    const least = [
      ...new Set(
        witnesses.map((one) =>
          one.Value.map((atom) => Number(atom.slice(7, -1)))
            .sort()
            .join(','),
        ),
      ),
    ].sort()

    // all faults as odd as each other, hardly any confusion: the smallest sets that explain everything must lead
    const { catalogue, signatures } = built(
      Array<number>(faults).fill(5),
      (check, set) => (set.some((fault) => turns[fault]![check]) ? 1 : 0),
      checks,
      0.001,
      1,
    )
    const { answer } = scriptedJournal()
    const { logLikelihood } = believe(
      catalogue,
      signatures,
      readJournal(
        catalogue,
        seen.map((shown, index) => answer(`seen${index}`, shown ? 'b' : 'a')),
      ),
    )
    const explains = signatures.sets.map((_set, row) => logLikelihood[row]! > Math.max(...logLikelihood) - 1e-6)
    const smallest = Math.min(...signatures.sets.filter((_set, row) => explains[row]).map((set) => set.length))
    const ours = signatures.sets.filter((set, row) => explains[row] && set.length === smallest).map((set) => set.join(','))
    expect(ours.sort()).toEqual(least)
  })
})

describe('value of information and order of acts, worked by hand', () => {
  it('acts in the order of probability over cost (Kadane and Simon 1977): no order of six is cheaper', () => {
    const wrongCost = (order: number[], mass: number[], wrong: number[]) => {
      let left = mass.reduce((sum, one) => sum + one, 0)
      return order.reduce((cost, act) => cost + wrong[act]! * (left -= mass[act]!), 0)
    }
    const orders = (rest: number[]): number[][] =>
      rest.length < 2 ? [rest] : rest.flatMap((one) => orders(rest.filter((other) => other !== one)).map((tail) => [one, ...tail]))
    fc.assert(
      fc.property(
        fc.array(fc.record({ mass: fc.double({ min: 0.02, max: 1, noNaN: true }), wrong: fc.double({ min: 1, max: 300, noNaN: true }) }), {
          minLength: 2,
          maxLength: 6,
        }),
        (acts) => {
          const mass = acts.map((one) => one.mass)
          const wrong = acts.map((one) => one.wrong)
          const least = Math.min(...orders([...acts.keys()]).map((order) => wrongCost(order, mass, wrong)))
          expect(costOfActing(mass, wrong)).toBeCloseTo(least, 6)
        },
      ),
      { numRuns: 60 },
    )
  })

  it('three acts: 0.5, 0.3 and 0.2 likely, 10, 5 and 20 dear: second, first, third, 5 × 0.7 + 10 × 0.2 in vain (Heckerman, Breese and Rommelse 1995, their rule)', () => {
    expect(costOfActing([0.5, 0.3, 0.2], [10, 5, 20])).toBeCloseTo(5.5, 12)
  })

  it('a check that is never wrong saves what acting blindly would waste; one that is sometimes wrong saves the rest of it (Howard 1966)', () => {
    const wrong = Float64Array.of(100, 100)
    const after = (a: number, b: number) => costToGo(Float64Array.of(a, b), wrong, [[0], [1]], 1e9, 1e9).least
    expect(after(0.6, 0.4)).toBeCloseTo(40, 12)
    expect(after(0.6, 0) + after(0, 0.4)).toBeCloseTo(0, 12)
    // says "yes" in 90 % of the one and 20 % of the other: 0.54 against 0.08, then 0.06 against 0.32
    expect(after(0.54, 0.08) + after(0.06, 0.32)).toBeCloseTo(14, 12)
  })

  it('one of four lamps is dead: testing two of them in series tells one bit, testing one 0.811 (Shannon 1948)', () => {
    expect(mutualInformation(Float64Array.from([1, 0, 1, 0, 0, 1, 0, 1]), 2)).toBeCloseTo(1, 12)
    expect(mutualInformation(Float64Array.from([1, 0, 0, 1, 0, 1, 0, 1]), 2)).toBeCloseTo(0.8113, 4)
  })
})
