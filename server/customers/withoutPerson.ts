import type { Entry, EntryType, Payload } from '@dewpoint/core/casebook'

/** What stands where something personal stood. */
export const erased = '(erased)'

type Fields = { [T in EntryType]?: Partial<Record<keyof Payload<T>, 'gone' | unknown>> }

/** Of each type of entry what tells of a person: taken out, or what stands there instead. Everything an engineer measured stays. */
const personal: Fields = {
  complaint: { words: 'gone' },
  said: { words: erased, by: 'gone' },
  booking: { vulnerable: 'gone', contact: 'gone', phone: 'gone', note: 'gone' },
  history: { note: 'gone', followedBy: 'gone' },
  action: { note: 'gone' },
  reading: { note: 'gone' },
  finding: { note: 'gone' },
  repair: { note: 'gone' },
  advice: { note: 'gone' },
  step: { note: 'gone' },
  photo: { caption: 'gone' },
  wording: { text: '' },
  signature: { name: erased, strokes: [], width: 'gone', height: 'gone' },
}

/**
 * An entry without the person: fields that tell of one are emptied, and what is known of them (name, address, number) is taken out of every other
 * text. Readings, repairs and times stay; an engineer's own signature too.
 *
 * @param known texts that tell who it is
 */
export function withoutPerson<E extends Entry>(entry: E, known: readonly string[]): E {
  if (entry.type === 'signature' && entry.payload.by === 'engineer') return entry
  const payload = Object.fromEntries(
    Object.entries(entry.payload).flatMap(([key, value]: [string, unknown]) => {
      const instead = (personal[entry.type] as Record<string, unknown> | undefined)?.[key]
      if (instead === 'gone') return []
      return [[key, instead === undefined ? cleaned(value, known) : instead]]
    }),
  )
  return { ...entry, payload } as E
}

/** Something with every text of it cleaned of what is known of a person. */
function cleaned(value: unknown, known: readonly string[]): unknown {
  if (typeof value === 'string') return known.reduce((text, one) => without(text, one), value)
  if (Array.isArray(value)) return value.map((one) => cleaned(one, known))
  if (typeof value === 'object' && value !== null) return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, cleaned(one, known)]))
  return value
}

/** shorter words stand in too much that is nobody's */
const leastLetters = 4

function without(text: string, known: string): string {
  if (known.length < leastLetters) return text
  const [lower, wanted] = [text.toLowerCase(), known.toLowerCase()]
  // letters that change their number in lower case would shift the places
  if (lower.length !== text.length) return lower.includes(wanted) ? erased : text
  let out = ''
  let from = 0
  for (let at = lower.indexOf(wanted); at >= 0; at = lower.indexOf(wanted, from)) {
    out += text.slice(from, at) + erased
    from = at + wanted.length
  }
  return out + text.slice(from)
}
