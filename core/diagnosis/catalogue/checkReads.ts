import type { Catalogue, Check, Read } from './catalogue.ts'

/** The checks that are read from the simulation; cues are not. */
export function simulatedChecks(catalogue: Pick<Catalogue, 'checks'>): Check[] {
  return catalogue.checks.filter((check) => check.result.kind !== 'cue')
}

/** Everything a check is read from. */
export function readsOf({ result }: Check): Read[] {
  if (result.kind === 'number') return [result.read]
  if (result.kind === 'cue') return []
  return 'index' in result.decide ? result.decide.index : result.decide.rules.flatMap((rule) => rule.all.map((one) => one.read))
}

/** The runs and stories a check is read from, as keys. A parameter needs none. */
export function sourcesOf(check: Check): string[] {
  return [...new Set(readsOf(check).flatMap((read) => ('run' in read ? [`run ${read.run}`] : 'story' in read ? [`story ${read.story}`] : [])))]
}
