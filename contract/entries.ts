import { parseEntry, type Entry, type FieldProblem, type Parsed } from '@dewpoint/core/casebook'

/** What the server answers to an append: the whole journal as it now stands, and what it refused. */
export interface AppendResult {
  entries: Entry[]
  /** ids that were there already with other content */
  conflicts: string[]
}

/** Reads the entries of an append, each problem named with its place. */
export function parseEntries(input: unknown): Parsed<Entry[]> {
  const list = typeof input === 'object' && input !== null && 'entries' in input ? input.entries : undefined
  if (!Array.isArray(list) || list.length === 0 || list.length > 500) {
    return { ok: false, problems: [{ field: 'entries', message: 'entries must be a list of 1 to 500 journal entries' }] }
  }
  const entries: Entry[] = []
  const problems: FieldProblem[] = []
  list.forEach((one, index) => {
    const parsed = parseEntry(one, `entries[${index}]`)
    if (parsed.ok) entries.push(parsed.value)
    else problems.push(...parsed.problems)
  })
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: entries }
}
