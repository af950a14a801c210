import { isInstant } from './calendar.ts'

/**
 * The order of a journal, kept by a hybrid logical clock: the writer's time, pushed on by whatever it had seen. So what was written after
 * something seen sorts after it, however wrong anybody's clock is, and entries nobody had seen of each other sort by time.
 *
 * Twelve hexadecimal digits of milliseconds since 1970, a hyphen, four digits of a counter; sorts as text.
 * Source: Kulkarni, Demirbas, Madappa, Avva, Leone, "Logical Physical Clocks and Consistent Snapshots in Globally Distributed Databases", 2014.
 */
export type Clock = string

/** What a clock looks like. */
export const clockPattern = /^[0-9a-f]{12}-[0-9a-f]{4}$/

/** the end of the year 9999, ms: leaves room to go on from the latest clock anybody may send */
const latestMoment = 253_402_300_799_999
const lastCount = 0xffff

/** Whether a text is a clock that others can go on from. */
export function isClock(text: string): boolean {
  return clockPattern.test(text) && momentOf(text) <= latestMoment
}

/** The milliseconds since 1970 a clock stands at: never before the writer's own time. */
function momentOf(clock: Clock): number {
  return parseInt(clock.slice(0, 12), 16)
}

/**
 * The clock at a moment, nothing seen before.
 *
 * @param milliseconds since 1970; what lies outside 1970 to 9999 is taken to the nearer end
 */
export function clockAt(milliseconds: number): Clock {
  return written(Math.min(latestMoment, Math.max(0, Math.floor(milliseconds))), 0)
}

/**
 * The clock of what is written at a moment after the latest thing seen.
 *
 * @param seen the latest clock known of the journal, or null for the first entry
 * @param milliseconds the writer's own time since 1970
 */
export function clockAfter(seen: Clock | null, milliseconds: number): Clock {
  const own = clockAt(milliseconds)
  if (seen === null || own > seen) return own
  const count = parseInt(seen.slice(13), 16)
  return count < lastCount ? written(momentOf(seen), count + 1) : written(momentOf(seen) + 1, 0)
}

/** The clock of an entry; one written before there were clocks stands at its own time, and where that cannot be read, at the time in its id. */
export function clockOf({ clock, at, id }: { clock?: Clock; at: string; id: string }): Clock {
  if (clock !== undefined) return clock
  // a UUID of version 7 begins with its milliseconds. Source: RFC 9562, 5.7
  return clockAt(isInstant(at) ? Date.parse(at) : parseInt(id.slice(0, 8) + id.slice(9, 13), 16) || 0)
}

/** The latest clock of a journal, or null for an empty one. */
export function latestClock(entries: readonly { clock?: Clock; at: string; id: string }[]): Clock | null {
  let latest: Clock | null = null
  for (const entry of entries) {
    const clock = clockOf(entry)
    if (latest === null || clock > latest) latest = clock
  }
  return latest
}

function written(milliseconds: number, count: number): Clock {
  return `${milliseconds.toString(16).padStart(12, '0')}-${count.toString(16).padStart(4, '0')}`
}
