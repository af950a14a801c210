/** How large a thing from outside may be, whatever it is. */
export interface Bounds {
  /** levels of objects and lists within each other */
  depth: number
  /** values in all, objects and lists among them */
  values: number
  /** characters of a text */
  text: number
  /** members of a list */
  list: number
  /** fields of an object */
  fields: number
}

/** One journal entry. */
export const entryBounds: Bounds = { depth: 8, values: 4000, text: 2000, list: 400, fields: 40 }

/** no reading or price is larger, in any unit; what is no number at all is told at its field */
const largest = 1e12

/**
 * What is too large, too deep or no text at all in a value from outside, in words; null where nothing is.
 * Stops at the first thing found, so it takes time in proportion to what may pass, not to what was sent.
 */
export function outOfBounds(value: unknown, bounds: Bounds): { field: string; message: string } | null {
  let left = bounds.values
  const visit = (one: unknown, path: string, depth: number): { field: string; message: string } | null => {
    const found = (message: string) => ({ field: path, message: `${path || 'the whole'} ${message}` })
    if (one === undefined && path === '') return found('is missing')
    if (--left < 0) return found(`is too much: at most ${bounds.values} values can be taken at a time`)
    if (typeof one === 'string') {
      if (one.length > bounds.text) return found(`is ${one.length} characters long: at most ${bounds.text}`)
      return isText(one) ? null : found('holds characters that are not text: type it again')
    }
    if (typeof one === 'number') return Number.isNaN(one) || Math.abs(one) <= largest ? null : found('is too large a number for anything here')
    if (typeof one !== 'object' || one === null) return null
    if (depth >= bounds.depth) return found(`is nested too deep: at most ${bounds.depth} levels`)
    if (Array.isArray(one)) {
      if (one.length > bounds.list) return found(`has ${one.length} members: at most ${bounds.list}`)
      for (let index = 0; index < one.length; index++) {
        const inside = visit(one[index], `${path}[${index}]`, depth + 1)
        if (inside) return inside
      }
      return null
    }
    let fields = 0
    for (const key in one) {
      if (++fields > bounds.fields) return found(`has too many fields: at most ${bounds.fields}`)
      if (key.length > 120 || !isText(key)) return found('has a field without a proper name')
      const inside = visit((one as Record<string, unknown>)[key], path === '' ? key : `${path}.${key}`, depth + 1)
      if (inside) return inside
    }
    return null
  }
  return visit(value, '', 0)
}

/** Text that every store and screen can hold: no NUL, no half of a surrogate pair. */
function isText(text: string): boolean {
  for (let index = 0; index < text.length; index++) {
    const code = text.charCodeAt(index)
    if (code === 0) return false
    if (code < 0xd800 || code > 0xdfff) continue
    const next = text.charCodeAt(index + 1)
    if (code > 0xdbff || !(next >= 0xdc00 && next <= 0xdfff)) return false
    index++
  }
  return true
}
