import type { Transaction } from '../database/index.ts'

/** Work on everything that is kept, in steps: each whole or not at all. */
export interface Job {
  name: string
  /** raised when it must be done anew */
  version: number
  /** does a stretch of it, and says where the next begins: nowhere when it is finished */
  step: (tx: Transaction, after: string) => Promise<{ reached: string | null; done: number }>
}
