import type { FirmCosts } from '@dewpoint/contract'
import { tables, type Database } from '../database/index.ts'

/** The firm's costs, or null before it said any. */
export async function costsOf(database: Database): Promise<FirmCosts | null> {
  const [row] = await database.select().from(tables.firm)
  return row?.costs ?? null
}

/** Keeps the firm's costs; the last to say them has it. */
export async function keepCosts(database: Database, costs: FirmCosts): Promise<void> {
  await database.insert(tables.firm).values({ id: 1, costs }).onDuplicateKeyUpdate({ set: { costs } })
}
