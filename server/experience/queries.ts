import type { Past } from '@dewpoint/contract'
import { and, eq, lt, ne, sql } from 'drizzle-orm'
import { fromJson, retried, tables, type Database } from '../database/index.ts'

const { appliances, cases } = tables

/** What was proved before the given case, on its appliance and on its kind of boiler; undefined when there is no such case. */
export async function pastOf(database: Database, id: string): Promise<Past | undefined> {
  return retried(async () => {
    const [own] = await database
      .select({ applianceId: cases.applianceId, openedAt: cases.openedAt, system: appliances.system })
      .from(cases)
      .innerJoin(appliances, eq(cases.applianceId, appliances.id))
      .where(eq(cases.id, id))
    if (!own) return undefined
    const earlier = and(ne(cases.id, id), lt(cases.openedAt, own.openedAt))
    const here = await database
      .select({ id: cases.id, openedAt: cases.openedAt, summary: cases.summary })
      .from(cases)
      .where(and(eq(cases.applianceId, own.applianceId), earlier))
      .orderBy(cases.openedAt)
    // only what the summaries say: the journals themselves are not read again for every case that is opened
    const taught = await database
      .select({ proven: sql<string[]>`json_query(${cases.summary}, '$.proven')`.mapWith(fromJson<string[]>) })
      .from(cases)
      .innerJoin(appliances, eq(cases.applianceId, appliances.id))
      .where(and(eq(appliances.system, own.system), earlier, sql`json_length(${cases.summary}, '$.proven') > 0`))
    const counts: Record<string, number> = {}
    for (const { proven } of taught) for (const fault of proven) counts[fault] = (counts[fault] ?? 0) + 1
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
      experience: { cases: taught.length, proven: counts },
    }
  })
}
