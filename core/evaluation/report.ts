import { meanOf, ratioOf, shareOf, type Share } from './interval.ts'
import type { Course, Way } from './walk.ts'

/** One case played one way. */
export interface Played extends Course {
  system: string
  way: Way
  seed: number
  /** rules of reasoning it was played without */
  without?: readonly string[]
}

/** A mean or ratio with its 95 % interval. */
interface Figure {
  value: number
  low: number
  high: number
}

/** What came of many cases played one way. */
export interface Report {
  system: string
  way: Way
  cases: number
  minutes: Figure
  checks: Figure
  /** parts put in that nothing needed, a case */
  needless: Figure
  /** of the parts condemned, those that were good; cases whose fault is on no list apart */
  wrong: Share
  /** the same where the fault is on no list */
  wrongUnlisted: Share
  foundSingles: Share
  foundPairs: Share
  /** three faults and more, wiring that was never finished among them */
  foundMore: Share
  /** minutes against the forward ladder's on the same cases */
  minutesToForward: Figure | null
  /** of the repairs called 85 % likely or more as they were begun, those that were needed */
  calledNinety: Share
  /** what they had been called in the mean */
  calledMean: number
}

/** Puts cases together by way of working, for one system or, as "all", for every one of them. */
export function reportOf(all: readonly Played[], system: string): Report[] {
  const own = system === 'all' ? all : all.filter((one) => one.system === system)
  const forward = new Map(own.filter((one) => one.way === 'forward').map((one) => [`${one.system} ${one.seed}`, one.minutes]))
  return [...new Set(own.map((one) => one.way))].map((way) => {
    const played = own.filter((one) => one.way === way)
    const listed = played.filter((one) => one.kind !== 'unlisted')
    const singles = played.filter((one) => one.kind === 'single')
    const pairs = played.filter((one) => one.kind === 'pair' || one.kind === 'chain')
    const more = played.filter((one) => one.kind === 'more' || one.kind === 'unfinished')
    const both = played.filter((one) => forward.has(`${one.system} ${one.seed}`))
    const called = played.flatMap((one) => one.said).filter(({ probability }) => probability >= 0.85)
    const wrongOf = (some: readonly Played[]) => shareOf(sum(some, 'wrong'), sum(some, 'condemned'))
    return {
      system,
      way,
      cases: played.length,
      minutes: figure(meanOf(played.map((one) => one.minutes))),
      checks: figure(meanOf(played.map((one) => one.checks))),
      needless: figure(meanOf(played.map((one) => one.needless))),
      wrong: wrongOf(listed),
      wrongUnlisted: wrongOf(played.filter((one) => one.kind === 'unlisted')),
      foundSingles: shareOf(singles.filter((one) => one.found).length, singles.length),
      foundPairs: shareOf(pairs.filter((one) => one.found).length, pairs.length),
      foundMore: shareOf(more.filter((one) => one.found).length, more.length),
      minutesToForward:
        both.length < 2
          ? null
          : ratioFigure(
              ratioOf(
                both.map((one) => one.minutes),
                both.map((one) => forward.get(`${one.system} ${one.seed}`)!),
              ),
            ),
      calledNinety: shareOf(called.filter((one) => one.so).length, called.length),
      calledMean: meanOf(called.map((one) => one.probability)).mean,
    }
  })
}

const sum = (some: readonly Played[], key: 'wrong' | 'condemned') => some.reduce((total, one) => total + one[key], 0)
const figure = ({ mean, low, high }: { mean: number; low: number; high: number }): Figure => ({ value: mean, low, high })
const ratioFigure = ({ ratio, low, high }: { ratio: number; low: number; high: number }): Figure => ({ value: ratio, low, high })
