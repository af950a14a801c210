import type { Past, PastCase } from '@dewpoint/contract'
import { provenFaults, type Entry } from '@dewpoint/core/casebook'
import { and, eq, inArray, ne, sql } from 'drizzle-orm'
import { tables, type Database } from '../database/index.ts'

const { appliances, cases, entries } = tables

/** What was proved before the given case, on its appliance and on its kind of boiler; undefined when there is no such case. */
export async function pastOf(database: Database, id: string): Promise<Past | undefined> {
  const [own] = await database.select().from(cases).innerJoin(appliances, eq(cases.applianceId, appliances.id)).where(eq(cases.id, id))
  if (!own) return undefined
  const earlier = await database
    .select({ id: cases.id, applianceId: cases.applianceId, openedAt: cases.openedAt, summary: cases.summary })
    .from(cases)
    .innerJoin(appliances, eq(cases.applianceId, appliances.id))
    .where(and(eq(appliances.system, own.appliances.system), ne(cases.id, id), sql`${cases.openedAt} < ${own.cases.openedAt}`))
    .orderBy(cases.openedAt)
  const proven = await provenIn(
    database,
    earlier.filter((one) => one.summary.closed).map((one) => one.id),
  )
  const pastCase = (one: (typeof earlier)[number]): PastCase => ({
    id: one.id,
    openedAt: one.openedAt.toISOString(),
    complaints: one.summary.complaints,
    faults: proven.get(one.id) ?? [],
    closed: one.summary.closed,
  })
  const counts: Record<string, number> = {}
  for (const faults of proven.values()) for (const fault of faults) counts[fault] = (counts[fault] ?? 0) + 1
  return {
    appliance: earlier
      .filter((one) => one.applianceId === own.cases.applianceId)
      .map(pastCase)
      .reverse(),
    experience: { cases: proven.size, proven: counts },
  }
}

/** Faults proved, of the cases that proved any. */
async function provenIn(database: Database, ids: string[]): Promise<Map<string, string[]>> {
  if (ids.length === 0) return new Map()
  const rows = await database
    .select()
    .from(entries)
    .where(and(inArray(entries.caseId, ids), inArray(entries.type, ['decision', 'repair', 'retract'])))
  const journals = new Map<string, Entry[]>()
  for (const { id, at, author, type, schemaVersion, payload, caseId } of rows)
    journals.set(caseId, [...(journals.get(caseId) ?? []), { id, at, author, schema: schemaVersion, type, payload } as Entry])
  return new Map([...journals].map(([id, journal]) => [id, provenFaults(journal)] as const).filter(([, faults]) => faults.length > 0))
}
