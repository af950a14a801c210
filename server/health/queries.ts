import { sql } from 'drizzle-orm'
import type { Database } from '../database/index.ts'

/** Whether the database answers a trivial question. */
export async function databaseAnswers(database: Database): Promise<boolean> {
  try {
    await database.execute(sql`select 1`)
    return true
  } catch {
    return false
  }
}
