import { desc } from 'drizzle-orm'
import { retried, tables, type Database } from '../database/index.ts'

/** how far back is looked for who writes: a firm’s last weeks */
const looked = 2000

/** Who wrote lately, by name. */
export async function writers(database: Database): Promise<string[]> {
  const rows = await retried(() => database.select({ author: tables.entries.author }).from(tables.entries).orderBy(desc(tables.entries.sequence)).limit(looked))
  return [...new Set(rows.map((one) => one.author))].sort((a, b) => (a < b ? -1 : 1)).slice(0, 60)
}
