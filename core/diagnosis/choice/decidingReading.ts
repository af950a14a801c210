import { type Belief, logSum, rowsByBelief } from '../belief/index.ts'
import type { Catalogue, Check } from '../catalogue/index.ts'
import type { JournalRead } from '../evidence/index.ts'
import type { Signatures } from '../signatures/index.ts'
import { remedyFor, type Weighing } from './information.ts'

/** rows that may come up once a reading is left out */
const looked = 80
/** a group that stands above this share and falls below it without one reading hangs on it */
const falls = 0.6
/** minutes a reading may take to be worth taking again before a part is condemned */
const soon = 10

/**
 * The one reading a condemnation hangs on: left out, what is about to be mended would not stand out any more. Such a reading is taken again
 * before a part is condemned, for one reading in a hundred is plainly mistaken.
 *
 * @param group what is about to be acted on
 * @returns null when no single reading decides, or it has been taken twice already
 */
export function hangsOn(catalogue: Catalogue, signatures: Signatures, belief: Belief, journal: JournalRead, group: Weighing['groups'][number]): Check | null {
  if (group.kind !== 'faults') return null
  const rows = rowsByBelief(belief).slice(0, looked)
  const epoch = journal.mendings.length
  const of = (row: number) => {
    const standing = belief.standing(row)
    const set = signatures.sets[standing.reduce((most, one) => (one.weight > most.weight ? one : most)).row] ?? []
    return group.remedies.every((id) => set.some((fault) => remedyFor(catalogue.faults[fault]!, journal.tried) === id))
  }
  const own = rows.map(of)
  // what does not stand out hangs on nothing
  if (rows.reduce((sum, row, index) => (own[index] ? sum + belief.posterior[row]! : sum), 0) < falls) return null
  let worst: { check: Check; share: number } | null = null
  for (const one of belief.weighed) {
    const evidence = journal.evidence.find(({ entries }) => entries === one.entries)
    if (!evidence || evidence.told || evidence.epoch !== epoch || evidence.entries.length > 1 || evidence.check.probe || evidence.check.minutes > soon) continue
    const logs = rows.map((row) => Math.log(belief.prior[row]!) + belief.without(row, one))
    const total = logSum(logs)
    const share = logs.reduce((sum, log, index) => (own[index] ? sum + Math.exp(log - total) : sum), 0)
    if (share < falls && (!worst || share < worst.share)) worst = { check: evidence.check, share }
  }
  return worst?.check ?? null
}
