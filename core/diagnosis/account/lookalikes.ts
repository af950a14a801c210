import type { Belief } from '../belief/index.ts'
import type { Catalogue, Diagnosis, LookAlike } from '../catalogue/index.ts'
import { accessLeft, separation } from '../choice/index.ts'
import type { JournalRead } from '../evidence/index.ts'
import type { Signatures } from '../signatures/index.ts'
import { nameOf } from './naming.ts'

export function lookalikesOf(
  catalogue: Catalogue,
  signatures: Signatures,
  belief: Belief,
  journal: JournalRead,
  leaders: number[],
  done: ReadonlySet<string>,
): LookAlike[] {
  const [leader] = leaders
  if (leader === undefined) return []
  return leaders
    .slice(1)
    .filter((row) => belief.posterior[row]! > 0.01 && belief.logLikelihood[row]! > belief.logLikelihood[leader]! - Math.log(10))
    .slice(0, 5)
    .map((row) => {
      const separating = catalogue.checks
        .filter((check) => !done.has(check.id) && separation(catalogue, signatures, belief, check, leader, row) > 0.4)
        .map((check) => ({ check: check.id, label: check.label, minutes: check.minutes + accessLeft(journal, check.access) }))
        .sort((a, b) => a.minutes - b.minutes)
      return {
        suspect: nameOf(catalogue, signatures, row).key,
        label: nameOf(catalogue, signatures, row).label,
        probability: belief.posterior[row]!,
        separatedBy: separating[0] ?? null,
      }
    })
}

export function severalOf(catalogue: Catalogue, signatures: Signatures, belief: Belief): Diagnosis['several'] {
  let probability = 0
  let likeliest = -1
  signatures.sets.forEach((set, row) => {
    if (set.length < 2) return
    probability += belief.posterior[row]!
    if (likeliest < 0 || belief.posterior[row]! > belief.posterior[likeliest]!) likeliest = row
  })
  return likeliest < 0 ? null : { probability, likeliest: nameOf(catalogue, signatures, likeliest).label }
}
