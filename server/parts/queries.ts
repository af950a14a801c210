import type { Stocked } from '@dewpoint/contract'
import { count, eq } from 'drizzle-orm'
import { inTransaction, retried, tables, type Database } from '../database/index.ts'

const { parts } = tables

/** parts a firm can say something of: ten times what the stock remedies name */
const mostParts = 2000

/** Everything the firm has said of parts, by name. */
export function stockOf(database: Database): Promise<Stocked[]> {
  return retried(() => database.select().from(parts).orderBy(parts.part))
}

/** Keeps what is said of a part, unless somebody changed it since the revision it was read in. */
export async function keepStocked(database: Database, { revision, ...said }: Stocked): Promise<'kept' | 'changed' | 'full'> {
  const attempt = () =>
    inTransaction(database, async (tx) => {
      const [row] = await tx.select({ revision: parts.revision }).from(parts).where(eq(parts.part, said.part)).for('update')
      if ((row?.revision ?? 0) !== revision) return 'changed'
      const next = { ...said, revision: revision + 1 }
      if (row) await tx.update(parts).set(next).where(eq(parts.part, said.part))
      else {
        const [all] = await tx.select({ many: count() }).from(parts)
        if (all!.many >= mostParts) return 'full'
        await tx.insert(parts).values(next)
      }
      return 'kept'
    })
  try {
    return await attempt()
  } catch (error) {
    // somebody wrote it between our look and our writing: look again
    if ((error as { cause?: { code?: string } }).cause?.code === 'ER_DUP_ENTRY') return attempt()
    throw error
  }
}
