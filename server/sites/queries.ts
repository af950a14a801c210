import type { Appliance, Site } from '@dewpoint/contract'
import { tables, type Database } from '../database/index.ts'

/** Every site with its boilers, by name. */
export async function listSites(database: Database): Promise<(Site & { appliances: Appliance[] })[]> {
  const [sites, appliances] = await Promise.all([database.select().from(tables.sites).orderBy(tables.sites.name), database.select().from(tables.appliances)])
  return sites.map((site) => ({ ...site, appliances: appliances.filter((one) => one.siteId === site.id) }))
}
