import type { Site } from '@dewpoint/contract'
import { summarise, type Entry, type EntryType } from '@dewpoint/core/casebook'
import { asc, eq, gt, inArray, sql } from 'drizzle-orm'
import { entryOf, figuresOf, fromJson, searchable, tables, type Database, type Transaction } from '../../database/index.ts'
import type { Job } from '../../jobs/job.ts'
import { count } from '../../learnt/queries.ts'

const { appliances, cases, entries, sites } = tables

/** What is read of a case, and its row held, before its journal is folded anew. */
export const keptBeside = { id: cases.id, position: cases.position, system: cases.system, openedAt: cases.openedAt, counted: cases.counted }
type Held = Pick<typeof cases.$inferSelect, keyof typeof keptBeside>

/** What is kept of a case beside its journal, folded anew, and counted: to be written in the same transaction. */
export async function foldedAnew(tx: Transaction, held: Held) {
  const summary = summarise(await outlineOf(tx, held.id))
  const proven = provenText(summary.proven)
  await count(tx, [{ ...held, proven }])
  return { summary, proven, counted: proven }
}

/** The types of entry whose payload a summary reads; of the others it only counts them. */
const summarised: EntryType[] = ['complaint', 'booking', 'decision', 'repair', 'retract']

/** A journal as far as its summary needs it: without the payload of what is only counted. */
async function outlineOf(tx: Pick<Database, 'select'>, caseId: string): Promise<Entry[]> {
  const rows = await tx
    .select({
      ...{
        id: entries.id,
        at: entries.at,
        clock: entries.clock,
        author: entries.author,
        authorName: entries.authorName,
        device: entries.device,
        type: entries.type,
      },
      schemaVersion: entries.schemaVersion,
      payload: sql<unknown>`if(${inArray(entries.type, summarised)}, ${entries.payload}, '{}')`.mapWith(fromJson),
    })
    .from(entries)
    .where(eq(entries.caseId, caseId))
  return rows.map(entryOf)
}

const longestProven = 500
/** Faults proved, as one index holds them; more than it holds are not counted. */
function provenText(faults: readonly string[]): string {
  return faults.reduce((text, fault) => (text.length + fault.length < longestProven ? `${text} ${fault}`.trim() : text), '')
}

/** A place as it is searched. */
export const searchedSite = ({ name, address, phone }: Pick<Site, 'name' | 'address' | 'phone'>) => searchable(400, name, address, figuresOf(phone))
/** A case as it is searched, by its place and boiler. */
export const searchedCase = ({ name, address, phone }: Pick<Site, 'name' | 'address' | 'phone'>, { label }: { label: string }) =>
  searchable(520, name, address, label, figuresOf(phone))

/** Places that an older version kept otherwise: how they are searched. */
export const siteJob: Job = {
  name: 'sites',
  version: 1,
  async step(tx, after) {
    const stretch = await tx.select().from(sites).where(gt(sites.id, after)).orderBy(asc(sites.id)).limit(200).for('update')
    for (const site of stretch.filter((one) => one.searched === ''))
      await tx
        .update(sites)
        .set({ searched: searchedSite(site) })
        .where(eq(sites.id, site.id))
    return { reached: stretch.at(-1)?.id ?? null, done: stretch.length }
  },
}

/** Cases that an older version kept otherwise or not at all: summaries, what is searched, what was proved and how often. */
export const caseJob: Job = {
  name: 'cases',
  version: 1,
  async step(tx, after) {
    const stretch = await tx.select().from(cases).where(gt(cases.id, after)).orderBy(asc(cases.id)).limit(100).for('update')
    const current = stretch.filter((one) => one.searched !== '' && Object.hasOwn(one.summary, 'booking'))
    for (const one of stretch.filter((each) => !current.includes(each))) {
      const [row] = await tx.select().from(appliances).innerJoin(sites, eq(sites.id, one.siteId)).where(eq(appliances.id, one.applianceId))
      const { system } = row!.appliances
      // what was counted meanwhile stands under the kind it was known by then
      await count(tx, [{ ...one, proven: '' }])
      await tx
        .update(cases)
        .set({ searched: searchedCase(row!.sites, row!.appliances), system, ...(await foldedAnew(tx, { ...one, system, counted: '' })) })
        .where(eq(cases.id, one.id))
    }
    await count(tx, current)
    const uncounted = current.filter((one) => one.counted !== one.proven).map((one) => one.id)
    if (uncounted.length > 0)
      await tx
        .update(cases)
        .set({ counted: sql`${cases.proven}` })
        .where(inArray(cases.id, uncounted))
    return { reached: stretch.at(-1)?.id ?? null, done: stretch.length }
  },
}
