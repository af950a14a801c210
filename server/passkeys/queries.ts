import { mostPasskeys, type Member, type PasskeyLine } from '@dewpoint/contract'
import { and, asc, desc, eq, isNull, lt } from 'drizzle-orm'
import { inTransaction, retried, tables, type Database } from '../database/index.ts'

const { challenges, passkeys, people } = tables

/** A passkey as it is kept. */
export type Passkey = typeof passkeys.$inferSelect

/** Keeps what a device is asked to sign, by its SHA-256: for somebody who makes a passkey, or for whoever signs in. Those of before that nobody answered go. */
export async function keepChallenge(database: Database, key: string, person: string | null, now: Date, until: Date): Promise<void> {
  await retried(() => database.delete(challenges).where(lt(challenges.until, now)))
  await retried(() => database.insert(challenges).values({ key, person, until }).onDuplicateKeyUpdate({ set: { key } }))
}

/** Whether something was asked to be signed, for them, and not long ago; it is good once, however often it is answered at the same time. */
export async function takeChallenge(database: Database, key: string, person: string | null, now: Date): Promise<boolean> {
  return inTransaction(database, async (tx) => {
    const [row] = await tx.select().from(challenges).where(eq(challenges.key, key)).for('update')
    if (!row || row.person !== person || row.until < now) return false
    await tx.delete(challenges).where(eq(challenges.key, key))
    return true
  })
}

/** Somebody’s passkeys, the newest first. */
export async function passkeysOf(database: Database, person: string): Promise<Passkey[]> {
  return retried(() => database.select().from(passkeys).where(eq(passkeys.person, person)).orderBy(desc(passkeys.madeAt), asc(passkeys.key)))
}

/** As they are told of. */
export const lineOf = ({ key, label, madeAt, usedAt }: Passkey): PasskeyLine => ({
  id: key,
  label,
  madeAt: madeAt.toISOString(),
  usedAt: usedAt?.toISOString() ?? null,
})

/** Keeps a passkey. @returns false when they have too many, or it is there */
export async function keepPasskey(database: Database, one: Passkey): Promise<boolean> {
  return inTransaction(database, async (tx) => {
    // the person’s row is held, so that of many made at once no more are kept than may be
    const [person] = await tx.select({ id: people.id }).from(people).where(eq(people.id, one.person)).for('update')
    const present = await tx.select({ key: passkeys.key }).from(passkeys).where(eq(passkeys.person, one.person))
    const [other] = await tx.select({ key: passkeys.key }).from(passkeys).where(eq(passkeys.key, one.key))
    if (!person || other || present.length >= mostPasskeys) return false
    await tx.insert(passkeys).values(one)
    return true
  })
}

/** A passkey by the SHA-256 of its identifier, with whose it is, while they work here. */
export async function passkeyBy(database: Database, key: string): Promise<{ passkey: Passkey; person: Member } | undefined> {
  const [row] = await retried(() =>
    database
      .select({ passkey: passkeys, person: { id: people.id, name: people.name, role: people.role } })
      .from(passkeys)
      .innerJoin(people, and(eq(people.id, passkeys.person), isNull(people.leftAt)))
      .where(eq(passkeys.key, key)),
  )
  return row
}

/** It was used: how often, by its own count, and when. */
export async function notePasskeyUsed(database: Database, key: string, counter: number, now: Date): Promise<void> {
  await retried(() => database.update(passkeys).set({ counter, usedAt: now }).where(eq(passkeys.key, key)))
}

/** Takes a passkey away from whoever has it. @returns what it was called; 'last' when they would get in with nothing, undefined when they have no such one */
export async function dropPasskey(database: Database, key: string, person: string): Promise<{ label: string } | 'last' | undefined> {
  return inTransaction(database, async (tx) => {
    const [own] = await tx.select({ only: people.onlyPasskey }).from(people).where(eq(people.id, person)).for('update')
    const present = await tx.select({ key: passkeys.key, label: passkeys.label }).from(passkeys).where(eq(passkeys.person, person))
    const one = present.find((each) => each.key === key)
    if (!one) return undefined
    if (own?.only && present.length === 1) return 'last'
    await tx.delete(passkeys).where(eq(passkeys.key, key))
    return { label: one.label }
  })
}

/** Says whether somebody’s pass phrase alone is enough. @returns 'none' when they have no passkey to get in with instead */
export async function setOnlyPasskey(database: Database, person: string, only: boolean): Promise<'changed' | 'same' | 'none'> {
  return inTransaction(database, async (tx) => {
    const [own] = await tx.select({ only: people.onlyPasskey }).from(people).where(eq(people.id, person)).for('update')
    const [one] = await tx.select({ key: passkeys.key }).from(passkeys).where(eq(passkeys.person, person)).limit(1)
    if (only && !one) return 'none'
    if (own?.only === only) return 'same'
    await tx.update(people).set({ onlyPasskey: only }).where(eq(people.id, person))
    return 'changed'
  })
}
