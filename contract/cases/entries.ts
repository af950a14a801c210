import { outOfBounds, parseEntry, type Bounds, type Entry, type FieldProblem, type Parsed } from '@dewpoint/core/casebook'

/** entries in one append */
export const mostEntries = 100
/** entries one case can hold: some twenty times what a long one has */
export const longestJournal = 4000
const mostProblems = 20
const appendBounds: Bounds = { depth: 12, values: 40_000, text: 2000, list: 400, fields: 40 }

/** What a journal has beyond a position the reader knew. */
export interface News {
  /** in the order of the journal */
  entries: Entry[]
  /** when the server received each of them, ISO 8601, by id */
  received: Record<string, string>
  /** how far the journal goes: the number of its entries the server holds */
  position: number
}

/** What the server answers to an append: what it keeps, and what the journal has beyond what the client knew. */
export interface AppendResult extends News {
  /** ids of the entries sent that the server holds as they were sent */
  kept: string[]
  /** entries that were there already with other content: the first stays */
  conflicts: Entry[]
}

/** What a client sends to add to a journal. */
export interface Append {
  entries: Entry[]
  /** how far the client knows the journal; without it nothing new is told */
  since?: number
}

/** Reads an append, each problem, the first twenty, named with its place. */
export function readAppend(input: unknown): Parsed<Append> {
  const large = outOfBounds(input ?? {}, appendBounds)
  if (large) return { ok: false, problems: [large] }
  const { entries: list, since, ...rest } = (typeof input === 'object' && input !== null ? input : {}) as Record<string, unknown>
  const problems: FieldProblem[] = Object.keys(rest).map((field) => ({ field, message: `${field} is not known here: entries and since are` }))
  if (!Array.isArray(list) || list.length === 0 || list.length > mostEntries)
    problems.push({ field: 'entries', message: `entries must be a list of 1 to ${mostEntries} journal entries` })
  if (since !== undefined && (!Number.isInteger(since) || (since as number) < 0))
    problems.push({ field: 'since', message: 'since must be a whole number, 0 or more' })
  const entries: Entry[] = []
  for (const [index, one] of (Array.isArray(list) ? list : []).entries()) {
    if (problems.length >= mostProblems) break
    const parsed = parseEntry(one, `entries[${index}]`)
    if (parsed.ok) entries.push(parsed.value)
    else problems.push(...parsed.problems)
  }
  return problems.length > 0
    ? { ok: false, problems: problems.slice(0, mostProblems) }
    : { ok: true, value: { entries, ...(since !== undefined && { since: since as number }) } }
}
