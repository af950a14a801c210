import { caseCursor, type Case, type CaseCursor, type CaseLine, type CaseList, type ListQuery, type News, type Site } from '@dewpoint/contract'
import { inOrder, costKinds, summarise, type CaseSettings } from '@dewpoint/core/casebook'
import { and, desc, eq, gt, inArray, lt, or } from 'drizzle-orm'
import { entryOf, hasWords, retried, tables, type Database } from '../database/index.ts'

const { appliances, cases, entries, sites } = tables

/** Cases with their place, boiler and cached summary, newest first: those whose place or boiler has the words asked for. */
export async function listCases(database: Database, { search, limit, after }: ListQuery<CaseCursor>): Promise<CaseList> {
  return retried(async () => {
    // which they are, one index answers alone; only those of the stretch are read in full
    const ids = await database
      .select({ id: cases.id })
      .from(cases)
      .where(
        and(
          after ? or(lt(cases.openedAt, new Date(after.openedAt)), and(eq(cases.openedAt, new Date(after.openedAt)), lt(cases.id, after.id))) : undefined,
          hasWords(cases.searched, search),
        ),
      )
      .orderBy(desc(cases.openedAt), desc(cases.id))
      .limit(limit + 1)
    const wanted = ids.slice(0, limit).map((one) => one.id)
    if (wanted.length === 0) return { cases: [], next: null }
    const lines = (await selectCases(database).where(inArray(cases.id, wanted)).orderBy(desc(cases.openedAt), desc(cases.id))).map(lineOf)
    return { cases: lines, next: ids.length > limit ? caseCursor(lines.at(-1)!) : null }
  })
}

/** One case with its journal, or undefined. */
export async function findCase(database: Database, id: string): Promise<Case | undefined> {
  return retried(async () => {
    const [row] = await selectCases(database).where(eq(cases.id, id))
    if (!row) return undefined
    const { summary: _summary, position: _position, ...line } = lineOf(row)
    return { ...line, ...(await newsOne(database, id, 0)) }
  })
}

/** What the journal of a case has beyond a position, or undefined when there is no such case. A position it never had begins anew. */
export async function findNews(database: Database, id: string, since: number): Promise<News | undefined> {
  return retried(async () => {
    const [row] = await database.select({ position: cases.position }).from(cases).where(eq(cases.id, id))
    return row && newsOne(database, id, since > row.position ? 0 : since)
  })
}

const newsOne = async (database: Database, caseId: string, since: number) => (await newsOf(database, [{ caseId, since }]))[0]!

/** What journals have beyond a position, in the order asked. */
export async function newsOf(database: Pick<Database, 'select'>, asked: readonly { caseId: string; since: number }[]): Promise<News[]> {
  if (asked.length === 0) return []
  const from = new Map<string, number>()
  for (const { caseId, since } of asked) from.set(caseId, Math.min(since, from.get(caseId) ?? since))
  const rows = await database
    .select()
    .from(entries)
    .where(or(...[...from].map(([caseId, since]) => and(eq(entries.caseId, caseId), gt(entries.position, since)))))
  return asked.map(({ caseId, since }) => {
    const own = rows.filter((one) => one.caseId === caseId && one.position > since)
    return {
      entries: inOrder(own.map(entryOf)),
      received: Object.fromEntries(own.flatMap(({ id, receivedAt }) => (receivedAt ? [[id, receivedAt.toISOString()]] : []))),
      position: own.reduce((most, { position }) => Math.max(most, position), since),
    }
  })
}

const siteOf = ({ id, name, address, note, phone }: Site): Site => ({ id, name, address, note, phone })

/** What a case has set of what there is to set: older versions took anything. */
export function knownSettings(settings: CaseSettings): CaseSettings {
  return Object.fromEntries(Object.entries(settings).filter(([name]) => Object.hasOwn(costKinds, name)))
}

function selectCases(database: Database) {
  return database.select().from(cases).innerJoin(sites, eq(cases.siteId, sites.id)).innerJoin(appliances, eq(cases.applianceId, appliances.id)).$dynamic()
}

const noSummary = summarise([])

function lineOf(row: Awaited<ReturnType<typeof selectCases>>[number]): CaseLine {
  const { id, openedAt, controls, settings, summary, position, erasedAt } = row.cases
  return {
    id,
    openedAt: openedAt.toISOString(),
    controls,
    settings: knownSettings(settings),
    // one that an older version folded lacks what came later, until the job has come by
    summary: { ...noSummary, ...summary },
    position,
    site: siteOf(row.sites),
    appliance: row.appliances,
    ...(erasedAt && { erasedAt: erasedAt.toISOString() }),
  }
}
