import type { Entry } from '@dewpoint/core/casebook'
import type { Act, Check } from '@dewpoint/core/diagnosis'

/** What a check needs before it can be made, and what is said of it. */
export type Needs = Record<'drained' | 'powerOff', boolean>

/** What is asked, and what becomes of an answer without it. */
export const needWords: Record<keyof Needs, { ask: string; without: string }> = {
  drained: { ask: 'Water side drained, drain open', without: 'Say so first: without that the water’s own pressure is read, and it will be doubted.' },
  powerOff: { ask: 'Powered off, proved dead', without: 'Say so first: with the power on it is not safe, and what is read will be doubted.' },
}

/** What a check needs, in the order it is done. Of a meter on the wiring the map asks whether it is isolated. */
export const needsOf = ({ situation, probe }: Pick<Check, 'situation' | 'probe'>) =>
  probe ? [] : (['powerOff', 'drained'] as const).filter((one) => situation[one])

/** What was said of what a check needs, as it is recorded with its reading. */
export const saidOf = (check: Pick<Check, 'situation' | 'probe'>, said: Needs): Partial<Needs> =>
  Object.fromEntries(needsOf(check).map((one) => [one, said[one]]))

/**
 * What still stands of it: an act that says so and was not undone, or the reading before was made so. A repair or a demand that was run ends it.
 *
 * @param live the journal without what was taken back, in its order
 */
export function stillSo(live: readonly Entry[], acts: readonly Act[]): Needs {
  const last = live.findLast((one) => one.type === 'repair' || (one.type === 'reading' && one.payload.situation !== undefined))
  const situation = last?.type === 'reading' ? last.payload.situation : undefined
  return {
    drained: acts.some(({ kind }) => kind.drains) || situation?.drained === true,
    powerOff: acts.some(({ kind }) => kind.id === 'powerOff') || situation?.powerOff === true,
  }
}
