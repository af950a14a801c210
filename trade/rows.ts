import type { Check, Fault } from '@dewpoint/core/diagnosis'
import type { Demand } from '@dewpoint/core/system'

/** The run in which an engineer watches the burner start: a full tap where hot water is made on the spot, heating elsewhere. */
export const main = 'main'
/** The run in which the burner works as hard as it can: a full tap, the test function, or simply heating. */
export const high = 'high'

/** A check as it is written down: for every system that has the parts it is read from, or for those named. */
export interface CheckRow extends Omit<Check, 'situation' | 'concerns'> {
  situation: Omit<Check['situation'], 'demand'> & { demand: Check['situation']['demand'] | typeof main }
  concerns?: { demand: Demand | typeof main; stage: string }
  systems?: string[]
  /** a component it is made on, where what it is read from does not tell */
  needs?: string
}

/** A fault as it is written down: for every system that has the parameters it changes, or for those named. */
export interface FaultRow extends Fault {
  systems?: string[]
}
