import type { DeviceLine, HandedIn } from '@dewpoint/contract'
import { and, desc, eq, inArray, isNull } from 'drizzle-orm'
import { inTransaction, retried, tables, type Database } from '../database/index.ts'

const { devices, handIns, people, signIns } = tables

const mostDevices = 200

/** Devices, the one used last first: all of them, or those somebody is signed in on. */
export async function listDevices(database: Database, person: string | null, here: string): Promise<DeviceLine[]> {
  return retried(async () => {
    const own =
      person === null
        ? undefined
        : inArray(
            devices.id,
            database
              .select({ id: signIns.device })
              .from(signIns)
              .where(and(eq(signIns.person, person), isNull(signIns.endedAt))),
          )
    const rows = await database.select().from(devices).where(own).orderBy(desc(devices.seenAt)).limit(mostDevices)
    if (rows.length === 0) return []
    const on = await database
      .select({ device: signIns.device, id: people.id, name: people.name, role: people.role })
      .from(signIns)
      .innerJoin(people, eq(people.id, signIns.person))
      .where(
        and(
          inArray(
            signIns.device,
            rows.map((one) => one.id),
          ),
          isNull(signIns.endedAt),
        ),
      )
      .orderBy(people.name)
    // one nobody is signed in on any more is no device of theirs; one that was signed out from afar is told of
    const told = rows.filter((one) => one.endedAt !== null || on.some(({ device }) => device === one.id))
    return told.map((one) => ({
      id: one.id,
      label: one.label,
      here: one.id === here,
      people: on.filter(({ device }) => device === one.id).map(({ id, name, role }) => ({ id, name, role })),
      madeAt: one.madeAt.toISOString(),
      seenAt: one.seenAt.toISOString(),
      endedAt: one.endedAt?.toISOString() ?? null,
      wipedAt: one.wipedAt?.toISOString() ?? null,
    }))
  })
}

/** Signs a device out from afar: everybody on it, for good. @returns its name, or undefined where there is none */
export async function endDevice(database: Database, id: string, now: Date): Promise<string | undefined> {
  return inTransaction(database, async (tx) => {
    const [row] = await tx.select({ label: devices.label, endedAt: devices.endedAt }).from(devices).where(eq(devices.id, id)).for('update')
    if (!row) return undefined
    if (!row.endedAt) await tx.update(devices).set({ endedAt: now }).where(eq(devices.id, id))
    return row.label
  })
}

/** A device says that it has emptied itself. */
export async function noteWiped(database: Database, id: string, now: Date): Promise<void> {
  await retried(() =>
    database
      .update(devices)
      .set({ wipedAt: now })
      .where(and(eq(devices.id, id), isNull(devices.wipedAt))),
  )
}

/** bundles one device may hand in that nobody has looked through */
const mostHandIns = 50

/** Keeps what a device had not sent; the same id again changes nothing. @returns whether there was room */
export async function keepHandIn(database: Database, id: string, device: string, items: object[], now: Date): Promise<boolean> {
  return inTransaction(database, async (tx) => {
    const waiting = await tx
      .select({ id: handIns.id })
      .from(handIns)
      .where(and(eq(handIns.device, device), isNull(handIns.settledAt)))
      .limit(mostHandIns)
    if (waiting.length >= mostHandIns && !waiting.some((one) => one.id === id)) return false
    await tx.insert(handIns).values({ id, device, items, receivedAt: now }).onDuplicateKeyUpdate({ set: { id } })
    return true
  })
}

/** What was handed in and nobody has looked through. */
export async function listHandIns(database: Database): Promise<HandedIn[]> {
  const rows = await retried(() =>
    database
      .select({ one: handIns, label: devices.label })
      .from(handIns)
      .innerJoin(devices, eq(devices.id, handIns.device))
      .where(isNull(handIns.settledAt))
      .orderBy(handIns.receivedAt)
      .limit(50),
  )
  return rows.map(({ one, label }) => {
    const openings = one.items.filter((item) => (item as { kind?: unknown }).kind === 'open').length
    return { id: one.id, device: label, receivedAt: one.receivedAt.toISOString(), entries: one.items.length - openings, openings }
  })
}

/** What was handed in under an id, while nobody has settled it. */
export async function handInOf(database: Database, id: string): Promise<object[] | undefined> {
  const [row] = await retried(() =>
    database
      .select({ items: handIns.items })
      .from(handIns)
      .where(and(eq(handIns.id, id), isNull(handIns.settledAt))),
  )
  return row?.items
}

/** Somebody has looked: it is put in, or given up; kept all the same. */
export async function settleHandIn(database: Database, id: string, now: Date): Promise<void> {
  await retried(() => database.update(handIns).set({ settledAt: now }).where(eq(handIns.id, id)))
}
