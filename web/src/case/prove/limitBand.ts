/** Where a limit and a value stand on a line, in hundredths of it. */
interface Band {
  from: number
  to: number
  /** null where nothing was measured */
  at: number | null
}

/**
 * Lays a limit out on a line that has room on either side of it, and a value on the same line; a value far off stands at its end.
 *
 * @param low of the limit; null for none, which is the line's own beginning
 * @param high of the limit; null for none, which is its end
 */
export function bandOf(low: number | null, high: number | null, value: number | null): Band {
  // a limit with one end has as much room beyond it as lies on this side
  const width = low !== null && high !== null ? high - low : Math.abs(high ?? low ?? 1)
  const room = width > 0 ? width : Math.max(Math.abs(high ?? 0) * 0.1, 1)
  const first = low !== null ? low - room : high !== null && high > 0 ? 0 : (high ?? 0) - room
  const last = high !== null ? high + room : (low ?? 0) + room
  const place = (one: number) => Math.min(100, Math.max(0, ((one - first) / (last - first)) * 100))
  return { from: low === null ? 0 : place(low), to: high === null ? 100 : place(high), at: value === null ? null : place(value) }
}
