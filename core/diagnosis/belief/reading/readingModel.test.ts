import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { numberOf, outcomeOf, smallCatalogue, smallCheck } from '../../tests/testCatalogue.ts'
import { cueChance } from './resultChances.ts'
import {
  cueProbability,
  notReachedProbability,
  numberDensity,
  numberProbabilities,
  onScale,
  outcomeProbability,
  readingSpread,
  scaleRange,
  signProbability,
  strangeAnswer,
  strangeDensity,
  unlistedProbability,
} from './readingModel.ts'

const linear = smallCheck('linear', numberOf())
const log = smallCheck('log', numberOf({ unit: 'kΩ', scale: 'log', range: [0.01, 100], width: 0.05 }))
const thermistor = smallCheck('thermistor', numberOf({ unit: 'kΩ', scale: 'log', thermistor: { assumedCelsius: 60, curve: { r0: 1, t0: 25, beta: 1 } } }))
const checks = [linear, log, thermistor]
const check = fc.constantFrom(...checks)
const is = fc.oneof(fc.double({ min: 0.02, max: 99, noNaN: true }), fc.constant(NaN))
const spread = fc.double({ min: 0.01, max: 8, noNaN: true })

/** Simpson’s rule. Source: any textbook of numerical analysis */
function integral(of: (x: number) => number, from: number, to: number, steps = 4000): number {
  const h = (to - from) / steps
  let sum = of(from) + of(to)
  for (let step = 1; step < steps; step++) sum += (step % 2 === 1 ? 4 : 2) * of(from + step * h)
  return (sum * h) / 3
}

describe('everything that can be said of a check', () => {
  it('has chances that sum to one: a number anywhere on its scale, or not reached', () => {
    fc.assert(
      fc.property(check, is, spread, (one, value, wide) => {
        const [low, high] = scaleRange(one)
        expect(numberProbabilities(one, value, [low, high], wide)[0]! + notReachedProbability(value)).toBeCloseTo(1, 10)
      }),
    )
  })

  it('so has an outcome, or a sign', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 9 }), fc.double({ min: 0, max: 0.5, noNaN: true }), fc.nat(8), (many, confusion, truly) => {
        const one = smallCheck(
          'o',
          outcomeOf(
            Array.from({ length: many }, (_unused, index) => `o${index}`),
            confusion,
          ),
        )
        for (const value of [truly % many, NaN]) {
          let sum = 0
          for (let said = -1; said < many; said++) sum += outcomeProbability(one, value, said)
          expect(sum).toBeCloseTo(1, 12)
          let strange = 0
          for (let said = -1; said < many; said++) strange += strangeAnswer(one, said)
          expect(strange).toBeCloseTo(1, 12)
        }
      }),
    )
    expect(signProbability({}, 0.3) + signProbability({}, 0.7)).toBeCloseTo(1, 12)
  })

  it('has chances where nothing is known of the cause, too', () => {
    for (const one of checks) {
      const [low, high] = scaleRange(one)
      expect(strangeDensity(one) * (high - low) + strangeAnswer(one, -1)).toBeCloseTo(1, 12)
    }
    const cue = smallCheck('c', { kind: 'cue', without: 0.2 })
    expect(strangeAnswer(cue, 1) + strangeAnswer(cue, 0)).toBeCloseTo(1, 12)
    // a fifth without any cause, and of the rest fifteen in a hundred
    expect(strangeAnswer(cue, 1)).toBeCloseTo(0.2 + 0.8 * 0.15, 12)
  })
})

describe('what predicts a number is what judges it', () => {
  it('a chance between two places is the integral of the density between them', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 80, noNaN: true }),
        fc.double({ min: 2, max: 8, noNaN: true }),
        fc.double({ min: 5, max: 60, noNaN: true }),
        (value, wide, from) => {
          const to = from + 25
          expect(numberProbabilities(linear, value, [from, to], wide)[0]!).toBeCloseTo(
            integral((x) => numberDensity(linear, value, x, wide), from, to),
            6,
          )
        },
      ),
      { numRuns: 60 },
    )
  })

  it('what lies beyond the ends of the scale counts as the end', () => {
    // a reading of 1000 °C is held at the end of the scale, and so is the chance of it
    expect(onScale(linear, 1000)).toBe(100)
    const beyond = numberProbabilities(linear, 99, [95, 100], 4)[0]!
    expect(beyond).toBeGreaterThan(integral((x) => numberDensity(linear, 99, x, 4), 95, 100) * 1.3)
  })

  it('Student’s t with four degrees of freedom: 2.132 spreads above lie five hundredths (published tables)', () => {
    // all but “anything” and “not reached”
    const modelled = (1 - 0.015) * (1 - notReachedProbability(50))
    const above = numberProbabilities(linear, 50, [50 + 2.132 * 3, 100], 3)[0]! - (1 - notReachedProbability(50)) * 0.015 * ((50 - 2.132 * 3) / 100)
    expect(above / modelled).toBeCloseTo(0.05, 3)
  })

  it('is the same on a log scale: half or twice as much are as far', () => {
    for (const times of [1.1, 1.5, 2])
      expect(numberDensity(log, 2.49, Math.log(2.49 * times), 0.06)).toBeCloseTo(numberDensity(log, 2.49, Math.log(2.49 / times), 0.06), 12)
  })
})

describe('a number', () => {
  it('is likeliest where the simulation says, and never impossible', () => {
    fc.assert(
      fc.property(fc.double({ min: 5, max: 95, noNaN: true }), fc.double({ min: 0.2, max: 60, noNaN: true }), spread, (value, off, wide) => {
        const at = numberDensity(linear, value, value, wide)
        const away = numberDensity(linear, value, Math.min(value + off, 100), wide)
        expect(at).toBeGreaterThan(away)
        expect(away).toBeGreaterThan(0)
      }),
    )
  })

  it('that cannot be reached is said to be read one time in twenty, anywhere', () => {
    expect(notReachedProbability(NaN)).toBeCloseTo(0.985 * 0.95 + 0.0075, 12)
    expect(numberDensity(linear, NaN, 10, NaN)).toBe(numberDensity(linear, NaN, 90, NaN))
  })

  it('read again and again errs by the instrument no more, by the model as ever', () => {
    const clamp = { id: 'clamp', label: 'clamp', absolute: 1.5, relative: 0 }
    expect(readingSpread(linear, clamp, 60)).toBeCloseTo(Math.hypot(2, 1.5), 12)
    expect(readingSpread(linear, clamp, 60, 1e6)).toBeCloseTo(2, 3)
  })
})

describe('a sign', () => {
  const catalogue = smallCatalogue({
    faults: [0.5, 0.8].map((shows, index) => ({
      id: `f${index}`,
      part: 'p',
      label: '',
      kind: 'failure',
      patch: {},
      per1000: 1,
      cues: { hum: shows },
      remedies: [],
    })),
  })
  const hum = smallCheck('hum', { kind: 'cue', without: 0.1 })

  it('of two causes is missing only when both and the chance of it are: 1 − 0.9 · 0.5 · 0.2 (noisy-OR, Pearl 1988)', () => {
    expect(cueProbability(catalogue, hum, [])).toBeCloseTo(0.1, 12)
    expect(cueProbability(catalogue, hum, [0, 1])).toBeCloseTo(0.91, 12)
  })

  it('under an unlisted cause shows half the time as without any, else strangely often', () => {
    expect(cueChance(catalogue, hum, null)).toBeCloseTo(0.5 * signProbability({}, 0.1) + 0.5 * (0.1 + 0.9 * 0.15), 12)
    expect(unlistedProbability({}, 1, 0)).toBe(0.5)
  })

  it('is no outcome and no number', () => {
    expect([
      outcomeProbability(hum, 0, 0),
      cueProbability(catalogue, linear, []),
      readingSpread(hum, { id: '', label: '', absolute: 1, relative: 0 }, 1),
    ]).toEqual([NaN, NaN, NaN])
  })
})
