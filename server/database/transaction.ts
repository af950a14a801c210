import { drizzle } from 'drizzle-orm/mysql2'
import type { PoolConnection, SqlValue } from 'mysql2/promise'
import type { Database } from './connect.ts'
import { retried } from './failures.ts'

/** The database within a transaction. */
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0]

/** One transaction, begun anew as a whole when it met another one. `work` may run several times: it must touch nothing outside. */
export function inTransaction<T>(database: Database, work: (tx: Transaction) => Promise<T>): Promise<T> {
  return retried(() => database.transaction(work))
}

/** A statement with a ? for each value; a list stands for its members, a list of lists for rows. */
export interface Statement {
  text: string
  values: readonly SqlValue[]
}

/** What the query builder put together, as a statement. */
export function written(query: { toSQL: () => { sql: string; params: unknown[] } }): Statement {
  const { sql, params } = query.toSQL()
  return { text: sql, values: params as SqlValue[] }
}

/** The two steps of a transaction, and what may be asked between them. */
export interface Steps {
  /** begins it, asks, and gives the rows as the client library reads them */
  begin: <Row>(first: Statement) => Promise<Row[]>
  /** what the query builder asks in between */
  between: () => Pick<Database, 'select' | 'insert' | 'update'>
  /**
   * Does what is left and ends it. Where a statement fails nothing after it is done and the transaction is still under way, without that statement:
   * it can be ended otherwise. Source: MariaDB Knowledge Base, "InnoDB Error Handling".
   */
  end: (last: readonly Statement[]) => Promise<void>
}

/**
 * One transaction in two questions to the database, however many statements it has: for what is asked all day by everybody, where the way there and
 * back, and putting statements together, cost more than doing them. Begun anew as a whole when it met another one, like any.
 * Source: MariaDB Knowledge Base, "BEGIN END", of statements outside stored programs.
 */
export function inTwoSteps<T>(database: Database, work: (steps: Steps) => Promise<T>): Promise<T> {
  return retried(async () => {
    const connection = await database.$client.getConnection()
    try {
      return await work({
        begin: async <Row>(first: Statement) => {
          const [[rows]] = (await connection.query(`begin not atomic start transaction; ${first.text}; end`, [...first.values])) as unknown as [[Row[]]]
          return rows
        },
        between: () => drizzle(connection as PoolConnection),
        end: async (last) =>
          void (await connection.query(
            `begin not atomic ${last.map((one) => `${one.text}; `).join('')}commit; end`,
            last.flatMap((one) => [...one.values]),
          )),
      })
    } catch (error) {
      // a connection that cannot be taken back is given up where it is asked
      await connection.query('rollback').catch(() => undefined)
      throw error
    } finally {
      connection.release()
    }
  })
}
