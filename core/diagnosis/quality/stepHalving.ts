import { instrumentOf, onScale, readingSpread } from '../belief/index.ts'
import { type Catalogue, simulatedChecks } from '../catalogue/index.ts'
import { plantOf, readChecks } from '../signatures/index.ts'

/**
 * How far halving the integration step moves what checks read, in the healthy plant and under single faults.
 *
 * @param every takes every so-manieth fault
 * @returns readings compared, how many moved by more than a fifth of the reading's own error (an outcome that changes counts as beyond),
 *   and the greatest movement as a share of that error
 */
export function stepHalving(catalogue: Catalogue, every = 1): { readings: number; beyond: number; most: number } {
  const checks = simulatedChecks(catalogue)
  const finer = { ...catalogue, runs: catalogue.runs.map((run) => ({ ...run, step: (run.step ?? 0.5) / 2 })) }
  let [readings, beyond, most] = [0, 0, 0]
  for (let fault = -1; fault < catalogue.faults.length; fault += every) {
    const plant = plantOf(catalogue, fault < 0 ? [] : [fault], 0)
    const coarse = readChecks(catalogue, plant)
    readChecks(finer, plant).forEach((fine, index) => {
      const check = checks[index]!
      const before = coarse[index]!
      const moved =
        Object.is(before, fine) || (Number.isNaN(before) && Number.isNaN(fine))
          ? 0
          : check.result.kind === 'number'
            ? Math.abs(onScale(check, before) - onScale(check, fine)) / readingSpread(check, instrumentOf(catalogue, check), before)
            : Infinity
      readings++
      if (!(moved <= 0.2)) beyond++
      most = Math.max(most, Number.isNaN(moved) ? Infinity : moved)
    })
  }
  return { readings, beyond, most }
}
