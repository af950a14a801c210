import type { Member } from '@dewpoint/contract'
import { byName } from '@dewpoint/core/casebook'
import { and, eq, inArray, isNotNull, isNull, lt, sql } from 'drizzle-orm'
import { v7 } from 'uuid'
import { inTransaction, retried, tables, type Database, type Transaction } from '../database/index.ts'
import { idle } from '../gate/queries.ts'

const { codes, devices, passkeys, people, signIns, tries } = tables

/** tries that cost nothing; from then on each costs twice the wait of the last, ms */
const free = 5
const firstWait = 5000
const longestWait = 15 * 60_000
/** tries of long ago are forgotten, ms */
const forgotten = 24 * 3_600_000

/**
 * Counts a try before it is made, so that many at once gain nothing.
 *
 * @param key SHA-256 of what is counted
 * @param allowed tries that cost nothing
 * @returns 0 when it may be made, or the seconds until it may
 */
export async function beginTry(database: Database, key: string, now: Date, allowed = free): Promise<number> {
  return inTransaction(database, async (tx) => {
    await tx.insert(tries).values({ key, count: 0, lastAt: now, until: now }).onDuplicateKeyUpdate({ set: { key } })
    const [row] = await tx.select().from(tries).where(eq(tries.key, key)).for('update')
    const wait = (row?.until.getTime() ?? 0) - now.getTime()
    if (wait > 0) return Math.ceil(wait / 1000)
    const old = row === undefined || now.getTime() - row.lastAt.getTime() > forgotten
    const count = (old ? 0 : row.count) + 1
    const pause = count < allowed ? 0 : Math.min(longestWait, firstWait * 2 ** (count - allowed))
    await tx
      .update(tries)
      .set({ count, lastAt: now, until: new Date(now.getTime() + pause) })
      .where(eq(tries.key, key))
    return 0
  })
}

/** A try came to something: those before it are forgotten; and those of long ago with them. */
export async function endTries(database: Database, keys: readonly string[], now: Date): Promise<void> {
  await retried(() => database.delete(tries).where(inArray(tries.key, [...keys])))
  await retried(() => database.delete(tries).where(lt(tries.lastAt, new Date(now.getTime() - forgotten))))
}

/** Somebody by the name they sign in with, what is kept of their pass phrase, and whether it is not enough. */
export async function memberNamed(database: Database, name: string): Promise<(Member & { passPhrase: string | null; onlyPasskey: boolean }) | undefined> {
  const [row] = await retried(() =>
    database
      .select()
      .from(people)
      .where(and(eq(people.name, name), isNull(people.leftAt))),
  )
  return row && { id: row.id, name: row.name, role: row.role, passPhrase: row.passPhrase, onlyPasskey: row.onlyPasskey }
}

/** What is kept of somebody's pass phrase, and whether it is not enough. */
export async function passPhraseOf(database: Database, id: string): Promise<{ kept: string | null; onlyPasskey: boolean }> {
  const [row] = await retried(() => database.select({ kept: people.passPhrase, onlyPasskey: people.onlyPasskey }).from(people).where(eq(people.id, id)))
  return row ?? { kept: null, onlyPasskey: false }
}

/** People by their ids, those who have left left out. */
async function membersOf(database: Database, ids: readonly string[]): Promise<Member[]> {
  if (ids.length === 0) return []
  const rows = await retried(() =>
    database
      .select({ id: people.id, name: people.name, role: people.role })
      .from(people)
      .where(and(inArray(people.id, [...ids]), isNull(people.leftAt)))
      .orderBy(people.name),
  )
  return rows
}

/** Everybody signed in on a device. */
export async function peopleOn(database: Database, device: string): Promise<Member[]> {
  const rows = await retried(() =>
    database
      .select({ person: signIns.person })
      .from(signIns)
      .where(and(eq(signIns.device, device), isNull(signIns.endedAt))),
  )
  return membersOf(
    database,
    rows.map((one) => one.person),
  )
}

/** Whether anybody can sign in. */
export async function isFirst(database: Database): Promise<boolean> {
  const [row] = await retried(() => database.select({ id: people.id }).from(people).where(isNotNull(people.passPhrase)).limit(1))
  return row === undefined
}

/** A device on which somebody signs in. */
export interface SigningIn {
  person: string
  /** SHA-256 of the new token */
  token: string
  /** the device it is already, signed in or not; none for a new one */
  device: string | undefined
  label: string
  now: Date
}

/** Signs somebody in on a device: the token is a new one each time, so that one of before is worth nothing. @returns the device */
export async function signIn(database: Database, one: SigningIn): Promise<string> {
  return inTransaction(database, (tx) => signInWithin(tx, one))
}

async function signInWithin(tx: Transaction, { person, token, device, label, now }: SigningIn): Promise<string> {
  const [known] =
    device === undefined
      ? []
      : await tx
          .select({ label: devices.label, seenAt: devices.seenAt })
          .from(devices)
          .where(and(eq(devices.id, device), isNull(devices.endedAt)))
          .for('update')
  const id = known && device !== undefined ? device : v7()
  // whoever else was on it a month ago signs in for themselves
  if (known && now.getTime() - known.seenAt.getTime() > idle)
    await tx
      .update(signIns)
      .set({ endedAt: now })
      .where(and(eq(signIns.device, id), isNull(signIns.endedAt)))
  if (known)
    await tx
      .update(devices)
      .set({ token, person, seenAt: now, label: label || known.label })
      .where(eq(devices.id, id))
  else await tx.insert(devices).values({ id, token, label: label || 'A device', person, madeAt: now, seenAt: now })
  await tx
    .insert(signIns)
    .values({ device: id, person, since: now, provedAt: now })
    .onDuplicateKeyUpdate({ set: { since: now, provedAt: now, endedAt: null } })
  return id
}

/** Signs somebody out on one device, or on all. */
export async function signOut(database: Database, person: string, device: string | null, now: Date): Promise<void> {
  await retried(() =>
    database
      .update(signIns)
      .set({ endedAt: now })
      .where(and(eq(signIns.person, person), device === null ? undefined : eq(signIns.device, device), isNull(signIns.endedAt))),
  )
}

/** Somebody proved once more who they are on a device. */
export async function noteProved(database: Database, person: string, device: string, now: Date): Promise<void> {
  await retried(() =>
    database
      .update(signIns)
      .set({ provedAt: now })
      .where(and(eq(signIns.device, device), eq(signIns.person, person))),
  )
}

/** Says as whom a device goes on. */
export async function actAs(database: Database, device: string, person: string): Promise<void> {
  await retried(() => database.update(devices).set({ person }).where(eq(devices.id, device)))
}

/** Another pass phrase; on other devices it is asked for. */
export async function changePassPhrase(database: Database, person: string, kept: string, here: string, now: Date): Promise<void> {
  await inTransaction(database, async (tx) => {
    await tx.update(people).set({ passPhrase: kept }).where(eq(people.id, person))
    await tx
      .update(signIns)
      .set({ endedAt: now })
      .where(and(eq(signIns.person, person), sql`${signIns.device} <> ${here}`, isNull(signIns.endedAt)))
  })
}

/** Keeps a code for somebody, or for the first owner. */
export async function keepCode(database: Database, code: string, person: string | null, now: Date, until: Date): Promise<void> {
  await inTransaction(database, async (tx) => {
    // a new one makes those before it worthless
    await tx
      .update(codes)
      .set({ usedAt: now })
      .where(and(person === null ? isNull(codes.person) : eq(codes.person, person), isNull(codes.usedAt)))
    await tx.insert(codes).values({ code, person, madeAt: now, until })
  })
}

/** Whose a code is, while it is good: null for the first owner's, undefined for one that is not good. */
export async function whoseCode(database: Database, code: string, now: Date): Promise<Member | null | undefined> {
  const [row] = await retried(() => database.select().from(codes).where(eq(codes.code, code)))
  if (!row || row.usedAt || row.until < now) return undefined
  if (row.person === null) return null
  return (await membersOf(database, [row.person]))[0]
}

/**
 * Uses a code: sets the pass phrase and signs in. Everybody else who knew the old one is signed out.
 *
 * @returns the person and the device, or why not
 */
export async function useCode(
  database: Database,
  code: string,
  name: string | undefined,
  kept: string,
  signing: Omit<SigningIn, 'person'>,
): Promise<{ person: string; device: string } | 'notGood'> {
  return inTransaction(database, async (tx) => {
    const [row] = await tx.select().from(codes).where(eq(codes.code, code)).for('update')
    if (!row || row.usedAt || row.until < signing.now) return 'notGood'
    let { person } = row
    if (person === null) {
      // of two who begin at once one is the first
      const [other] = await tx.select({ id: people.id }).from(people).where(isNotNull(people.passPhrase)).limit(1).for('update')
      if (other || name === undefined) return 'notGood'
      person = byName(name).id
      await tx
        .insert(people)
        .values({ id: person, name, formerNames: [], role: 'owner', passPhrase: kept, madeAt: signing.now })
        .onDuplicateKeyUpdate({ set: { role: 'owner', passPhrase: kept, onlyPasskey: false, leftAt: null } })
    } else {
      await tx.update(people).set({ passPhrase: kept, onlyPasskey: false }).where(eq(people.id, person))
      // whoever lost control of what they sign in with begins anew
      await tx.delete(passkeys).where(eq(passkeys.person, person))
      await tx
        .update(signIns)
        .set({ endedAt: signing.now })
        .where(and(eq(signIns.person, person), isNull(signIns.endedAt)))
    }
    await tx.update(codes).set({ usedAt: signing.now }).where(eq(codes.code, code))
    return { person, device: await signInWithin(tx, { ...signing, person }) }
  })
}

/** Sees to it that made-up people are there. */
export async function addMadeUp(database: Database, list: readonly Member[], now: Date): Promise<void> {
  for (const { id, name, role } of list)
    await retried(() =>
      database.insert(people).values({ id, name, role, formerNames: [], passPhrase: null, madeAt: now }).onDuplicateKeyUpdate({ set: { id } }),
    )
}
