import { longestJournal, type AppendResult } from '@dewpoint/contract'
import { append, foldMore, fold, type Entry } from '@dewpoint/core/casebook'
import { and, asc, eq, inArray, or, sql } from 'drizzle-orm'
import { entryOf, inTransaction, tables, type Database, type Transaction } from '../../database/index.ts'
import { count } from '../../learnt/queries.ts'
import { besideOf, keptBeside, outlinesOf, type Held } from '../derived/queries.ts'
import { newsOf } from '../queries.ts'

const { cases, entries } = tables

/** Entries somebody sent for a case. */
export interface Append {
  caseId: string
  incoming: readonly Entry[]
  /** the position whoever sent them knows the journal to: what is new since goes with the answer */
  since: number | undefined
  /** when the server received them */
  now: Date
  /** who was signed in then */
  sentBy: string
}
/** What came of it: nothing when there is no such case, 'full' when they would make its journal too long. */
export type Appended = AppendResult | 'full' | undefined
/** another holds the case, or there is no such case: to be asked for alone, which waits */
export const aside = Symbol('aside')

/**
 * Appends what several sent, in one transaction: all of it is kept, or none. The rows of the cases are locked meanwhile, so that two servers writing
 * at once both land, the summary counts both, and positions have no gaps. One alone waits for the lock; of several whoever would have to wait is put aside.
 *
 * @returns what came of each, in their order
 */
export async function appendAll(database: Database, list: readonly Append[]): Promise<(Appended | typeof aside)[]> {
  return inTransaction(database, async (tx) => {
    const ids = [...new Set(list.map((one) => one.caseId))]
    const held = new Map(
      (
        await tx
          .select(keptBeside)
          .from(cases)
          .where(inArray(cases.id, ids))
          .orderBy(asc(cases.id))
          .for('update', list.length > 1 ? { skipLocked: true } : {})
      ).map((one) => [one.id, one]),
    )
    const known = await knownOf(tx, list, held)
    const fresh = new Map<string, Entry[]>()
    const rows: (typeof entries.$inferInsert)[] = []
    const outcomes = list.map(({ caseId, incoming, now, sentBy }) => {
      const one = held.get(caseId)
      if (!one) return list.length > 1 ? aside : undefined
      const added = fresh.get(caseId) ?? []
      const came = append([...(known.get(caseId) ?? []), ...added], incoming)
      if (one.position + added.length + came.added.length > longestJournal) return 'full'
      const from = one.position + added.length
      rows.push(
        ...came.added.map(({ schema, ...entry }, index) => ({ ...entry, caseId, schemaVersion: schema, position: from + index + 1, receivedAt: now, sentBy })),
      )
      fresh.set(caseId, [...added, ...came.added])
      const clashing = new Set(came.conflicts)
      return {
        kept: [...new Set(incoming.map(({ id }) => id))].filter((id) => !clashing.has(id)),
        conflicts: came.entries.filter(({ id }) => clashing.has(id)),
        position: from + came.added.length,
      }
    })
    if (rows.length > 0) {
      await tx.insert(entries).values(rows)
      await writeBeside(tx, held, fresh)
    }
    const asked = list.flatMap(({ caseId, since }, index) => {
      const one = held.get(caseId)
      return since === undefined || !one ? [] : [{ index, caseId, since: since > one.position ? 0 : since }]
    })
    const news = new Map((await newsOf(tx, asked)).map((one, which) => [asked[which]!.index, one]))
    return outcomes.map((outcome, index) => {
      if (outcome === undefined || outcome === 'full' || outcome === aside) return outcome
      return { entries: [], received: {}, ...outcome, ...news.get(index) }
    })
  })
}

/** What of the entries sent is there already, by case. */
async function knownOf(tx: Transaction, list: readonly Append[], held: ReadonlyMap<string, Held>): Promise<Map<string, Entry[]>> {
  const found = new Map<string, Entry[]>()
  const asked = list.filter((one) => held.has(one.caseId) && one.incoming.length > 0)
  if (asked.length === 0) return found
  const rows = await tx
    .select()
    .from(entries)
    .where(
      or(
        ...asked.map(({ caseId, incoming }) =>
          and(
            eq(entries.caseId, caseId),
            inArray(
              entries.id,
              incoming.map((one) => one.id),
            ),
          ),
        ),
      ),
    )
  for (const row of rows) found.set(row.caseId, [...(found.get(row.caseId) ?? []), entryOf(row)])
  return found
}

/** Brings what is kept beside the journals up to date: what only adds to a summary is added, else the journal is folded anew. */
async function writeBeside(tx: Transaction, held: ReadonlyMap<string, Held>, fresh: ReadonlyMap<string, readonly Entry[]>): Promise<void> {
  const grown = [...fresh].flatMap(([id, added]) => (added.length > 0 ? [{ one: held.get(id)!, added }] : []))
  const more = new Map(grown.map(({ one, added }) => [one.id, foldMore({ summary: one.summary, upTo: one.foldedTo }, added)]))
  const anew = grown.filter(({ one }) => !more.get(one.id)).map(({ one }) => one.id)
  const outlines = anew.length > 0 ? await outlinesOf(tx, anew) : new Map<string, Entry[]>()
  const beside = grown.map(({ one, added }) => ({ one, added, now: besideOf(more.get(one.id) ?? fold(outlines.get(one.id) ?? [])) }))
  await count(
    tx,
    beside.map(({ one, now }) => ({ ...one, proven: now.proven })),
  )
  // one statement for all
  const rows = beside.map(
    ({ one, added, now }) =>
      sql`select ${one.id} as id, ${one.position + added.length} as position, ${JSON.stringify(now.summary)} as summary, ${now.proven} as proven, ${now.foldedTo} as folded_to`,
  )
  await tx.execute(
    sql`update ${cases} join (${sql.join(rows, sql` union all `)}) as fresh on fresh.id = ${cases.id} set ${cases}.position = fresh.position, ${cases}.summary = fresh.summary, ${cases}.proven = fresh.proven, ${cases}.counted = fresh.proven, ${cases}.folded_to = fresh.folded_to, ${cases}.changed_at = now(3)`,
  )
}
