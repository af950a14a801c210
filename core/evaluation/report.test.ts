import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { meanOf, ratioOf, shareOf } from './interval.ts'
import { reportOf, type Played } from './report.ts'

describe('intervals', () => {
  it('8 of 10: 0.49 to 0.94 (Wilson’s interval, worked by hand)', () => {
    const { share, low, high } = shareOf(8, 10)
    expect([share, low, high].map((one) => one.toFixed(3))).toEqual(['0.800', '0.490', '0.943'])
  })

  it('of none is no figure, and may be anything', () => expect(shareOf(0, 0)).toEqual({ of: 0, share: NaN, low: 0, high: 1 }))

  it('hold the share, within nothing and all, narrower with more cases', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500 }), fc.double({ min: 0, max: 1, noNaN: true }), (of, p) => {
        const times = Math.round(p * of)
        const one = shareOf(times, of)
        expect(one.low).toBeGreaterThanOrEqual(0)
        expect(one.high).toBeLessThanOrEqual(1)
        expect(one.low).toBeLessThanOrEqual(one.share + 1e-12)
        expect(one.high).toBeGreaterThanOrEqual(one.share - 1e-12)
        const more = shareOf(times * 10, of * 10)
        expect(more.high - more.low).toBeLessThan(one.high - one.low)
      }),
    )
  })

  it('of a mean: 2, 4, 4, 4, 5, 5, 7, 9 have mean 5 and deviation 2.138 (textbook example)', () => {
    const { mean, high } = meanOf([2, 4, 4, 4, 5, 5, 7, 9])
    expect(mean).toBe(5)
    expect(high - mean).toBeCloseTo((1.96 * 2.13809) / Math.sqrt(8), 4)
  })

  it('of a ratio on the same cases: exactly half every time has no width', () => {
    const { ratio, low, high } = ratioOf([1, 2, 3, 4], [2, 4, 6, 8])
    expect([ratio, low, high]).toEqual([0.5, 0.5, 0.5])
  })
})

describe('what came of many cases', () => {
  const course = (more: Partial<Played>): Played => ({
    ...{
      system: 'a',
      way: 'engine',
      seed: 1,
      kind: 'single',
      minutes: 60,
      checks: 5,
      needless: 0,
      condemned: 1,
      wrong: 0,
      found: true,
      ended: 'proven',
      said: [],
    },
    ...more,
  })
  const all = [
    course({ minutes: 30 }),
    course({ seed: 2, minutes: 50, found: false, wrong: 1, condemned: 2 }),
    course({ seed: 3, kind: 'pair', minutes: 80 }),
    course({ seed: 4, kind: 'unlisted', minutes: 100, condemned: 3, wrong: 3 }),
    course({ way: 'forward', minutes: 60 }),
    course({ way: 'forward', seed: 2, minutes: 100 }),
    course({ system: 'b', seed: 9, minutes: 1000 }),
  ]

  it('is told by way of working, for one system or for all', () => {
    const [engine, forward] = reportOf(all, 'a')
    expect([engine!.way, engine!.cases, forward!.way, forward!.cases]).toEqual(['engine', 4, 'forward', 2])
    expect(engine!.minutes.value).toBe(65)
    expect(reportOf(all, 'all')[0]!.cases).toBe(5)
  })

  it('counts wrong ones apart where the fault is on no list, and pairs apart from singles', () => {
    const [engine] = reportOf(all, 'a')
    expect([engine!.wrong.share, engine!.wrong.of, engine!.wrongUnlisted.share]).toEqual([0.25, 4, 1])
    expect([engine!.foundSingles.share, engine!.foundSingles.of, engine!.foundPairs.share]).toEqual([0.5, 2, 1])
  })

  it('sets minutes beside the forward ladder’s on the same cases only', () => {
    const [engine, forward] = reportOf(all, 'a')
    // cases 1 and 2: 30 and 50 beside 60 and 100
    expect(engine!.minutesToForward!.value).toBeCloseTo(0.5, 12)
    expect(forward!.minutesToForward!.value).toBe(1)
    expect(reportOf([course({})], 'a')[0]!.minutesToForward).toBeNull()
  })

  it('says of the repairs called 85 % and more how many were needed', () => {
    const said = [
      { probability: 0.9, so: true },
      { probability: 0.95, so: false },
      { probability: 0.5, so: false },
    ]
    const [report] = reportOf([course({ said })], 'a')
    expect([report!.calledNinety.share, report!.calledNinety.of]).toEqual([0.5, 2])
    expect(report!.calledMean).toBeCloseTo(0.925, 12)
  })
})
