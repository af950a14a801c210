import type { Experienced, Opinion, Past, PastCase, Stated } from '@dewpoint/contract'
import { byName, type Person } from '@dewpoint/core/casebook'
import { and, eq, lt, ne } from 'drizzle-orm'
import { caseJob } from '../cases/derived/queries.ts'
import { retried, tables, type Database } from '../database/index.ts'
import type { Job } from '../jobs/job.ts'
import { isFinished } from '../jobs/queries.ts'
import { learntBefore, readBefore } from '../learnt/queries.ts'

const { cases, statedOdds } = tables

/** A case as its place and its appliance list it. */
export const pastCaseOf = ({ id, openedAt, summary }: Pick<typeof cases.$inferSelect, 'id' | 'openedAt' | 'summary'>): PastCase => ({
  id,
  openedAt: openedAt.toISOString(),
  complaints: summary.complaints,
  faults: summary.proven,
  closed: summary.closed,
})

/** What was proved before the given case, on its appliance and on its kind of boiler; undefined when there is no such case. */
export async function pastOf(database: Database, id: string): Promise<Past | undefined> {
  return retried(async () => {
    const [own] = await database.select({ applianceId: cases.applianceId, openedAt: cases.openedAt, system: cases.system }).from(cases).where(eq(cases.id, id))
    if (!own) return undefined
    const earlier = and(ne(cases.id, id), lt(cases.openedAt, own.openedAt))
    const [here, learnt, stated] = await Promise.all([
      database
        .select({ id: cases.id, openedAt: cases.openedAt, summary: cases.summary })
        .from(cases)
        .where(and(eq(cases.applianceId, own.applianceId), earlier))
        .orderBy(cases.openedAt),
      isFinished(database, caseJob).then((finished) => (finished ? learntBefore : readBefore)(database, own.system, own.openedAt)),
      statedOf(database, own.system),
    ])
    return { appliance: here.map(pastCaseOf).reverse(), experience: { ...learnt, ...stated } }
  })
}

/** Everybody's opinion of a kind of boiler, and their mean. */
export async function statedOf(database: Pick<Database, 'select'>, system: string): Promise<Pick<Experienced, 'stated' | 'opinions'>> {
  const opinions: Opinion[] = await database
    .select({ fault: statedOdds.fault, author: statedOdds.author, authorName: statedOdds.authorName, inTen: statedOdds.inTen })
    .from(statedOdds)
    .where(eq(statedOdds.system, system))
    .orderBy(statedOdds.fault, statedOdds.authorName)
  const stated: Record<string, number> = {}
  for (const { fault } of opinions) {
    const each = opinions.filter((one) => one.fault === fault)
    stated[fault] = each.reduce((sum, one) => sum + one.inTen, 0) / (10 * each.length)
  }
  return { stated, opinions }
}

/** Keeps somebody's opinion, or takes it back; nobody else's is touched. */
export async function keepStated(database: Database, system: string, author: Person, { fault, inTen }: Stated): Promise<void> {
  await retried(async () => {
    if (inTen === null) {
      const own = and(eq(statedOdds.system, system), eq(statedOdds.fault, fault), eq(statedOdds.author, author.id))
      await database.delete(statedOdds).where(own)
    } else {
      const said = { inTen, authorName: author.name, statedAt: new Date() }
      await database
        .insert(statedOdds)
        .values({ system, fault, author: author.id, ...said })
        .onDuplicateKeyUpdate({ set: said })
    }
  })
}

/** Opinions of before people signed in: whoever was a name is the person known by it. */
export const opinionJob: Job = {
  name: 'opinions',
  version: 1,
  async step(tx) {
    const old = await tx.select().from(statedOdds).where(eq(statedOdds.authorName, '')).limit(200)
    for (const { system, fault, author } of old) {
      const person = byName(author)
      const of = (who: string) => and(eq(statedOdds.system, system), eq(statedOdds.fault, fault), eq(statedOdds.author, who))
      // what they have said since takes its place
      const [since] = await tx.select({ author: statedOdds.author }).from(statedOdds).where(of(person.id)).for('update')
      if (since) await tx.delete(statedOdds).where(of(author))
      else await tx.update(statedOdds).set({ author: person.id, authorName: person.name }).where(of(author))
    }
    return { reached: old.length === 0 ? null : old.at(-1)!.author, done: old.length }
  },
}
