import { isInstant, outOfBounds, type Parsed } from '@dewpoint/core/casebook'

/** A text as it is searched: without case and accents, so that "kase" finds "Käse". */
export function folded(text: string): string {
  return text.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase()
}

/** What part of a list is asked for. */
export interface ListQuery<After> {
  /** words that must occur in it */
  search: string
  limit: number
  /** the last line already known; null from the beginning */
  after: After | null
}

const most = 100
const usual = 50

/** Reads what part of a list is asked for: `search`, `limit` and `after`, each at most once. */
export function readListQuery<After>(input: unknown, readAfter: (text: string) => After | null): Parsed<ListQuery<After>> {
  const large = outOfBounds(input, { depth: 1, values: 6, text: 500, list: 0, fields: 4 })
  if (large) return { ok: false, problems: [large] }
  const { search = '', limit = String(usual), after, ...rest } = (input ?? {}) as Record<string, unknown>
  const wrong = (field: string, message: string): Parsed<never> => ({ ok: false, problems: [{ field, message }] })
  for (const field of Object.keys(rest)) return wrong(field, `${field} is not known here: search, limit and after are`)
  if (typeof search !== 'string' || search.length > 80) return wrong('search', 'search must be a text of at most 80 characters')
  if (typeof limit !== 'string' || !/^\d{1,3}$/.test(limit) || Number(limit) < 1 || Number(limit) > most)
    return wrong('limit', `limit must be a number from 1 to ${most}`)
  const known = typeof after === 'string' ? readAfter(after) : null
  if (after !== undefined && known === null) return wrong('after', 'after must be what the previous list gave as next')
  return { ok: true, value: { search: search.trim(), limit: Number(limit), after: known } }
}

/** Where a list of cases goes on: a moment and an id. */
export interface CaseCursor {
  openedAt: string
  id: string
}

/** A place in the list of cases, as text. */
export const caseCursor = ({ openedAt, id }: CaseCursor): string => `${openedAt}_${id}`

/** Reads a place in the list of cases. */
export function readCaseCursor(text: string): CaseCursor | null {
  const [openedAt = '', id = ''] = text.split('_')
  return isInstant(openedAt) && /^[0-9a-f-]{36}$/.test(id) ? { openedAt, id } : null
}

/** Where a list of sites goes on: a name and an id. */
export interface SiteCursor {
  name: string
  id: string
}

/** A place in the list of sites, as text. */
export const siteCursor = ({ name, id }: SiteCursor): string => `${id}_${name}`

/** Reads a place in the list of sites. */
export function readSiteCursor(text: string): SiteCursor | null {
  const [id, name] = [text.slice(0, 36), text.slice(37)]
  return /^[0-9a-f-]{36}$/.test(id) && text[36] === '_' && name !== '' ? { name, id } : null
}
