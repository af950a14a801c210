import { levenbergMarquardt } from 'ml-levenberg-marquardt'
import { Solver } from 'odex'
import { describe, expect, it } from 'vitest'
import { chanceFrom } from '../../chance/index.ts'
import { fitPressure, fitting, mostTelling, outlook, outlookOf, trackOf, usualPeriods, type PressureSeries } from '../index.ts'

const system = { litres: 90, litresError: 0.1, vesselLitres: 8, charge: 1, relief: 3, stopsAt: 0.5, mains: 4.5 }
const watched: PressureSeries = { readings: [], topUps: [], system, periods: [], gaugeError: 0.05, pipeOutside: 'dry', canMixMains: true }
const cold = (at: number, bar: number) => ({ at, bar, state: 'cold' as const })
const hot = (at: number, bar: number) => ({ at, bar, state: 'hot' as const })
const oddsOf = (series: PressureSeries, id: string) => fitPressure(series).explanations.find((one) => one.id === id)!.odds

/** cold pressure of 8 l charged to 1 bar that loses k litres an hour for each bar: dW/dt = −k·p(W), by Bulirsch and Stoer */
function leaking(k: number, start: number, hours: readonly number[]): number[] {
  const pressure = (water: number) => (2.01325 * 8) / (8 - Math.max(water, 0)) - 1.01325
  const begin = 8 * (1 - 2.01325 / (start + 1.01325))
  return hours.map((at) => {
    const solver = new Solver(1)
    solver.absoluteTolerance = solver.relativeTolerance = 1e-9
    return at === 0 ? start : pressure(solver.solve((_t, [water]) => [-k * pressure(water!)], 0, [begin], at).y[0]!)
  })
}

describe('a slow leak, no heating', () => {
  const hours = Array.from({ length: 10 }, (_unused, index) => index * 24 + 7)

  it('loses what an independent least-squares fit says it does (Levenberg–Marquardt, on a course integrated by odex)', () => {
    const chance = chanceFrom(11)
    const k = 0.006
    const seen = leaking(
      k,
      1.5,
      hours.map((at) => at - 7),
    ).map((bar) => bar + 0.02 * chance.normal())
    const { parameterValues } = levenbergMarquardt(
      { x: hours.map((at) => at - 7), y: seen },
      ([rate, start]) =>
        (at) =>
          leaking(Math.max(rate!, 1e-6), start!, [at])[0]!,
      { initialValues: [0.003, 1.4], damping: 1e-4, gradientDifference: [1e-5, 1e-4], maxIterations: 60 },
    )
    const fit = fitPressure({ ...watched, gaugeError: 0.02, readings: hours.map((at, index) => cold(at, seen[index]!)) })
    expect(fit.explanations[0]!.id).toBe('leak')
    const rates = fit.explanations[0]!.figures.map(({ rate }) => rate)
    const mean = rates.reduce((sum, one) => sum + one, 0) / rates.length
    const spread = Math.sqrt(rates.reduce((sum, one) => sum + (one - mean) ** 2, 0) / rates.length)
    // the vessel's charge is not known to the fit, so it may differ by its own doubt
    expect(Math.abs(mean - parameterValues[0]!)).toBeLessThan(2 * spread)
    expect(mean / parameterValues[0]!).toBeGreaterThan(0.8)
    expect(mean / parameterValues[0]!).toBeLessThan(1.25)
    const { litresADay } = outlookOf(fit, fit.explanations[0]!)
    // at the usual fill of 1.2 bar, by hand: k · 1.2 · 24
    expect(litresADay.mid).toBeGreaterThan(k * 1.2 * 24 * 0.75)
    expect(litresADay.mid).toBeLessThan(k * 1.2 * 24 * 1.2)
  })

  it('is told from a passing relief valve by the pipe outside (common practice)', () => {
    const readings = hours.map((at, index) => cold(at, leaking(0.006, 1.5, [index * 24])[0]!))
    expect(fitPressure({ ...watched, readings, pipeOutside: 'dry' }).explanations[0]!.id).toBe('leak')
    expect(fitPressure({ ...watched, readings, pipeOutside: 'wet' }).explanations[0]!.id).toBe('relief')
    const unseen = fitPressure({ ...watched, readings, pipeOutside: null })
    expect(
      unseen.explanations
        .slice(0, 2)
        .map(({ id }) => id)
        .sort(),
    ).toEqual(['leak', 'relief'])
  })

  it('stops on a day that the same law gives by hand', () => {
    const readings = hours.map((at, index) => cold(at, leaking(0.006, 1.5, [index * 24])[0]!))
    const { stops } = outlook(fitPressure({ ...watched, readings }))
    expect(stops).not.toBeNull()
    expect(stops!.low).toBeGreaterThan(hours.at(-1)!)
    expect(stops!.low).toBeLessThan(stops!.mid)
    expect(stops!.mid).toBeLessThan(stops!.high)
  })
})

describe('what common practice says of the gauge over time', () => {
  it('cold fine, near 3 on heating, low next morning after dripping outside: the cushion', () => {
    const readings = [cold(6, 1.2), hot(20, 2.95), cold(30, 0.6), hot(44, 2.9), cold(54, 0.6), hot(68, 2.95)]
    const { explanations } = fitPressure({ ...watched, periods: usualPeriods, readings, pipeOutside: 'wet' })
    expect(['cushion', 'small']).toContain(explanations[0]!.id)
    expect(explanations[0]!.id).toBe('cushion')
  })

  it('climbs by itself, boiler cold, overnight: the filling loop; with the loop off still: the plate', () => {
    const climbs = [cold(18, 1.25), cold(30, 1.5), cold(54, 2.05)]
    const open = fitPressure({ ...watched, readings: climbs })
    expect(
      open.explanations
        .slice(0, 2)
        .map(({ id }) => id)
        .sort(),
    ).toEqual(['loop', 'plate'])
    expect(oddsOf({ ...watched, readings: [...climbs, { ...cold(78, 2.65), loopOff: true }] }, 'plate')).toBeGreaterThan(0.9)
    expect(oddsOf({ ...watched, readings: [...climbs, { ...cold(78, 2.05), loopOff: true }] }, 'loop')).toBeGreaterThan(0.8)
    // nothing between main and heating that could be holed
    expect(fitPressure({ ...watched, readings: climbs, canMixMains: false }).explanations.some(({ id }) => id === 'plate')).toBe(false)
  })

  it('does not move however hot it is: the gauge', () => {
    const readings = [cold(6, 1.4), hot(20, 1.4), cold(30, 1.4), hot(44, 1.4)]
    expect(fitPressure({ ...watched, periods: usualPeriods, readings }).explanations[0]!.id).toBe('gaugeStuck')
  })

  it('steady through cold and hot: nothing', () => {
    const readings = [cold(6, 1.3), hot(20, 1.75), cold(30, 1.3), hot(44, 1.75), cold(150, 1.3), hot(164, 1.75)]
    expect(fitPressure({ ...watched, periods: usualPeriods, readings, system: { ...system, litres: 65 } }).explanations[0]!.id).toBe('nothing')
  })
})

describe('the fit', () => {
  it('with no reading says what was thought before, and with odds that add up to one', () => {
    const { explanations } = fitPressure({ ...watched, pipeOutside: null })
    expect(explanations.reduce((sum, one) => sum + one.odds, 0)).toBeCloseTo(1, 9)
    const leak = explanations.find(({ id }) => id === 'leak')!
    expect(leak.odds).toBeCloseTo(leak.prior / explanations.reduce((sum, one) => sum + one.prior, 0), 1)
  })

  it('is the same again for the same seed, tells how far it is, and takes odds known better', () => {
    const readings = [cold(6, 1.4), cold(54, 1.1), cold(102, 0.9)]
    const once = fitPressure({ ...watched, readings }).explanations.map(({ id, odds }) => [id, odds])
    expect(fitPressure({ ...watched, readings }).explanations.map(({ id, odds }) => [id, odds])).toEqual(once)
    const shares = [...fitting({ ...watched, readings })]
    expect(shares[0]).toBe(0)
    expect(shares.at(-1)).toBe(1)
    expect(fitPressure({ ...watched, readings }, 1, { relief: 50 }).explanations[0]!.odds).toBeLessThan(1)
  })

  it('one reading far off does not turn it over: a poor gauge is allowed for', () => {
    const readings = [cold(6, 1.3), hot(20, 1.8), cold(30, 1.3), cold(54, 0.5), cold(78, 1.3), hot(92, 1.8), cold(102, 1.3)]
    const { explanations } = fitPressure({ ...watched, periods: usualPeriods, readings, system: { ...system, litres: 65 } })
    expect(explanations[0]!.id).toBe('nothing')
    expect(explanations[0]!.misses).toEqual([3])
  })

  it('goes on from what it was topped up to, also where nobody noted to what', () => {
    const falls = [cold(7, 1.4), cold(55, 1.0), cold(103, 1.4), cold(151, 1.0)]
    for (const to of [1.8, null]) {
      const fit = fitPressure({ ...watched, readings: falls, topUps: [{ at: 56, to }] })
      expect(fit.explanations[0]!.id, `topped up to ${to}`).toBe('leak')
    }
  })

  it('takes a cold reading far above any course for water let in that nobody noted', () => {
    const falls = (from: number) => [1.5, 1.38, 1.27, 1.17, 1.08].map((bar, day) => cold(from + day * 24 + 7, bar))
    const { explanations } = fitPressure({ ...watched, readings: [...falls(0), ...falls(240)] })
    expect(explanations[0]!.id).toBe('leak')
    // climbing again and again is no forgetfulness
    const climbs = [1.0, 1.3, 1.6, 1.9, 2.2].map((bar, day) => cold(day * 24 + 7, bar))
    expect(['loop', 'plate']).toContain(fitPressure({ ...watched, readings: climbs }).explanations[0]!.id)
  })

  it('draws each explanation’s course through the readings, its band round it', () => {
    const readings = [cold(6, 1.3), hot(20, 1.8), cold(30, 1.3)]
    const fit = fitPressure({ ...watched, periods: usualPeriods, readings })
    const { at, mid, low, high } = trackOf(fit, fit.explanations[0]!, 0, 48, 97)
    expect(at[0]).toBe(0)
    expect(at.at(-1)).toBe(48)
    for (let place = 0; place < 97; place++) expect(low[place]! <= mid[place]! && mid[place]! <= high[place]!).toBe(true)
    // hotter in the evening than before the morning’s heating
    expect(mid[40]!).toBeGreaterThan(mid[12]! + 0.2)
  })
})

describe('the reading that tells most', () => {
  it('where only cold readings were taken and hot they part, asks for a hot one; and says what each expects', () => {
    const readings = [cold(7, 1.3), cold(31, 1.15), cold(55, 1.05)]
    const told = mostTelling(fitPressure({ ...watched, periods: usualPeriods, readings, pipeOutside: null }), 60)!
    expect(told.asked.at).toBeGreaterThan(60)
    expect(told.bits).toBeGreaterThan(0.05)
    expect(told.expects.reduce((sum, { odds }) => sum + odds, 0)).toBeGreaterThan(0.95)
  })

  it('where the filling loop and the plate are left, asks to take the loop off', () => {
    const readings = [cold(18, 1.2), cold(30, 1.5), cold(54, 2.1)]
    expect(mostTelling(fitPressure({ ...watched, readings }), 56)!.asked.loopOff).toBe(true)
  })
})
