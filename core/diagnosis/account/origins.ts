import { assumedCases, oddsBecause } from '../belief/index.ts'
import type { Catalogue, Odds, Origin } from '../catalogue/index.ts'
import type { Circumstances } from '../evidence/index.ts'
import { type FaultSet, linkTo } from '../signatures/index.ts'

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
export function oddsBehind(catalogue: Catalogue, set: FaultSet, odds: readonly number[], circumstances: Circumstances): Odds[] {
  const { experience } = circumstances
  return set.map((index) => {
    const fault = catalogue.faults[index]!
    const because = oddsBecause(catalogue, fault, circumstances)
    return { fault: fault.id, per1000: odds[index]!, assumedCases, cases: experience?.cases ?? 0, proven: experience?.proven[fault.id] ?? 0, because }
  })
}
