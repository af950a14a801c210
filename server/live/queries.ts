import type { Changed } from '@dewpoint/contract'
import type { Person } from '@dewpoint/core/casebook'
import { and, desc, eq, gt, inArray, lt, sql } from 'drizzle-orm'
import { retried, tables, type Database } from '../database/index.ts'

const { cases, people, presence } = tables

/**
 * Cases that were written in within the last seconds, by the clock of the database. Looked at with an overlap longer than any transaction lasts and
 * compared with what was seen before, so nothing is missed whatever the order of commits: no counter of the database is trusted for that.
 */
export async function changedLately(database: Database, seconds: number, most: number): Promise<Changed[]> {
  const rows = await retried(() =>
    database
      .select({ id: cases.id, position: cases.position, erasedAt: cases.erasedAt })
      .from(cases)
      .where(gt(cases.changedAt, sql`date_sub(now(3), interval ${seconds} second)`))
      // were there more than can be told at once, the latest are among them
      .orderBy(desc(cases.changedAt))
      .limit(most),
  )
  return rows.map(({ id, position, erasedAt }) => ({ id, position, ...(erasedAt !== null && { erased: true as const }) }))
}

/** Says that somebody looks at a case, for so many seconds from now. */
export async function comeTo(database: Database, caseId: string, device: string, person: string, seconds: number): Promise<void> {
  const until = sql`date_add(now(3), interval ${seconds} second)`
  await retried(() => database.insert(presence).values({ caseId, device, person, until }).onDuplicateKeyUpdate({ set: { person, until } }))
}

/** Says that nobody on a device looks at a case any more; and forgets who went without saying so. */
export async function goFrom(database: Database, caseId: string, device: string): Promise<void> {
  await retried(() => database.delete(presence).where(and(eq(presence.caseId, caseId), eq(presence.device, device))))
  await retried(() => database.delete(presence).where(lt(presence.until, sql`date_sub(now(3), interval 60 second)`)))
}

/** Who looks at cases now, by case. */
export async function presentAt(database: Database, caseIds: readonly string[]): Promise<Map<string, Person[]>> {
  const found = new Map<string, Person[]>()
  if (caseIds.length === 0) return found
  const rows = await retried(() =>
    database
      .select({ caseId: presence.caseId, id: people.id, name: people.name })
      .from(presence)
      .innerJoin(people, eq(people.id, presence.person))
      .where(and(inArray(presence.caseId, [...caseIds]), gt(presence.until, sql`now(3)`)))
      .orderBy(people.name),
  )
  for (const { caseId, ...person } of rows) {
    const there = found.get(caseId) ?? []
    if (!there.some((one) => one.id === person.id)) found.set(caseId, [...there, person])
  }
  return found
}
