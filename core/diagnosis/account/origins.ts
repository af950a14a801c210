import { assumedCases, linkTo } from '../belief/index.ts'
import type { Catalogue, Experience, Odds, Origin } from '../catalogue/index.ts'
import type { FaultSet } from '../signatures/index.ts'

/** Root and consequence told apart: which fault of a set does damage to which, or hides which. */
export function originsOf(catalogue: Catalogue, set: FaultSet): Origin[] {
  const faults = set.map((index) => catalogue.faults[index]!)
  return faults.map((fault) => {
    const brought = faults.some((other) => linkTo(other, fault) > 0)
    const brings = faults.some((other) => linkTo(fault, other) > 0)
    return { fault: fault.id, label: fault.label, role: brought ? 'consequence' : brings ? 'root' : 'alone' }
  })
}

/**
 * The odds of each fault of a set, with how many cases stand behind them.
 *
 * @param odds of every fault, call-outs in a thousand
 */
export function oddsBehind(catalogue: Catalogue, set: FaultSet, odds: readonly number[], experience?: Experience): Odds[] {
  return set.map((index) => {
    const { id } = catalogue.faults[index]!
    return { fault: id, per1000: odds[index]!, assumedCases, cases: experience?.cases ?? 0, proven: experience?.proven[id] ?? 0 }
  })
}
