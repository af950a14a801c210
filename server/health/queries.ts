import type { DatabaseState } from '@dewpoint/contract'
import { sql } from 'drizzle-orm'
import { failureOf, type Database } from '../database/index.ts'

/** Whether the database answers and takes writes: a server that only reads cannot keep an entry, and one that is locked cannot either. */
export async function databaseState(database: Database): Promise<DatabaseState> {
  try {
    // as a user without special rights would be refused; a node of a cluster that is not ready refuses the question itself
    const [rows] = await database.execute(sql`select @@global.read_only as readOnly, (select count(*) from firm where id = 0) as present`)
    return Number((rows as unknown as { readOnly: number }[])[0]?.readOnly) === 0 ? 'ok' : 'readOnly'
  } catch (error) {
    return failureOf(error)?.state ?? 'unreachable'
  }
}
