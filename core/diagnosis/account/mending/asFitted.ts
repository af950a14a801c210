import type { Catalogue, Remedy } from '../../catalogue/index.ts'

/** The catalogue with its remedies as they are done on the versions that are known to be fitted. */
export function asFitted(catalogue: Catalogue, versions: ReadonlyMap<string, string> = new Map()): Catalogue {
  if (versions.size === 0) return catalogue
  return {
    ...catalogue,
    remedies: catalogue.remedies.map((remedy) => {
      const added = (remedy.byVersion ?? []).filter(({ fact, choice }) => versions.get(fact) === choice)
      if (added.length === 0) return remedy
      return {
        ...remedy,
        minutes: added.reduce((sum, one) => sum + one.minutes, remedy.minutes),
        steps: [...added.map((one) => one.step), ...remedy.steps],
        opens: [...(remedy.opens ?? []), ...added.flatMap((one) => one.opens ?? [])],
        // what lies in the way of several is taken out of it once
        byVersion: added,
      }
    }),
  }
}

/**
 * Remedies done in one job: what lies in the way of several of them on this version is taken out for the first and left out for the others.
 *
 * @param remedies as they are fitted
 */
export function behindOnce(remedies: readonly Remedy[]): Remedy[] {
  const paid = new Set<string>()
  return remedies.map((remedy) => {
    const again = (remedy.byVersion ?? []).filter(({ step }) => remedy.steps.includes(step) && paid.has(step))
    for (const { step } of remedy.byVersion ?? []) if (remedy.steps.includes(step)) paid.add(step)
    if (again.length === 0) return remedy
    return {
      ...remedy,
      minutes: again.reduce((left, one) => left - one.minutes, remedy.minutes),
      steps: remedy.steps.filter((step) => !again.some((one) => one.step === step)),
    }
  })
}
