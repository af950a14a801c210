import type { Catalogue } from '../../catalogue/index.ts'
import type { Mending } from '../../evidence/index.ts'
import type { FaultSet } from '../../signatures/index.ts'

/**
 * How likely what still stands after it was mended in vain is nothing on the list, but something that reads like it. So many calls in a thousand have
 * an unlisted cause; that it looks like one listed fault shows only when what mends that fault does not help. By Bayes’ rule, against the chance
 * that every repair of it failed by itself.
 *
 * @returns of a set that may still stand, 0 where none of its faults was mended in vain
 */
export function notListedAfter({ prior }: Pick<Catalogue, 'prior'>, mendings: readonly Pick<Mending, 'faults' | 'works'>[]): (set: FaultSet) => number {
  const share = prior.unlisted / 1000
  const failed = new Map<number, number>()
  for (const { faults, works } of mendings) for (const fault of faults) failed.set(fault, (failed.get(fault) ?? 1) * (1 - works))
  return (set) => {
    const least = Math.min(1, ...set.map((fault) => failed.get(fault) ?? 1))
    return least < 1 ? share / (share + (1 - share) * least) : 0
  }
}
