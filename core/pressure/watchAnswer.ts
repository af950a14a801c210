import type { ExplanationId } from './explanations.ts'
import type { PressureFit } from './fit.ts'
import { outlook, outlookOf, type Outlook } from './outlook.ts'
import { mostTelling, type TellingReading } from './telling.ts'
import { topUpSums, type TopUpSums } from './topUps.ts'
import { trackOf, type Track } from './tracks.ts'

/** One explanation as it is told: how likely it is, what it has the gauge do, and what becomes of it. */
export interface WatchedExplanation {
  id: ExplanationId
  odds: number
  outlook: Outlook
  /** its course; null of one too unlikely to be drawn */
  track: Track | null
  /** what the gauge should have shown at each reading, bar */
  mean: number[]
  misses: number[]
}

/** Everything a pressure watch tells. */
export interface WatchAnswer {
  /** the likeliest first */
  explanations: WatchedExplanation[]
  outlook: Outlook
  telling: TellingReading | null
  topUps: TopUpSums
  /** hours of the wall clock that are drawn */
  from: number
  to: number
  days: number
}

/** days ahead that are drawn, and most days behind */
const ahead = 8
const behind = 28
const mostBehind = 1100
/** places of a drawn course */
const places = 420
/** explanations that are drawn, and the least likely of them */
const drawn = 4

/**
 * What a fit tells: odds, courses, what becomes of it and which reading would tell most.
 *
 * @param now hour of the wall clock, on the series' own count
 * @param whole everything since the first reading is drawn, not only the last four weeks
 */
export function watchAnswer(fit: PressureFit, now: number, whole = false): WatchAnswer {
  const { readings, topUps } = fit.series
  const times = [...readings, ...topUps].map(({ at }) => at)
  const first = Math.min(...times, now)
  const last = Math.max(...times, Math.min(now, Math.max(...times, first) + 14 * 24))
  const from = Math.floor(Math.max(first, last - (whole ? mostBehind : behind) * 24) / 24) * 24
  const to = Math.ceil(last / 24 + ahead) * 24
  const days = Math.max((Math.max(...times, first) - first) / 24, 0)
  const all = outlook(fit)
  return {
    explanations: fit.explanations.map((one, index) => ({
      id: one.id,
      odds: one.odds,
      outlook: outlookOf(fit, one),
      track: index < drawn ? trackOf(fit, one, from, to, places) : null,
      mean: one.mean,
      misses: one.misses,
    })),
    outlook: all,
    telling: mostTelling(fit, Math.max(now, ...readings.map(({ at }) => at))),
    topUps: topUpSums(topUps.length, days, all.litresADay.mid),
    from,
    to,
    days,
  }
}
