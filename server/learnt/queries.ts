import { and, asc, eq, gte, lt, ne, sum, sql } from 'drizzle-orm'
import { tables, type Database, type Transaction } from '../database/index.ts'

const { cases, learnt } = tables

/** What a case proves, and what of it stands in the counts. */
export interface Proving {
  system: string
  openedAt: Date
  /** faults, between blanks, as counted so far and as it is now */
  counted: string
  proven: string
}

/** How many cases proved anything, and how many each fault. */
export interface Learnt {
  cases: number
  proven: Record<string, number>
}

/** stands for: whatever it proved */
const any = ''
const monthOf = (day: Date) => day.toISOString().slice(0, 7)
const longAgo = new Date('1000-01-01')
const beginning = (day: Date) => new Date(`${monthOf(day)}-01T00:00:00.000Z`)
const faultsOf = (proven: string) => (proven === '' ? [] : [any, ...proven.split(' ')])

/**
 * Brings the counts to what cases prove now. Whoever calls holds the cases' rows and writes what is proved as counted in the same transaction:
 * so nothing is counted twice or left out, whoever interrupts.
 */
export async function count(tx: Transaction, list: readonly Proving[]): Promise<void> {
  await counted(tx, list)
}

/** The statement that does, null where nothing changes. */
export function counted(tx: Pick<Database, 'insert'>, list: readonly Proving[]) {
  const changes = new Map<string, { system: string; month: string; fault: string; cases: number }>()
  for (const { system, openedAt, counted, proven } of list) {
    if (counted === proven) continue
    const month = monthOf(openedAt)
    const add = (fault: string, cases: number) => {
      const key = `${system} ${month} ${fault}`
      changes.set(key, { system, month, fault, cases: (changes.get(key)?.cases ?? 0) + cases })
    }
    for (const fault of faultsOf(counted)) add(fault, -1)
    for (const fault of faultsOf(proven)) add(fault, 1)
  }
  // in one order, so that two who count wait for each other and never both
  const rows = [...changes.entries()].filter(([, one]) => one.cases !== 0).sort(([one], [other]) => (one < other ? -1 : 1))
  if (rows.length === 0) return null
  return tx
    .insert(learnt)
    .values(rows.map(([, one]) => one))
    .onDuplicateKeyUpdate({ set: { cases: sql`${learnt.cases} + values(${learnt.cases})` } })
}

/** What cases of a kind of boiler proved that were opened before a moment: whole months from the counts, its own month from an index. */
export async function learntBefore(database: Pick<Database, 'select'>, system: string, moment: Date): Promise<Learnt> {
  const months = await database
    .select({ fault: learnt.fault, cases: sum(learnt.cases).mapWith(Number) })
    .from(learnt)
    .where(and(eq(learnt.system, system), lt(learnt.month, monthOf(moment))))
    .groupBy(learnt.fault)
  const found: Learnt = { cases: 0, proven: {} }
  for (const one of months) add(found, [one.fault], one.cases)
  for (const one of await provenWithin(database, system, beginning(moment), moment)) add(found, faultsOf(one.proven), one.times)
  return found
}

/** The same read from the cases themselves: as long as they are not all counted. */
export async function readBefore(database: Pick<Database, 'select'>, system: string, moment: Date): Promise<Learnt> {
  const found: Learnt = { cases: 0, proven: {} }
  for (const one of await provenWithin(database, system, longAgo, moment)) add(found, faultsOf(one.proven), one.times)
  return found
}

/** One index answers it: no journal, no summary of any case is read. */
function provenWithin(database: Pick<Database, 'select'>, system: string, from: Date, until: Date): Promise<{ proven: string; times: number }[]> {
  return database
    .select({ proven: cases.proven, times: sql<number>`count(*)`.mapWith(Number) })
    .from(cases)
    .where(and(eq(cases.system, system), gte(cases.openedAt, from), lt(cases.openedAt, until), ne(cases.proven, '')))
    .groupBy(cases.proven)
    .orderBy(asc(cases.proven))
}

function add(found: Learnt, faults: readonly string[], times: number): void {
  if (times === 0) return
  for (const fault of faults) {
    if (fault === any) found.cases += times
    else found.proven[fault] = (found.proven[fault] ?? 0) + times
  }
}
