import { byName, newEntry } from '@dewpoint/core/casebook'
import {
  byEngine,
  chanceFrom,
  drawTruth,
  harder,
  matched,
  mismatched,
  optimum,
  ratioOf,
  reportOf,
  smallProblem,
  walk,
  type Played,
  type Way,
  meanOf,
  shareOf,
} from '@dewpoint/core/evaluation'
import { describe, expect, it } from 'vitest'
import { catalogueFor, stockCatalogues } from '../index.ts'
import { loadSignatures } from '../shipped.ts'
import fc from 'fast-check'

const catalogue = stockCatalogues['electric-flow']!
const signatures = loadSignatures(catalogue)

describe('chance', () => {
  it('is the same from the same seed, and fair', () => {
    const list = (seed: number) => Array.from({ length: 2000 }, chanceFrom(seed).uniform)
    expect(list(3)).toEqual(list(3))
    expect(list(3)).not.toEqual(list(4))
    expect(meanOf(list(5)).mean).toBeCloseTo(0.5, 1)
    const normal = Array.from({ length: 4000 }, chanceFrom(6).normal)
    expect(meanOf(normal).mean).toBeCloseTo(0, 1)
    expect(meanOf(normal.map((one) => one * one)).mean).toBeCloseTo(1, 1)
  })
})

describe('intervals', () => {
  it('of a share are Wilson’s: 8 of 10 lies between 0.490 and 0.943 (Wilson 1927; value of common tables)', () => {
    const { share, low, high } = shareOf(8, 10)
    expect([share, low, high].map((one) => Number(one.toFixed(3)))).toEqual([0.8, 0.49, 0.943])
  })
  it('hold what they are about', () => {
    fc.assert(
      fc.property(fc.nat(60), fc.nat(60), (a, b) => {
        const { share, low, high } = shareOf(a, a + b + 1)
        expect(low).toBeLessThanOrEqual(share + 1e-12)
        expect(high).toBeGreaterThanOrEqual(share - 1e-12)
      }),
    )
  })
  it('of a ratio close in on it where both go together', () => {
    const below = [10, 20, 30, 40]
    expect(
      ratioOf(
        below.map((one) => one / 2),
        below,
      ),
    ).toEqual({ ratio: 0.5, low: 0.5, high: 0.5 })
  })
})

describe('the truth', () => {
  it('is drawn from a seed, gives rise to its complaint, and is not the model', () => {
    const one = drawTruth(catalogue, 12, 0.3, mismatched)
    expect(drawTruth(catalogue, 12, 0.3, mismatched)).toMatchObject({ kind: one.kind, found: one.found, complaints: one.complaints })
    for (const id of one.complaints) expect(catalogue.complaints.map((known) => known.id)).toContain(id)
    expect(new Set(one.complaints).size).toBe(one.complaints.length)
    expect(one.complaints).not.toEqual([])
    const kinds = new Set<string>()
    for (let seed = 0; seed < 40; seed++) kinds.add(drawTruth(catalogue, seed, 0.5, mismatched).kind)
    expect([...kinds]).toEqual(expect.arrayContaining(['pair', 'single', 'unlisted']))
  })

  it('a remedy takes away what it mends and nothing else', () => {
    for (let seed = 0; seed < 10; seed++) {
      const truth = drawTruth(catalogue, seed, 0, matched)
      if (truth.kind !== 'single') continue
      const other = catalogue.remedies.find((one) => !one.mends.includes(catalogue.faults[truth.found[0]!]!.id))!
      expect(truth.mend(other.id)).toEqual([])
      expect(truth.standing).toEqual(truth.found)
      const right = catalogue.remedies.find((one) => one.mends.includes(catalogue.faults[truth.found[0]!]!.id))!
      for (let times = 0; times < 12 && truth.standing.length > 0; times++) truth.mend(right.id)
      expect(truth.standing).toEqual([])
    }
  })
})

describe('the harder truth', () => {
  const drawn = Array.from({ length: 50 }, (_unused, seed) => drawTruth(catalogue, seed, 0.3, harder, () => ['heardInstead']))
  // most of what is seen by the way somebody would have rung about
  const seenBesides = { ...harder, harder: { ...harder.harder!, besides: 1 } }
  const withMore = Array.from({ length: 30 }, (_unused, seed) => drawTruth(catalogue, seed, 0.3, seenBesides)).filter((one) => one.besides.length > 0)

  it('has three faults and more, things nobody rang about, versions that are told, and calls in the customer’s words', () => {
    const more = drawn.filter((one) => one.kind === 'more')
    expect(more.length).toBeGreaterThan(2)
    for (const { found, besides } of more) expect(found.length - besides.length).toBeGreaterThanOrEqual(3)
    for (const share of [withMore, drawn.filter((one) => one.complaints[0] === 'heardInstead')]) {
      expect(share.length).toBeGreaterThan(0)
      expect(share.length).toBeLessThan(48)
    }
    // every other version is told
    const versions = catalogue.facts.filter((one) => one.narrows === 'version').length
    const told = drawn.reduce((sum, one) => sum + one.facts.length, 0) / (drawn.length * versions)
    expect(told).toBeGreaterThan(0.35)
    expect(told).toBeLessThan(0.65)
    for (const { facts } of drawn)
      for (const { fact, value } of facts) expect(catalogue.facts.find((one) => one.id === fact)!.choices!.map((one) => one.id)).toContain(value)
  })

  it('tells some numbers in a word, and the word fits the figure told at another time', () => {
    const numbers = catalogue.checks.filter((one) => one.result.kind === 'number' && !one.before)
    const said = drawn.flatMap((truth) => numbers.map((check) => truth.read(check).outcome))
    const words = said.filter((one) => one !== undefined && one !== 'notReached')
    expect(words.length / said.length).toBeGreaterThan(0.1)
    expect(words.length / said.length).toBeLessThan(0.3)
    expect(new Set(words)).toEqual(new Set(['tooLow', 'right', 'tooHigh']))
    // most of what is read is not what is wrong
    expect(words.filter((one) => one === 'right').length).toBeGreaterThan(words.length / 2)
  })

  it('leaves wiring unfinished with several open ends where it is known, each landed by itself', () => {
    const wired = catalogueFor('electric-flow', 'store-electric')!
    const drawnWired = Array.from({ length: 14 }, (_unused, seed) => drawTruth(wired, seed, 0, harder)).filter((one) => one.kind === 'unfinished')
    expect(drawnWired.length).toBeGreaterThan(0)
    for (const truth of drawnWired) {
      const own = truth.found.filter((fault) => !truth.besides.includes(fault)).map((fault) => wired.faults[fault]!)
      expect(own.length).toBeGreaterThanOrEqual(2)
      for (const fault of own) expect(fault.background).toContain('unfinished')
      // who looks for a loose wire sees which
      const seen = truth.which(wired.checks.find((one) => one.id === 'look.looseWire')!).map((fault) => wired.faults[fault]!.id)
      expect(seen.sort()).toEqual(own.flatMap((fault) => (fault.id.endsWith('.neverLanded') ? [fault.id] : [])).sort())
      expect(truth.which(wired.checks.find((one) => one.id === 'look.drip.below')!)).toEqual([])
      for (let times = 0; times < 12; times++) truth.mend('wire.land', [own[0]!.id])
      const left = truth.standing.map((fault) => wired.faults[fault]!.id)
      expect(left).not.toContain(own[0]!.id)
      expect(left).toContain(own[1]!.id)
    }
  })
})

describe('ways of working, on the same few cases', () => {
  const play = (way: Way, many = 8): Played[] =>
    Array.from({ length: many }, (_unused, seed) => ({
      system: catalogue.system.id,
      way,
      seed,
      ...walk(catalogue, signatures, drawTruth(catalogue, seed, 0, mismatched), way, chanceFrom(seed)),
    }))
  const all = [...play('engine'), ...play('forward')]
  const reports = reportOf(all, 'all')
  const engine = reports.find((one) => one.way === 'engine')!

  it('the engine finds the single faults, and in fewer minutes than the forward ladder', () => {
    expect(engine.foundSingles.share).toBeGreaterThanOrEqual(0.85)
    expect(engine.minutesToForward!.value).toBeLessThan(0.95)
  })
  it('a course played twice is the same', () => {
    expect(play('engine', 2)).toEqual(all.slice(0, 2))
  })
})

describe('against the exact optimum (dynamic programming)', () => {
  it('the engine’s way costs no more than 1.15 of it, and never less', () => {
    const costs = [3, 4, 5].map((seed) => {
      const { complaints } = drawTruth(catalogue, seed, 0, matched)
      const writing = { id: '01934a00-0000-7000-8000-000000000001', now: Date.UTC(2026, 2, 1, 9), author: byName('test'), seen: [] }
      const complaint = newEntry('complaint', { what: complaints[0]!, pattern: 'always' }, writing)
      const problem = smallProblem(catalogue, signatures, [complaint], chanceFrom(seed), {
        groups: 5,
        checks: 6,
      })
      return { least: optimum(problem).cost, engine: byEngine(problem).cost }
    })
    for (const { least, engine } of costs) expect(engine).toBeGreaterThanOrEqual(least - 1e-2)
    expect(costs.reduce((sum, one) => sum + one.engine, 0) / costs.reduce((sum, one) => sum + one.least, 0)).toBeLessThan(1.15)
  })
})
