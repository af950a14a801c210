import { describe, expect, it } from 'vitest'
import { chanceFrom } from '../../chance/index.ts'
import { fitPressure, outlook } from '../index.ts'
import { everyTruth, madeCourse } from './madeCourses.ts'

describe('courses made by the plant, minute by minute, with figures the fit does not know', () => {
  it('of 200 with ten readings at least nine in ten are told right at first place, and no kind worse than two in three', { timeout: 600_000 }, () => {
    const right = new Map<string, number>()
    let made = 0
    for (let round = 0; made < 200; round++)
      for (const truth of everyTruth) {
        if (made >= 200) break
        const { series } = madeCourse(truth, chanceFrom(90_001 + made * 13))
        made++
        if (fitPressure(series).explanations[0]!.id === truth) right.set(truth, (right.get(truth) ?? 0) + 1)
      }
    expect([...right.values()].reduce((sum, one) => sum + one, 0)).toBeGreaterThanOrEqual(180)
    for (const truth of everyTruth) expect([truth, right.get(truth)! >= 11]).toEqual([truth, true])
  })

  it('the interval of the day it stops holds the truth in 85 to 95 of a hundred', { timeout: 600_000 }, () => {
    let [held, made] = [0, 0]
    for (let seed = 0; made < 100; seed++) {
      const truth = (['leak', 'relief', 'leakHot', 'leakCold'] as const)[seed % 4]!
      const { series, stopsAfter } = madeCourse(truth, chanceFrom(40_003 + seed * 29), true)
      // what stops within the day needs no date
      if (stopsAfter === null || stopsAfter < 24) continue
      made++
      const stop = Math.max(...series.readings.map(({ at }) => at)) + stopsAfter
      const { stops } = outlook(fitPressure(series))
      // a date is a day: half of one on either side
      if (stops && stop >= stops.low - 12 && stop <= stops.high + 12) held++
    }
    expect(held).toBeGreaterThanOrEqual(85)
    expect(held).toBeLessThanOrEqual(95)
  })
})
