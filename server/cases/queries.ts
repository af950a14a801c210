import {
  caseCursor,
  type Case,
  type CaseCursor,
  type CaseLine,
  type CaseList,
  type ListQuery,
  type NewCase,
  type News,
  type PresentCase,
  type Site,
} from '@dewpoint/contract'
import { inOrder, sameContent, costKinds, summarise, type CaseSettings } from '@dewpoint/core/casebook'
import { and, desc, eq, gt, inArray, like, lt, or, sql } from 'drizzle-orm'
import { entryOf, patternsOf, inTransaction, retried, tables, type Database, type Transaction } from '../database/index.ts'
import { searchedCase, searchedSite } from './derived/queries.ts'

const { appliances, cases, entries, sites } = tables

/** Cases with their place, boiler and cached summary, newest first: those whose place or boiler has the words asked for. */
export async function listCases(database: Database, { search, limit, after }: ListQuery<CaseCursor>): Promise<CaseList> {
  const patterns = patternsOf(search)
  return retried(async () => {
    // which they are, one index answers alone; only those of the stretch are read in full
    const ids = await database
      .select({ id: cases.id })
      .from(cases)
      .where(
        and(
          after ? or(lt(cases.openedAt, new Date(after.openedAt)), and(eq(cases.openedAt, new Date(after.openedAt)), lt(cases.id, after.id))) : undefined,
          or(...patterns.map((one) => like(cases.searched, one))),
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

/**
 * Opens a case. Sent again as it was, nothing changes.
 *
 * @returns whether it is new, or what is there instead under an id of it
 */
export async function openCase(database: Database, input: NewCase): Promise<'opened' | 'present' | { conflict: PresentCase }> {
  const { site, settings = {} } = input
  const appliance = { ...input.appliance, siteId: site.id }
  const line = { id: input.id, openedAt: input.openedAt, controls: input.controls, settings, siteId: site.id, applianceId: appliance.id }
  const attempt = () =>
    inTransaction(database, async (tx) => {
      const present = await presentCase(tx, line)
      const differs = {
        ...(present.case && !sameContent(present.case, { ...line, openedAt: new Date(line.openedAt).toISOString() }) && { case: present.case }),
        ...(present.site && !sameContent(present.site, asKnown(site, present.site)) && { site: present.site }),
        ...(present.appliance && !sameContent(present.appliance, appliance) && { appliance: present.appliance }),
      }
      if (Object.keys(differs).length > 0) return { conflict: differs }
      if (present.case) return 'present'
      // a number nobody had said before is taken over, and is found by
      if (present.site && present.site.phone !== site.phone && site.phone !== '')
        await tx
          .update(sites)
          .set({ phone: site.phone, searched: searchedSite(site) })
          .where(eq(sites.id, site.id))
      if (!present.site) await tx.insert(sites).values({ ...site, searched: searchedSite(site) })
      if (!present.appliance) await tx.insert(appliances).values(appliance)
      const derived = { searched: searchedCase(site, appliance), system: appliance.system }
      await tx.insert(cases).values({ ...line, ...derived, openedAt: new Date(line.openedAt), summary: summarise([]), foldedTo: '', changedAt: sql`now(3)` })
      return 'opened'
    })
  try {
    return await attempt()
  } catch (error) {
    // somebody wrote one of its ids between our look and our writing: look again
    if ((error as { cause?: { code?: string } }).cause?.code === 'ER_DUP_ENTRY') return attempt()
    throw error
  }
}

/** A place as it was sent, for comparing it with the one that is there: a telephone number that only one of them has is no difference. */
const asKnown = (sent: Site, present: Site): Site => (sent.phone === '' || present.phone === '' ? { ...sent, phone: present.phone } : sent)

async function presentCase(tx: Transaction, { id, siteId, applianceId }: { id: string; siteId: string; applianceId: string }): Promise<PresentCase> {
  const [[one], [site], [appliance]] = [
    await tx.select().from(cases).where(eq(cases.id, id)),
    await tx.select().from(sites).where(eq(sites.id, siteId)),
    await tx.select().from(appliances).where(eq(appliances.id, applianceId)),
  ]
  return {
    ...(one && {
      case: {
        id,
        openedAt: one.openedAt.toISOString(),
        controls: one.controls,
        settings: knownSettings(one.settings),
        siteId: one.siteId,
        applianceId: one.applianceId,
      },
    }),
    ...(site && { site: siteOf(site) }),
    ...(appliance && { appliance }),
  }
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
function knownSettings(settings: CaseSettings): CaseSettings {
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
