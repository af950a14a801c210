import { type Belief, logSum, rowsByBelief } from '../belief/index.ts'
import type { Catalogue } from '../catalogue/index.ts'
import type { FaultSet, Signatures } from '../signatures/index.ts'

/** One piece of evidence for or against a suspect. */
export interface Account {
  check: string
  /** what was done, in words */
  label: string
  entries: string[]
  /** how many times likelier (above one) or less likely (below one) it made the suspect against all others */
  times: number
  says: string
}

/**
 * What each piece of evidence did to one row against those that blame other parts, judged with all the other evidence in place.
 *
 * @returns the telling ones, strongest first
 */
export function accountOf(catalogue: Catalogue, signatures: Signatures, belief: Belief, row: number): Account[] {
  const partsOf = (set: FaultSet = []) => set.map((index) => catalogue.faults[index]!.part)
  const own = partsOf(signatures.sets[row])
  const others = topRows(belief, (other) => other !== row && (own.length === 0 || !partsOf(signatures.sets[other]).some((part) => own.includes(part))))
  return belief.weighed
    .map((one) => {
      const gain = belief.logLikelihood[row]! - belief.without(row, one)
      const rest = averagePredictive(belief, others, one)
      const times = Math.exp(gain - rest)
      return { check: one.check ?? 'seen', label: one.label, entries: one.entries, times, says: inWords(times) }
    })
    .filter(({ times }) => times > 1.25 || times < 0.8)
    .sort((a, b) => Math.abs(Math.log(b.times)) - Math.abs(Math.log(a.times)))
}

/**
 * When nothing listed explains the journal: the reading that surprises most.
 *
 * @returns null while a listed explanation leads
 */
export function surprise(signatures: Signatures, belief: Belief): { entries: string[]; check: string | null; says: string } | null {
  const unlisted = signatures.sets.length + 1
  let listed = 0
  belief.posterior.forEach((probability, row) => {
    if (row !== unlisted && probability > listed) listed = probability
  })
  if (belief.weighed.length === 0 || belief.posterior[unlisted]! <= listed) return null
  const rows = topRows(belief, (row) => row !== unlisted)
  let worst = belief.weighed[0]!
  let least = Infinity
  for (const one of belief.weighed) {
    const predictive = averagePredictive(belief, rows, one)
    if (predictive < least) [least, worst] = [predictive, one]
  }
  return {
    entries: worst.entries,
    check: worst.check,
    says: `No listed fault explains everything recorded. “${worst.label}” fits worst: repeat it, or look for something not listed.`,
  }
}

/** The likeliest of the rows that are wanted; the rest weigh nothing here. */
function topRows(belief: Belief, wanted: (row: number) => boolean): number[] {
  const rows: number[] = []
  for (const row of rowsByBelief(belief)) {
    if (wanted(row)) rows.push(row)
    if (rows.length === 40) break
  }
  return rows
}

/** Log of the chance of one piece of evidence under several rows together, given the other evidence. */
function averagePredictive(belief: Belief, rows: number[], omitted: Belief['weighed'][number]): number {
  const before = rows.map((row) => Math.log(belief.prior[row]!) + belief.without(row, omitted))
  const after = rows.map((row) => Math.log(belief.prior[row]!) + belief.logLikelihood[row]!)
  return logSum(after) - logSum(before)
}

function inWords(times: number): string {
  const factor = times >= 1 ? times : 1 / times
  const size =
    factor < 1.7
      ? 'a little'
      : factor < 2.6
        ? 'twice'
        : factor < 3.6
          ? 'three times'
          : factor < 7
            ? 'five times'
            : factor < 14
              ? 'ten times'
              : factor < 30
                ? 'twenty times'
                : 'fifty times'
  return `${size} ${times >= 1 ? 'likelier' : 'less likely'}`
}
