import type { Database } from './connect.ts'
import { retried } from './failures.ts'

/** The database within a transaction. */
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0]

/** One transaction, begun anew as a whole when it met another one. `work` may run several times: it must touch nothing outside. */
export function inTransaction<T>(database: Database, work: (tx: Transaction) => Promise<T>): Promise<T> {
  return retried(() => database.transaction(work))
}
