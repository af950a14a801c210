import type { Member, MemberChange, MemberLine, Members, NewMember } from '@dewpoint/contract'
import { byName } from '@dewpoint/core/casebook'
import { and, desc, eq, inArray, isNotNull, isNull, max, ne, sql } from 'drizzle-orm'
import { v7 } from 'uuid'
import { inTransaction, retried, tables, type Database, type Transaction } from '../database/index.ts'

const { devices, entries, people, signIns } = tables

/** how far back is looked for who wrote before people signed in */
const looked = 20_000

/** Everybody in the firm, by name. */
export async function membersHere(database: Database): Promise<MemberLine[]> {
  const rows = await retried(() =>
    database
      .select({ person: people, seenAt: max(devices.seenAt) })
      .from(people)
      .leftJoin(devices, eq(devices.person, people.id))
      .groupBy(people.id)
      .orderBy(people.name),
  )
  return rows.map(({ person, seenAt }) => ({
    ...bare(person),
    signsIn: person.passPhrase !== null && person.leftAt === null,
    left: person.leftAt !== null,
    seenAt: seenAt?.toISOString() ?? null,
  }))
}

/** Names under which somebody wrote whom nobody signs in as. */
export async function byNameOnly(database: Database): Promise<Members['byNameOnly']> {
  const rows = await retried(async () => {
    const latest = database
      .select({ author: entries.author, authorName: entries.authorName })
      .from(entries)
      .orderBy(desc(entries.sequence))
      .limit(looked)
      .as('latest')
    return database
      .select({
        name: sql<string>`coalesce(${latest.authorName}, ${latest.author})`.as('name'),
        id: sql<string>`if(${latest.authorName} is null, '', ${latest.author})`.as('id'),
        times: sql<number>`count(*)`.mapWith(Number),
      })
      .from(latest)
      .groupBy(sql`1, 2`)
  })
  const known = new Set((await retried(() => database.select({ id: people.id }).from(people))).map((one) => one.id))
  const counted = new Map<string, number>()
  for (const { name, id, times } of rows) {
    const own = byName(name).id
    if (known.has(own) || (id !== '' && id !== own)) continue
    counted.set(name, (counted.get(name) ?? 0) + times)
  }
  return [...counted].map(([name, count]) => ({ name, entries: count })).sort((a, b) => (a.name < b.name ? -1 : 1))
}

/** Whether there is somebody of an id in the firm: who writes as them signs in as them. */
export async function isMember(database: Database, ids: readonly string[]): Promise<ReadonlySet<string>> {
  if (ids.length === 0) return new Set()
  return new Set(
    (
      await retried(() =>
        database
          .select({ id: people.id })
          .from(people)
          .where(inArray(people.id, [...ids])),
      )
    ).map((one) => one.id),
  )
}

/** Adds somebody, or gives null where somebody is called so already. */
export async function addMember(database: Database, { name, role, same }: NewMember, now: Date): Promise<Member | null> {
  return inTransaction(database, async (tx) => {
    if (await called(tx, name)) return null
    const own = byName(name).id
    const [taken] = await tx.select({ id: people.id }).from(people).where(eq(people.id, own))
    const person = { id: same && !taken ? own : v7(), name, role }
    await tx.insert(people).values({ ...person, formerNames: [], passPhrase: null, madeAt: now })
    return person
  })
}

/** What came of changing somebody. */
export type Changed = { member: Member } | 'nobody' | 'taken' | 'lastOwner'

/** Changes what somebody is called or may, or that they have left: then they are signed out everywhere. */
export async function changeMember(database: Database, id: string, { name, role, left }: MemberChange, now: Date): Promise<Changed> {
  return inTransaction(database, async (tx) => {
    const [row] = await tx.select().from(people).where(eq(people.id, id)).for('update')
    if (!row) return 'nobody'
    if (name !== undefined && name !== row.name && (await called(tx, name, id))) return 'taken'
    const owns = (role ?? row.role) === 'owner' && !(left ?? row.leftAt !== null)
    if (row.role === 'owner' && !owns && !(await anotherOwner(tx, id))) return 'lastOwner'
    const renamed = name !== undefined && name !== row.name
    await tx
      .update(people)
      .set({
        name: name ?? row.name,
        role: role ?? row.role,
        formerNames: renamed ? [...new Set([...row.formerNames, row.name])].slice(-20) : row.formerNames,
        leftAt: left === undefined ? row.leftAt : left ? (row.leftAt ?? now) : null,
      })
      .where(eq(people.id, id))
    if (left)
      await tx
        .update(signIns)
        .set({ endedAt: now })
        .where(and(eq(signIns.person, id), isNull(signIns.endedAt)))
    return { member: { id, name: name ?? row.name, role: role ?? row.role } }
  })
}

/** Somebody by id, who has not left. */
export async function memberOf(database: Database, id: string): Promise<Member | undefined> {
  const [row] = await retried(() =>
    database
      .select()
      .from(people)
      .where(and(eq(people.id, id), isNull(people.leftAt))),
  )
  return row && bare(row)
}

async function called(tx: Transaction, name: string, other = ''): Promise<boolean> {
  const [row] = await tx
    .select({ id: people.id })
    .from(people)
    .where(and(eq(people.name, name), ne(people.id, other)))
  return row !== undefined
}

async function anotherOwner(tx: Transaction, id: string): Promise<boolean> {
  const [row] = await tx
    .select({ id: people.id })
    .from(people)
    .where(and(eq(people.role, 'owner'), ne(people.id, id), isNull(people.leftAt), isNotNull(people.passPhrase)))
    .limit(1)
  return row !== undefined
}

const bare = ({ id, name, role }: Member): Member => ({ id, name, role })
