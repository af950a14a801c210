import type { Check, Fault, PatchValue } from '@dewpoint/core/diagnosis'
import type { Demand, Parameter } from '@dewpoint/core/system'
import type { Layouts } from './layouts.ts'

/** The run in which an engineer watches the burner start: a full tap where hot water is made on the spot, heating elsewhere. */
export const main = 'main'
/** The run in which the burner works as hard as it can: a full tap, the test function, or simply heating. */
export const high = 'high'

/** A check as it is written down: for every system that has the parts it is read from, or of those the layouts named. */
export interface CheckRow extends Omit<Check, 'situation' | 'concerns'> {
  situation: Omit<Check['situation'], 'demand'> & { demand: Check['situation']['demand'] | typeof main }
  concerns?: { demand: Demand | typeof main; stage: string }
  on?: Layouts
  /** a component it is made on, where what it is read from does not tell */
  needs?: string
}

/** A fault as it is written down: for every system that has the parameters it changes, or of those the layouts named. */
export interface FaultRow extends Omit<Fault, 'patch'> {
  on?: Layouts
  /** where it is otherwise: its cues and damages come to the others */
  where?: readonly Elsewhere[]
  /** a value, mild to severe, or so many times what this model has */
  patch: Record<string, PatchValue | Times>
}

/** What of a fault is otherwise on some layouts. */
interface Elsewhere extends Partial<Pick<Fault, 'label' | 'per1000' | 'cues' | 'damages' | 'remedies'>> {
  on: Layouts
}

/** So many times what the model has of it, mild to severe. */
export interface Times {
  times: readonly [mild: number, severe: number]
}
export const times = (mild: number, severe: number): Times => ({ times: [mild, severe] })

/** A row's patch with the model's own figures put in, held within what the parameter can be. */
export function patchOf(patch: FaultRow['patch'], parameters: ReadonlyMap<string, Pick<Parameter, 'value' | 'min' | 'max'>>): Fault['patch'] {
  return Object.fromEntries(
    Object.entries(patch).map(([key, value]): [string, PatchValue] => {
      if (typeof value === 'number' || !('times' in value)) return [key, value]
      const { value: own, min = -Infinity, max = Infinity } = parameters.get(key)!
      const [mild, severe] = value.times.map((factor) => Math.min(Math.max(own * factor, min), max))
      return [key, [mild!, severe!]]
    }),
  )
}
