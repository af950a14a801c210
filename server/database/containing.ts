import { folded } from '@dewpoint/contract'

/** The pattern of LIKE for folded texts that contain some words as they are typed; undefined for none. */
export function containing(words: string): string | undefined {
  return words === '' ? undefined : `%${folded(words).replace(/[\\%_]/g, '\\$&')}%`
}

/** Texts as they are searched, in one column of so many characters. Never empty: an empty column is one that is not folded yet. */
export function searchable(length: number, ...texts: string[]): string {
  return [...`|${folded(texts.join(' '))}`].slice(0, length).join('')
}
