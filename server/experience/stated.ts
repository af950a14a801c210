import type { Experienced, Opinion, Stated } from '@dewpoint/contract'
import { and, eq } from 'drizzle-orm'
import { retried, tables, type Database } from '../database/index.ts'

const { statedOdds } = tables

/** Everybody's opinion of a kind of boiler, and their mean. */
export async function statedOf(database: Pick<Database, 'select'>, system: string): Promise<Pick<Experienced, 'stated' | 'opinions'>> {
  const opinions: Opinion[] = await database
    .select({ fault: statedOdds.fault, author: statedOdds.author, inTen: statedOdds.inTen })
    .from(statedOdds)
    .where(eq(statedOdds.system, system))
    .orderBy(statedOdds.fault, statedOdds.author)
  const stated: Record<string, number> = {}
  for (const { fault } of opinions) {
    const each = opinions.filter((one) => one.fault === fault)
    stated[fault] = each.reduce((sum, one) => sum + one.inTen, 0) / (10 * each.length)
  }
  return { stated, opinions }
}

/** Keeps somebody's opinion, or takes it back; nobody else's is touched. */
export async function keepStated(database: Database, system: string, { fault, inTen, author }: Stated): Promise<void> {
  await retried(async () => {
    if (inTen === null) {
      const own = and(eq(statedOdds.system, system), eq(statedOdds.fault, fault), eq(statedOdds.author, author))
      await database.delete(statedOdds).where(own)
    } else {
      const said = { inTen, statedAt: new Date() }
      await database
        .insert(statedOdds)
        .values({ system, fault, author, ...said })
        .onDuplicateKeyUpdate({ set: said })
    }
  })
}
