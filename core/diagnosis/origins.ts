import type { Catalogue } from './catalogue.ts'
import { assumedCases, faultOdds, type Background, type Experience } from './prior.ts'
import type { FaultSet } from './signatures.ts'

/** One fault of a set, and the place it has among the others: what brought it about, or what it brought about. */
export interface Origin {
  fault: string
  label: string
  /** `root` brought another about, `consequence` was brought about, `alone` neither */
  role: 'root' | 'consequence' | 'alone'
}

/** Root and consequence told apart: which fault of a set does damage to which, or hides which. */
export function originsOf(catalogue: Catalogue, set: FaultSet): Origin[] {
  const faults = set.map((index) => catalogue.faults[index]!)
  return faults.map((fault) => {
    const brought = faults.some((other) => other.damages?.[fault.id] || fault.hides?.[other.id])
    const brings = faults.some((other) => fault.damages?.[other.id] || other.hides?.[fault.id])
    return { fault: fault.id, label: fault.label, role: brought ? 'consequence' : brings ? 'root' : 'alone' }
  })
}

/** What stands behind the odds of a fault before any reading. */
export interface Odds {
  fault: string
  /** call-outs in a thousand, all put together */
  per1000: number
  /** the assumption counts for this many call-outs */
  assumedCases: number
  /** the firm's closed cases on this kind of boiler, and those on which this fault was mended and proved */
  cases: number
  proven: number
}

/** The odds of each fault of a set, with how many cases stand behind them. */
export function oddsBehind(catalogue: Catalogue, set: FaultSet, background: Background, experience?: Experience): Odds[] {
  const odds = faultOdds(catalogue, { ...background, experience })
  return set.map((index) => {
    const { id } = catalogue.faults[index]!
    return { fault: id, per1000: odds[index]!, assumedCases, cases: experience?.cases ?? 0, proven: experience?.proven[id] ?? 0 }
  })
}
