import { longestJournal, type AppendResult, type News } from '@dewpoint/contract'
import { append, fold, foldMore, inOrder, type CaseSummary, type Entry } from '@dewpoint/core/casebook'
import { and, eq, inArray, or } from 'drizzle-orm'
import type { SqlValue } from 'mysql2'
import { entryOf, fromJson, inTwoSteps, tables, written, type Database, type Statement, type Steps } from '../../database/index.ts'
import { counted } from '../../learnt/queries.ts'
import { besideOf, outlinesOf, type Held } from '../derived/queries.ts'
import { newsOf } from '../queries.ts'

const { entries } = tables

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

/** What a case gains. */
interface Gained {
  entries: Entry[]
  /** as rows of the table */
  rows: SqlValue[][]
  received: Record<string, string>
}

/** What all of them gain, and what each is told but for the news. */
interface Planned {
  gained: Map<string, Gained>
  outcomes: (Pick<AppendResult, 'kept' | 'conflicts' | 'position'> | 'full' | typeof aside | undefined)[]
}

/**
 * Appends what several sent, in one transaction: all of it is kept, or none. The rows of the cases are locked meanwhile, so that two servers writing
 * at once both land, the summary counts both, and positions have no gaps. One alone waits for the lock; of several whoever would have to wait is put aside.
 *
 * @returns what came of each, in their order
 */
export async function appendAll(database: Database, list: readonly Append[]): Promise<(Appended | typeof aside)[]> {
  return inTwoSteps(database, async (steps) => {
    const held = await holdCases(steps, list)
    const before = await newsBefore(steps, list, held)
    // nearly always everything is new: only where it does not fit in, or the table says otherwise, is it looked at what is there
    let planned = planOf(list, held, new Map())
    if (planned.outcomes.includes('full') || !(await keep(steps, held, planned.gained))) {
      planned = planOf(list, held, await knownOf(steps, list, held))
      if (!(await keep(steps, held, planned.gained))) throw new Error('an entry came in between, although its case is held')
    }
    return planned.outcomes.map((outcome, index) => {
      if (outcome === undefined || outcome === 'full' || outcome === aside) return outcome
      const { caseId, since } = list[index]!
      return since === undefined
        ? { entries: [], received: {}, ...outcome }
        : { ...outcome, ...withGained(before.get(index), held.get(caseId)!, planned.gained.get(caseId)!) }
    })
  })
}

async function holdCases(steps: Steps, list: readonly Append[]): Promise<Map<string, Held>> {
  const rows = await steps.begin<Omit<Held, 'summary'> & { summary: unknown }>({
    text: `select id, position, \`system\`, opened_at as openedAt, counted, summary, folded_to as foldedTo from cases where id in (?) order by id for update${list.length > 1 ? ' skip locked' : ''}`,
    values: [[...new Set(list.map((one) => one.caseId))]],
  })
  return new Map(rows.map((one) => [one.id, { ...one, summary: fromJson<CaseSummary>(one.summary) }]))
}

/** What was there already beyond what each knows who asked, by their place in the list; not of those who knew everything. */
async function newsBefore(steps: Steps, list: readonly Append[], held: ReadonlyMap<string, Held>): Promise<Map<number, News>> {
  const behind = list.flatMap(({ caseId, since }, index) => {
    const one = held.get(caseId)
    return since === undefined || !one || since === one.position ? [] : [{ index, caseId, since: since > one.position ? 0 : since }]
  })
  if (behind.length === 0) return new Map()
  const found = await newsOf(steps.between(), behind)
  return new Map(behind.map(({ index }, which) => [index, found[which]!]))
}

/** With what the case gains now. */
function withGained(before: News | undefined, { position }: Held, { entries: added, received }: Gained): News {
  return {
    entries: inOrder([...(before?.entries ?? []), ...added]),
    received: { ...before?.received, ...received },
    position: position + added.length,
  }
}

/** What is to be written, with what of it is there already. */
function planOf(list: readonly Append[], held: ReadonlyMap<string, Held>, known: ReadonlyMap<string, readonly Entry[]>): Planned {
  const gained = new Map<string, Gained>()
  const outcomes = list.map(({ caseId, incoming, now, sentBy }) => {
    const one = held.get(caseId)
    if (!one) return list.length > 1 ? aside : undefined
    const own = gained.get(caseId) ?? { entries: [], rows: [], received: {} }
    gained.set(caseId, own)
    const came = append([...(known.get(caseId) ?? []), ...own.entries], incoming)
    if (one.position + own.entries.length + came.added.length > longestJournal) return 'full'
    for (const entry of came.added) {
      own.entries.push(entry)
      own.rows.push(rowOf(entry, caseId, one.position + own.entries.length, now, sentBy))
      own.received[entry.id] = now.toISOString()
    }
    const clashing = new Set(came.conflicts)
    return {
      kept: [...new Set(incoming.map(({ id }) => id))].filter((id) => !clashing.has(id)),
      conflicts: came.entries.filter(({ id }) => clashing.has(id)),
      position: one.position + own.entries.length,
    }
  })
  return { gained, outcomes }
}

const columns = 'id, case_id, position, at, clock, device, received_at, author, author_name, sent_by, type, schema_version, payload'
const rowOf = (entry: Entry, caseId: string, position: number, received: Date, sentBy: string) => [
  ...[entry.id, caseId, position, entry.at, entry.clock, entry.device, received, entry.author, entry.authorName, sentBy, entry.type, entry.schema],
  JSON.stringify(entry.payload),
]

/** Writes what cases gain, and ends the transaction. @returns false when something of it is there already: then nothing is written, and it is still to be ended */
async function keep(steps: Steps, held: ReadonlyMap<string, Held>, gained: ReadonlyMap<string, Gained>): Promise<boolean> {
  const rows = [...gained.values()].flatMap((one) => one.rows)
  const statements = rows.length === 0 ? [] : [{ text: `insert into entries (${columns}) values ?`, values: [rows] }, ...(await besideAll(steps, held, gained))]
  try {
    await steps.end(statements)
    return true
  } catch (error) {
    if ((error as { code?: string }).code !== 'ER_DUP_ENTRY') throw error
    return false
  }
}

/** What of the entries sent is there already, by case. */
async function knownOf(steps: Steps, list: readonly Append[], held: ReadonlyMap<string, Held>): Promise<Map<string, Entry[]>> {
  const found = new Map<string, Entry[]>()
  const asked = list.filter((one) => held.has(one.caseId))
  const rows = await steps
    .between()
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

/** What brings all that is kept beside the journals up to date: what only adds to a summary is added, else the journal is folded anew. */
async function besideAll(steps: Steps, held: ReadonlyMap<string, Held>, gained: ReadonlyMap<string, Gained>): Promise<Statement[]> {
  const grown = [...gained].flatMap(([id, { entries: added }]) => (added.length > 0 ? [{ one: held.get(id)!, added }] : []))
  const more = new Map(grown.map(({ one, added }) => [one.id, foldMore({ summary: one.summary, upTo: one.foldedTo }, added)]))
  const anew = grown.filter(({ one }) => !more.get(one.id)).map(({ one }) => one.id)
  const outlines = anew.length > 0 ? await outlinesOf(steps.between(), anew) : new Map<string, Entry[]>()
  const beside = grown.map(({ one, added }) => ({ one, added, now: besideOf(more.get(one.id) ?? fold([...(outlines.get(one.id) ?? []), ...added])) }))
  const proved = beside.flatMap(({ one, now }) => (one.counted === now.proven ? [] : [{ ...one, proven: now.proven }]))
  const counting = proved.length > 0 ? counted(steps.between(), proved) : undefined
  return [
    ...(counting ? [written(counting)] : []),
    // one statement for all
    {
      text: `update cases join (${beside.map(() => 'select ? as id, ? as position, ? as summary, ? as proven, ? as folded_to').join(' union all ')}) as fresh on fresh.id = cases.id
        set cases.position = fresh.position, cases.summary = fresh.summary, cases.proven = fresh.proven, cases.counted = fresh.proven, cases.folded_to = fresh.folded_to, cases.changed_at = now(3)`,
      values: beside.flatMap(({ one, added, now }) => [one.id, one.position + added.length, JSON.stringify(now.summary), now.proven, now.foldedTo]),
    },
  ]
}
