import type { Diagnosis } from '@dewpoint/core/diagnosis'
import { percent } from './colours.ts'

/** How sure a verdict is: as the only fault, and counting that something else may stand beside it, where the two differ. */
export function verdictWords({ verdict, suspects }: Pick<Diagnosis, 'verdict' | 'suspects'>): string {
  if (!verdict) return ''
  const [mode] = verdict.modes
  const alone = suspects.find((one) => one.key === mode?.fault)?.probability
  const whole = percent(verdict.probability)
  if (alone === undefined || percent(alone) === whole || alone > verdict.probability) return whole
  return `${percent(alone)} alone, ${whole} counting second faults`
}
