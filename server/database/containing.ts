/** The pattern of LIKE for texts that contain some words as they are typed; undefined for none. */
export function containing(words: string): string | undefined {
  return words === '' ? undefined : `%${words.replace(/[\\%_]/g, '\\$&')}%`
}
