import { bookingOf, inOrder, standing, type Entry } from '@dewpoint/core/casebook'
import { asc, eq, inArray, like, or, sql } from 'drizzle-orm'
import { v7 } from 'uuid'
import { foldedAnew, keptBeside } from '../cases/derived/queries.ts'
import { entryOf, inTransaction, retried, searchable, tables, type Database } from '../database/index.ts'
import { erased, withoutPerson } from './withoutPerson.ts'

const { appliances, audit, cases, entries, handIns, photos, sites } = tables

/** A customer's place, as it is looked for. */
export interface Found {
  id: string
  name: string
  address: string
}

/** Places by their id, or by a name or address that is theirs in full. */
export async function findCustomers(database: Database, asked: string): Promise<Found[]> {
  return retried(() =>
    database
      .select({ id: sites.id, name: sites.name, address: sites.address })
      .from(sites)
      .where(or(eq(sites.id, asked), eq(sites.name, asked), eq(sites.address, asked)))
      .orderBy(asc(sites.name))
      .limit(20),
  )
}

/** Everything that is kept of a customer: place, boilers, cases with their journals, pictures, and who read it. */
export async function exportCustomer(database: Database, id: string): Promise<object> {
  return retried(async () => {
    const [site] = await database.select().from(sites).where(eq(sites.id, id))
    const boilers = await database.select().from(appliances).where(eq(appliances.siteId, id))
    const list = await database.select().from(cases).where(eq(cases.siteId, id)).orderBy(cases.openedAt)
    const journals = []
    const hashes = new Set<string>()
    for (const one of list) {
      const journal = inOrder((await database.select().from(entries).where(eq(entries.caseId, one.id))).map(entryOf))
      for (const entry of journal) if (entry.type === 'photo') hashes.add(entry.payload.hash)
      journals.push({ id: one.id, openedAt: one.openedAt.toISOString(), applianceId: one.applianceId, controls: one.controls, entries: journal })
    }
    const pictures = []
    for (const hash of hashes) {
      const [row] = await database.select().from(photos).where(eq(photos.hash, hash))
      if (row) pictures.push({ hash, type: row.type, base64: row.bytes.toString('base64') })
    }
    const subjects = [id, ...boilers.map((one) => one.id), ...list.map((one) => one.id)]
    const readers = await database
      .select({ at: audit.at, kind: audit.kind, of: audit.of, subject: audit.subject })
      .from(audit)
      .where(inArray(audit.subject, subjects))
      .orderBy(audit.at)
    const { searched: _searched, ...place } = site!
    return { format: 'dewpoint-customer', version: 1, place, boilers, cases: journals, pictures, read: readers }
  })
}

/** What was erased. */
export interface Erased {
  cases: number
  entries: number
  pictures: number
}

/**
 * Takes the person out of everything that is kept of a customer. The cases stay, with what was measured, found and mended: that is the firm's
 * experience and its proof. Begun anew after an interruption it does the same.
 */
export async function eraseCustomer(database: Database, id: string, now: Date): Promise<Erased> {
  return inTransaction(database, async (tx) => {
    const [site] = await tx.select().from(sites).where(eq(sites.id, id)).for('update')
    if (!site) return { cases: 0, entries: 0, pictures: 0 }
    const list = await tx.select(keptBeside).from(cases).where(eq(cases.siteId, id)).for('update')
    const boilers = await tx.select().from(appliances).where(eq(appliances.siteId, id))
    const ids = list.map((one) => one.id)
    const rows = ids.length === 0 ? [] : await tx.select().from(entries).where(inArray(entries.caseId, ids))
    const journals = new Map<string, Entry[]>()
    for (const row of rows) journals.set(row.caseId, [...(journals.get(row.caseId) ?? []), entryOf(row)])
    const known = [site.name, site.address, site.phone, ...[...journals.values()].flatMap((journal) => tellingOf(journal))].filter((one) => one !== '')
    const hashes = new Set<string>()
    let changed = 0
    for (const row of rows) {
      const entry = entryOf(row)
      if (entry.type === 'photo') hashes.add(entry.payload.hash)
      const without = withoutPerson(entry, known)
      if (JSON.stringify(without.payload) === JSON.stringify(entry.payload)) continue
      await tx.update(entries).set({ payload: without.payload }).where(eq(entries.sequence, row.sequence))
      changed++
    }
    const gone = [...hashes]
    const shared = new Set(gone.length === 0 ? [] : await elsewhere(gone))
    for (const hash of gone) if (!shared.has(hash)) await tx.delete(photos).where(eq(photos.hash, hash))
    await tx
      .update(sites)
      .set({ name: erased, address: '', note: '', phone: '', searched: searchable(400, erased, '', '') })
      .where(eq(sites.id, id))
    for (const one of boilers)
      await tx
        .update(cases)
        .set({ erasedAt: now, changedAt: sql`now(3)`, searched: searchable(520, erased, '', one.label, '') })
        .where(eq(cases.applianceId, one.id))
    for (const one of list)
      await tx
        .update(cases)
        .set(await foldedAnew(tx, one))
        .where(eq(cases.id, one.id))
    const subjects = [id, ...boilers.map((one) => one.id), ...ids]
    await tx
      .update(audit)
      .set({ about: erased })
      .where(or(inArray(audit.subject, subjects), eq(audit.about, site.name)))
    // what a device handed in is settled or not: of this customer nothing of it stays
    for (const one of await tx
      .select()
      .from(handIns)
      .where(or(...ids.map((caseId) => like(handIns.items, `%${caseId}%`)), eq(handIns.id, ''))))
      await tx
        .update(handIns)
        .set({ items: one.items.filter((item) => !ids.some((caseId) => JSON.stringify(item).includes(caseId))) })
        .where(eq(handIns.id, one.id))
    await tx.insert(audit).values({ id: v7(), at: now, person: null, device: null, kind: 'erased', of: 'customer', subject: id, about: 'by command' })
    return { cases: ids.length, entries: changed, pictures: gone.length - shared.size }

    /** which of these pictures somebody else's cases show too */
    async function elsewhere(wanted: string[]): Promise<string[]> {
      const others = await tx.select({ caseId: entries.caseId, payload: entries.payload }).from(entries).where(eq(entries.type, 'photo'))
      const mine = new Set(ids)
      return wanted.filter((hash) => others.some((one) => !mine.has(one.caseId) && (one.payload as { hash?: string }).hash === hash))
    }
  })
}

/** Records that a customer's data was given out. */
export async function noteExport(database: Database, id: string, name: string, now: Date): Promise<void> {
  await retried(() =>
    database
      .insert(audit)
      .values({ id: v7(), at: now, person: null, device: null, kind: 'exported', of: 'customer', subject: id, about: `${name}, by command`.slice(0, 200) }),
  )
}

/** What a journal says that tells who it is. */
function tellingOf(journal: readonly Entry[]): string[] {
  const { contact = '', phone = '' } = bookingOf(journal)
  const signed = standing(journal).flatMap((one) => (one.type === 'signature' && one.payload.by === 'customer' ? [one.payload.name] : []))
  const told = standing(journal).flatMap((one) => (one.type === 'said' && one.payload.by ? [one.payload.by] : []))
  return [contact, phone, ...signed, ...told]
}
