export type * from './catalogue.ts'
export type * from './result.ts'
export { combined, patched } from './draws.ts'
export { believe, type Belief } from './belief.ts'
export { provingMinutes, settledBy } from './proving.ts'
export { diagnose } from './diagnose.ts'
export { barring, standingActs, type Act } from './acts.ts'
export type { DiagnoseOptions } from './options.ts'
export { answered, outcomesOf, readJournal } from './evidence.ts'
export { impossibility } from './impossible.ts'
export { isProbe, movedAs, moveOf, payloadOf, probeCheck, probed, probeProblem, specOf, terminalWords, wiredWith } from './probe.ts'
export { nextProbes, probing, type NextProbe, type Probing } from './probing.ts'
export { holdsPair, likeliestPairs, simulatePair, withPairs, type SimulatedPair } from './pairs.ts'
export { stepHalving } from './stepHalving.ts'
export { dangerousWords, stopOf } from './stop.ts'
export { grow } from './growing.ts'
export { mutualInformation, spread, weighing, type Weighing } from './information.ts'
export { hangsOn } from './hanging.ts'
export { accessLeft, aheadOf, rankChecks, turningTo, type Order, type RankedCheck, type Ranking } from './nextCheck.ts'
export { costOfActing, usualCosts, wrongActs, type Costs } from './costs.ts'
export { topUpsPerYear } from './history.ts'
export type { Odds, Origin } from './origins.ts'
export type { Experience } from './prior.ts'
export { isFreshSignatureFile, readSignatureFile, signatureFileBytes } from './signatureFile.ts'
export { partsFrom, separability, type Separability } from './separability.ts'
export { readChecks, readsOf, simulatedChecks } from './reading.ts'
export {
  assembleSignatures,
  buildSingles,
  catalogueHash,
  drawCount,
  noExceptions,
  nominalSignatures,
  pairCount,
  plantOf,
  simulatePairs,
  singlesByRow,
  type Exceptions,
  type Signatures,
} from './signatures.ts'
