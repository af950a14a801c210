import type { Catalogue } from '../../catalogue/index.ts'

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
      }
    }),
  }
}
