import type { Site } from '@dewpoint/contract'
import { fold, type CaseSummary, type Entry, type EntryType, type Folded } from '@dewpoint/core/casebook'
import { asc, eq, gt, inArray, sql } from 'drizzle-orm'
import { entryOf, figuresOf, fromJson, searchable, tables, type Database, type Transaction } from '../../database/index.ts'
import type { Job } from '../../jobs/job.ts'
import { count } from '../../learnt/queries.ts'

const { appliances, cases, entries, sites } = tables

/** What is known of a case whose row is held, before its journal is folded anew or more is added to it. */
export const keptBeside = {
  id: cases.id,
  position: cases.position,
  system: cases.system,
  openedAt: cases.openedAt,
  counted: cases.counted,
  summary: cases.summary,
  foldedTo: cases.foldedTo,
}
export type Held = Pick<typeof cases.$inferSelect, keyof typeof keptBeside>

/** What is kept of a case beside its journal. */
export interface Beside {
  summary: CaseSummary
  proven: string
  counted: string
  foldedTo: string | null
}

/** The columns of a fold. */
export function besideOf({ summary, upTo }: Folded): Beside {
  const proven = provenText(summary.proven)
  return { summary, proven, counted: proven, foldedTo: upTo }
}

/** What is kept of a case beside its journal, folded anew, and counted: to be written in the same transaction. */
export async function foldedAnew(tx: Transaction, held: Held): Promise<Beside> {
  const beside = besideOf(fold((await outlinesOf(tx, [held.id])).get(held.id) ?? []))
  await count(tx, [{ ...held, proven: beside.proven }])
  return beside
}

/** The types of entry whose payload a summary reads; of the others it only counts them. */
const summarised: EntryType[] = ['complaint', 'booking', 'decision', 'repair', 'retract']

/** Journals as far as their summaries need them, by case: without the payload of what is only counted. */
export async function outlinesOf(tx: Pick<Database, 'select'>, caseIds: readonly string[]): Promise<Map<string, Entry[]>> {
  const rows = await tx
    .select({
      caseId: entries.caseId,
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
    .where(inArray(entries.caseId, [...caseIds]))
  const found = new Map<string, Entry[]>()
  for (const row of rows) {
    const journal = found.get(row.caseId) ?? []
    journal.push(entryOf(row))
    found.set(row.caseId, journal)
  }
  return found
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
