import type { Costs } from './costs.ts'
import type { Order } from './nextCheck.ts'
import type { Experience } from './prior.ts'

/** What may be set per firm or per case. */
export interface DiagnoseOptions {
  order?: Order
  /** checks that cannot be done */
  cannot?: readonly string[]
  /** what an hour, a second trip and a part condemned in vain cost; see `usualCosts` for what is not said */
  costs?: Partial<Costs>
  /** the firm's own closed cases on this kind of boiler */
  experience?: Experience
  /** checks to detail besides the ones worth most, as someone asked for them */
  also?: readonly string[]
  /** how many suspects and checks to detail, default 8 */
  detail?: number
}
