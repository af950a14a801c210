import { siteCursor, type ApplianceHistory, type KnownAppliance, type ListQuery, type SiteCursor, type SiteLine, type SiteList } from '@dewpoint/contract'
import { factsOf, inOrder, standing, type Entry, type EntryType } from '@dewpoint/core/casebook'
import { and, desc, eq, gt, inArray, or } from 'drizzle-orm'
import { entryOf, hasWords, retried, tables, type Database } from '../database/index.ts'
import { pastCaseOf } from '../experience/queries.ts'

const { appliances, cases, entries, sites } = tables

/** Sites with their boilers, by name: those whose name or address has the words asked for. */
export async function listSites(database: Database, { search, limit, after }: ListQuery<SiteCursor>): Promise<SiteList> {
  return retried(async () => {
    const ids = await database
      .select({ id: sites.id })
      .from(sites)
      .where(and(after ? or(gt(sites.name, after.name), and(eq(sites.name, after.name), gt(sites.id, after.id))) : undefined, hasWords(sites.searched, search)))
      .orderBy(sites.name, sites.id)
      .limit(limit + 1)
    const wanted = ids.slice(0, limit).map((one) => one.id)
    if (wanted.length === 0) return { sites: [], next: null }
    const page = await database.select().from(sites).where(inArray(sites.id, wanted)).orderBy(sites.name, sites.id)
    const boilers = await database.select().from(appliances).where(inArray(appliances.siteId, wanted))
    const bySite = new Map<string, SiteLine['appliances']>()
    for (const one of boilers) bySite.set(one.siteId, [...(bySite.get(one.siteId) ?? []), one])
    return {
      sites: page.map(({ id, name, address, note, phone }) => ({ id, name, address, note, phone, appliances: bySite.get(id) ?? [] })),
      next: ids.length > limit ? siteCursor(page.at(-1)!) : null,
    }
  })
}

/** cases of one boiler that are looked at for what is known of it */
const lookedAt = 60

/** What earlier cases say of a boiler; undefined where there is no such boiler. */
export async function knownOf(database: Database, id: string): Promise<KnownAppliance | undefined> {
  return retried(async () => {
    const [own] = await database.select({ id: appliances.id }).from(appliances).where(eq(appliances.id, id))
    if (!own) return undefined
    const visits = await database
      .select({ id: cases.id, openedAt: cases.openedAt, summary: cases.summary })
      .from(cases)
      .where(eq(cases.applianceId, id))
      .orderBy(desc(cases.openedAt), desc(cases.id))
      .limit(lookedAt)
    const rows =
      visits.length === 0
        ? []
        : await database
            .select()
            .from(entries)
            .where(
              and(
                inArray(
                  entries.caseId,
                  visits.map((one) => one.id),
                ),
                inArray(entries.type, ['fact', 'retract']),
              ),
            )
    return {
      facts: Object.values(factsOf(rows.map(entryOf))).map(({ at, payload: { fact, value, unit } }) => ({ fact, value, ...(unit && { unit }), at })),
      visits: visits.map(pastCaseOf),
    }
  })
}

/** kinds of entry a boiler's history is told by; what was taken back is not told */
const told: EntryType[] = ['reading', 'repair', 'history', 'advice', 'decision', 'finding', 'retract']
/** entries of one boiler that are told, the latest cases first */
const mostTold = 4000

/** What happened to a boiler, case by case, latest first; undefined where there is no such boiler. */
export async function historyOf(database: Database, id: string): Promise<ApplianceHistory | undefined> {
  return retried(async () => {
    const [own] = await database.select().from(appliances).innerJoin(sites, eq(appliances.siteId, sites.id)).where(eq(appliances.id, id))
    if (!own) return undefined
    const visits = await database
      .select({ id: cases.id, openedAt: cases.openedAt, summary: cases.summary })
      .from(cases)
      .where(eq(cases.applianceId, id))
      .orderBy(desc(cases.openedAt), desc(cases.id))
      .limit(lookedAt)
    const byCase = new Map<string, Entry[]>()
    for (const visit of visits) {
      const read = [...byCase.values()].reduce((sum, one) => sum + one.length, 0)
      if (read >= mostTold) break
      const rows = await database
        .select()
        .from(entries)
        .where(and(eq(entries.caseId, visit.id), inArray(entries.type, told)))
        .limit(mostTold - read)
      byCase.set(visit.id, inOrder(standing(rows.map(entryOf))))
    }
    const { id: siteId, name, address, note, phone } = own.sites
    return {
      site: { id: siteId, name, address, note, phone },
      appliance: own.appliances,
      cases: visits.map((visit) => ({ ...pastCaseOf(visit), entries: byCase.get(visit.id) ?? [] })),
    }
  })
}
