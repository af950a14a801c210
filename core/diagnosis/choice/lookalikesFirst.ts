import type { Belief } from '../belief/index.ts'
import type { Catalogue, Check } from '../catalogue/index.ts'
import type { JournalRead } from '../evidence/index.ts'
import type { Signatures } from '../signatures/index.ts'

/** what looks alike and is less likely than this has been ruled out by other ways. Chosen */
const ruledOut = 0.002

/**
 * Cheap checks that come before a dear part is condemned, whatever the sum of money says: of what looks alike and has not been ruled out.
 *
 * @param remedies what is about to be done
 * @param excluded checks that were made or cannot be made
 * @returns quickest first
 */
export function owedBefore(
  catalogue: Catalogue,
  { sets }: Signatures,
  belief: Belief,
  journal: JournalRead,
  remedies: readonly string[],
  excluded: ReadonlySet<string>,
): Check[] {
  const before = catalogue.remedies.flatMap((one) => (remedies.includes(one.id) ? (one.before ?? []) : []))
  if (before.length === 0) return []
  const made = new Set(journal.evidence.map((one) => one.check.id))
  const standing = (fault: string) => {
    let share = 0
    belief.posterior.forEach((one, row) => {
      if (sets[row]?.some((index) => catalogue.faults[index]!.id === fault)) share += one
    })
    return share
  }
  const owed = before.filter(({ check, faults }) => !made.has(check) && !excluded.has(check) && faults.some((one) => standing(one) > ruledOut))
  return catalogue.checks.filter(({ id }) => owed.some(({ check }) => check === id)).sort((a, b) => a.minutes - b.minutes)
}
