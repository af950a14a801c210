import type { Past } from '@dewpoint/contract'
import { and, count, eq, lt, ne } from 'drizzle-orm'
import { retried, tables, type Database } from '../database/index.ts'
import { statedOf } from './stated.ts'

const { cases } = tables

/** What was proved before the given case, on its appliance and on its kind of boiler; undefined when there is no such case. */
export async function pastOf(database: Database, id: string): Promise<Past | undefined> {
  return retried(async () => {
    const [own] = await database.select({ applianceId: cases.applianceId, openedAt: cases.openedAt, system: cases.system }).from(cases).where(eq(cases.id, id))
    if (!own) return undefined
    const earlier = and(ne(cases.id, id), lt(cases.openedAt, own.openedAt))
    const here = await database
      .select({ id: cases.id, openedAt: cases.openedAt, summary: cases.summary })
      .from(cases)
      .where(and(eq(cases.applianceId, own.applianceId), earlier))
      .orderBy(cases.openedAt)
    // one index answers it: no journal, no summary of any other case is read
    const taught = await database
      .select({ proven: cases.proven, times: count() })
      .from(cases)
      .where(and(eq(cases.system, own.system), earlier, ne(cases.proven, '')))
      .groupBy(cases.proven)
    const counts: Record<string, number> = {}
    for (const { proven, times } of taught) for (const fault of proven.split(' ')) counts[fault] = (counts[fault] ?? 0) + times
    return {
      appliance: here
        .map(({ id: caseId, openedAt, summary }) => ({
          id: caseId,
          openedAt: openedAt.toISOString(),
          complaints: summary.complaints,
          faults: summary.proven,
          closed: summary.closed,
        }))
        .reverse(),
      experience: { cases: taught.reduce((sum, { times }) => sum + times, 0), proven: counts, ...(await statedOf(database, own.system)) },
    }
  })
}
