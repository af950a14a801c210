import type { Remedy } from '../catalogue/index.ts'

/** What was done once in vain works the second time less often, where nothing dearer mends the same. Assumed */
const seldomAgain = 0.6

/**
 * Chance that a remedy works after others, or itself, were carried out in vain: what was in vain had its share of failing for a reason that the
 * dearer one mends too, so that the dearer rises: a new cartridge in vain points to the body.
 *
 * By Bayes' rule: of what a remedy that works with chance `w` leaves standing, `(v − w) / (1 − w)` is mended by one of the same faults that works
 * with chance `v`; the rest is a slip, and is as likely mended as at first.
 *
 * @param remedies of the catalogue
 * @param tried how often each was carried out already
 */
export function worksNow(remedies: readonly Remedy[], remedy: Remedy, tried: ReadonlyMap<string, number>): number {
  const sisters = remedies.filter((one) => one !== remedy && remedy.mends.length > 0 && one.mends.some((id) => remedy.mends.includes(id)))
  const best = Math.max(remedy.works, ...sisters.map((one) => one.works))
  if (tried.has(remedy.id)) return best > remedy.works ? (remedy.works * (1 - best)) / (1 - remedy.works) : remedy.works * seldomAgain
  const inVain = Math.max(0, ...sisters.filter((one) => tried.has(one.id) && one.works < remedy.works).map((one) => one.works))
  return inVain > 0 ? (remedy.works - inVain + (1 - remedy.works) * remedy.works) / (1 - inVain) : remedy.works
}
