import type { AppendResult, Case, CaseLine, NewCase } from '@dewpoint/contract'
import { append, summarise, type Entry } from '@dewpoint/core/casebook'
import { desc, eq } from 'drizzle-orm'
import { tables, type Database } from '../database/index.ts'

type Row = typeof tables.entries.$inferSelect

const { appliances, cases, entries, sites } = tables

/** The latest cases with their place, boiler and cached summary, newest first. */
export async function listCases(database: Database, limit = 200): Promise<CaseLine[]> {
  const rows = await selectCases(database).orderBy(desc(cases.openedAt)).limit(limit)
  return rows.map(lineOf)
}

/** One case with its journal, or undefined. */
export async function findCase(database: Database, id: string): Promise<Case | undefined> {
  const [row] = await selectCases(database).where(eq(cases.id, id))
  if (!row) return undefined
  const { summary: _summary, ...line } = lineOf(row)
  return { ...line, entries: await journalOf(database, id) }
}

/** Opens a case. Sent twice, the second changes nothing. */
export async function openCase(database: Database, input: NewCase): Promise<void> {
  const { site, appliance } = input
  await database.transaction(async (tx) => {
    await tx.insert(sites).ignore().values(site)
    await tx
      .insert(appliances)
      .ignore()
      .values({ ...appliance, siteId: site.id })
    await tx
      .insert(cases)
      .ignore()
      .values({
        id: input.id,
        siteId: site.id,
        applianceId: appliance.id,
        openedAt: new Date(input.openedAt),
        controls: input.controls,
        settings: input.settings ?? {},
        summary: summarise([]),
      })
  })
}

/**
 * Appends entries to a case's journal, or gives undefined when there is no such case.
 * The case's row is locked meanwhile, so that two people writing at once both land and the summary counts both.
 */
export async function appendEntries(database: Database, caseId: string, incoming: Entry[]): Promise<AppendResult | undefined> {
  return database.transaction(async (tx) => {
    const [present] = await tx.select({ id: cases.id }).from(cases).where(eq(cases.id, caseId)).for('update')
    if (!present) return undefined
    const result = append(await journalOf(tx, caseId), incoming)
    if (result.added.length > 0) {
      await tx.insert(entries).values(result.added.map(({ schema, payload, ...entry }) => ({ ...entry, caseId, schemaVersion: schema, payload })))
      await tx
        .update(cases)
        .set({ summary: summarise(result.entries) })
        .where(eq(cases.id, caseId))
    }
    return { entries: result.entries, conflicts: result.conflicts }
  })
}

async function journalOf(database: Pick<Database, 'select'>, caseId: string): Promise<Entry[]> {
  const rows = await database.select().from(entries).where(eq(entries.caseId, caseId)).orderBy(entries.at, entries.id)
  return rows.map(entryOf)
}

function entryOf({ id, at, author, type, schemaVersion, payload }: Row): Entry {
  return { id, at, author, schema: schemaVersion, type, payload } as Entry
}

function selectCases(database: Database) {
  return database.select().from(cases).innerJoin(sites, eq(cases.siteId, sites.id)).innerJoin(appliances, eq(cases.applianceId, appliances.id)).$dynamic()
}

function lineOf(row: Awaited<ReturnType<typeof selectCases>>[number]): CaseLine {
  const { id, openedAt, controls, settings, summary } = row.cases
  return { id, openedAt: openedAt.toISOString(), controls, settings, summary, site: row.sites, appliance: row.appliances }
}
