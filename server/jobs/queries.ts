import { and, eq, gte, isNull, lt, or, sql } from 'drizzle-orm'
import { inTransaction, retried, tables, type Database } from '../database/index.ts'
import type { Job } from './job.ts'

const { jobs } = tables

/** how long whoever took it up has for a step before another may, s */
const lease = 30
const leasedOn = sql`date_add(now(3), interval ${lease} second)`

/** Takes a job up, unless it is finished or somebody does it now. A version that was never begun begins at the start. */
export async function takeUp(database: Database, { name, version }: Job, holder: string): Promise<'mine' | 'taken' | 'finished'> {
  if (await isFinished(database, { name, version })) return 'finished'
  await retried(() => database.insert(jobs).ignore().values({ name, version }))
  await retried(() =>
    database
      .update(jobs)
      .set({ version, reached: '', done: 0, holder: null, leasedUntil: null })
      .where(and(eq(jobs.name, name), lt(jobs.version, version))),
  )
  await retried(() =>
    database
      .update(jobs)
      .set({ holder, leasedUntil: leasedOn })
      .where(and(eq(jobs.name, name), eq(jobs.version, version), lt(jobs.finished, version), or(isNull(jobs.leasedUntil), lt(jobs.leasedUntil, sql`now(3)`)))),
  )
  const [row] = await retried(() => database.select().from(jobs).where(eq(jobs.name, name)))
  if (row && row.finished >= version) return 'finished'
  return row?.holder === holder ? 'mine' : 'taken'
}

/** Does the next step, with the lease held on to. Lost means that another has taken it up: nothing was done. */
export async function doStep(database: Database, job: Job, holder: string): Promise<'lost' | { finished: boolean; done: number }> {
  return inTransaction(database, async (tx) => {
    const mine = and(eq(jobs.name, job.name), eq(jobs.version, job.version), eq(jobs.holder, holder))
    const [row] = await tx.select().from(jobs).where(mine).for('update')
    if (!row) return 'lost'
    const { reached, done } = await job.step(tx, row.reached)
    const finished = reached === null
    await tx
      .update(jobs)
      .set({
        done: row.done + done,
        ...(finished ? { finished: job.version, holder: null, leasedUntil: null } : { reached, leasedUntil: leasedOn }),
      })
      .where(mine)
    return { finished, done }
  })
}

/** Gives a job back, so that another need not wait. */
export async function giveBack(database: Database, { name }: Job, holder: string): Promise<void> {
  await retried(() =>
    database
      .update(jobs)
      .set({ holder: null, leasedUntil: null })
      .where(and(eq(jobs.name, name), eq(jobs.holder, holder))),
  )
}

/** Gives back what anybody held: of a database nobody else works on, like one that is being restored. */
export async function giveAllBack(database: Database): Promise<void> {
  await retried(() => database.update(jobs).set({ holder: null, leasedUntil: null }))
}

const known = new WeakMap<Database, Set<string>>()

/** Whether a job is done in its version. Once it is, it stays so. */
export async function isFinished(database: Database, { name, version }: Pick<Job, 'name' | 'version'>): Promise<boolean> {
  const done = known.get(database) ?? new Set()
  known.set(database, done)
  const key = `${name} ${version}`
  if (done.has(key)) return true
  const rows = await retried(() =>
    database
      .select({ name: jobs.name })
      .from(jobs)
      .where(and(eq(jobs.name, name), gte(jobs.finished, version))),
  )
  if (rows.length > 0) done.add(key)
  return rows.length > 0
}
