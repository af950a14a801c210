import { folded } from '@dewpoint/contract'
import { like, or, sql, type Column, type SQL } from 'drizzle-orm'

/** The pattern of LIKE for folded texts that contain some words as they are typed; undefined for none. */
function containing(words: string): string | undefined {
  return words === '' ? undefined : `%${folded(words).replace(/[\\%_]/g, '\\$&')}%`
}

/** a telephone number, or a stretch of one, as somebody types it */
const telephone = /^[\d\s+()/.-]*\d[\d\s+()/.-]*\d[\d\s+()/.-]*\d[\d\s+()/.-]*$/

/** The figures of a telephone number: whoever searches need not type its spaces. */
export const figuresOf = (phone: string): string => phone.replace(/\D/g, '')

/** The patterns of LIKE, any of which will do: the words as they are typed, and of a telephone number its figures alone. */
export function patternsOf(words: string): string[] {
  const typed = containing(words)
  if (typed === undefined) return []
  return telephone.test(words) && figuresOf(words) !== words ? [typed, `%${figuresOf(words)}%`] : [typed]
}

/**
 * Whether a folded text has the words that are searched for; undefined, which asks nothing, for none. It is looked through byte by byte, which in
 * UTF-8 finds the same and takes MariaDB half the time. Source of that no character's bytes begin within another: RFC 3629, 1.
 */
export function hasWords(searched: Column, words: string): SQL | undefined {
  return or(...patternsOf(words).map((one) => like(sql`convert(${searched} using binary)`, one)))
}

/** Texts as they are searched, in one column of so many characters. Never empty: an empty column is one that is not folded yet. */
export function searchable(length: number, ...texts: string[]): string {
  return [...`|${folded(texts.join(' '))}`].slice(0, length).join('')
}
