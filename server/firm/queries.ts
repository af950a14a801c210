import type { FirmSettings } from '@dewpoint/contract'
import { inTransaction, retried, tables, type Database } from '../database/index.ts'

/** The firm's settings, or null before it said any; costs said before there was a time zone go with UTC. */
export async function settingsOf(database: Database): Promise<FirmSettings | null> {
  const [row] = await retried(() => database.select().from(tables.firm))
  return row ? { costs: row.costs, timeZone: row.timeZone ?? 'UTC', ...(row.profile && { profile: row.profile }), revision: row.revision } : null
}

/**
 * Keeps the firm's settings, unless somebody changed them since the revision they were read in.
 *
 * @returns them with their new revision, or null when they were changed meanwhile
 */
export async function keepSettings(database: Database, { costs, timeZone, profile, revision }: FirmSettings): Promise<FirmSettings | null> {
  return inTransaction(database, async (tx) => {
    const [row] = await tx.select({ revision: tables.firm.revision, profile: tables.firm.profile }).from(tables.firm).for('update')
    if ((row?.revision ?? 0) !== revision) return null
    // an older device knows of no profile: what the firm said of itself stays
    const next = { costs, timeZone, ...(profile && { profile }), revision: revision + 1 }
    await tx
      .insert(tables.firm)
      .values({ id: 1, ...next })
      .onDuplicateKeyUpdate({ set: next })
    return { ...next, ...(!profile && row?.profile && { profile: row.profile }) }
  })
}
