import type { Costs } from './costs.ts'
import type { Rules } from './rules.ts'

/** What may be set per firm or per case. */
export interface DiagnoseOptions {
  order?: CheckOrder
  /** checks that cannot be done */
  cannot?: readonly string[]
  /** what an hour, a second trip and a part condemned in vain cost; see `usualCosts` for what is not said */
  costs?: Partial<Costs>
  /** how the firm works where practitioners disagree */
  ways?: WaysOfWorking
  /** what the firm pays for parts, where it is not what is assumed */
  prices?: Readonly<Record<string, number>>
  /** the firm's own closed cases on this kind of boiler */
  experience?: Experience
  /** checks to detail besides the ones worth most, as someone asked for them */
  also?: readonly string[]
  /** rules of reasoning to leave out, to measure what they do */
  rules?: Partial<Rules>
  /** how many suspects and checks to detail, default 8 */
  detail?: number
}

/** The firm's own proven repairs on this kind of boiler. */
export interface Experience {
  /** call-outs behind the counts */
  cases: number
  /** of those, on how many each fault was mended and the case closed */
  proven: Readonly<Record<string, number>>
  /** what its engineers say of it from their own experience: the share of call-outs each fault turns out to be, 0 to 1 */
  stated?: Readonly<Record<string, number>>
}

/** How a firm works where practitioners disagree. */
export interface WaysOfWorking {
  /** remedies it takes before others of the same fault */
  prefers?: readonly string[]
  /** steps it adds to remedies */
  says?: readonly { remedies: readonly string[]; step: string }[]
  /** cold pressure: little, or much */
  fill?: 'low' | 'high'
}

/** In which order checks are offered. */
export type CheckOrder = 'forward' | 'backward' | 'telling'
