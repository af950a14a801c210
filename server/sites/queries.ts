import { siteCursor, type ListQuery, type SiteCursor, type SiteLine, type SiteList } from '@dewpoint/contract'
import { and, eq, gt, inArray, like, or } from 'drizzle-orm'
import { containing, retried, tables, type Database } from '../database/index.ts'

const { appliances, sites } = tables

/** Sites with their boilers, by name: those whose name or address has the words asked for. */
export async function listSites(database: Database, { search, limit, after }: ListQuery<SiteCursor>): Promise<SiteList> {
  const found = containing(search)
  return retried(async () => {
    const ids = await database
      .select({ id: sites.id })
      .from(sites)
      .where(
        and(
          after ? or(gt(sites.name, after.name), and(eq(sites.name, after.name), gt(sites.id, after.id))) : undefined,
          found ? like(sites.searched, found) : undefined,
        ),
      )
      .orderBy(sites.name, sites.id)
      .limit(limit + 1)
    const wanted = ids.slice(0, limit).map((one) => one.id)
    if (wanted.length === 0) return { sites: [], next: null }
    const page = await database.select().from(sites).where(inArray(sites.id, wanted)).orderBy(sites.name, sites.id)
    const boilers = await database.select().from(appliances).where(inArray(appliances.siteId, wanted))
    const bySite = new Map<string, SiteLine['appliances']>()
    for (const one of boilers) bySite.set(one.siteId, [...(bySite.get(one.siteId) ?? []), one])
    return {
      sites: page.map(({ id, name, address, note }) => ({ id, name, address, note, appliances: bySite.get(id) ?? [] })),
      next: ids.length > limit ? siteCursor(page.at(-1)!) : null,
    }
  })
}
