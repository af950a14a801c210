import type { Entry } from './entry.ts'
import { inOrder } from './journal.ts'

/** two clocks that differ by less than this agree, ms. Common practice: phones and servers keep time to seconds */
const agreement = 5 * 60_000
/** a longer pause ends a visit, ms. Common practice: a part is fetched within the half day, the next morning is another visit */
const pause = 4 * 3_600_000

/** Why a time written with an entry cannot be true. */
export type TimeTrouble = 'ahead' | 'behind' | 'unreadable'

/**
 * Entries whose own time cannot be true: written later than the server received them (`ahead`), or against the order they were written in.
 * Where the order alone speaks, the largest number of entries that agree is believed.
 *
 * @param received when the server received an entry, ISO 8601, by its id; entries it has not received are missing
 */
export function untrueTimes(entries: readonly Entry[], received: Readonly<Record<string, string>> = {}): Map<string, TimeTrouble> {
  const untrue = new Map<string, TimeTrouble>()
  const timed: { id: string; at: number }[] = []
  for (const entry of inOrder(entries)) {
    const at = Date.parse(entry.at)
    const arrived = Date.parse(received[entry.id] ?? '')
    if (!Number.isFinite(at)) untrue.set(entry.id, 'unreadable')
    else if (at > arrived + agreement) untrue.set(entry.id, 'ahead')
    else timed.push({ id: entry.id, at })
  }
  const believed = longestRise(timed.map((one) => one.at))
  let next = 0
  for (const [index, { id, at }] of timed.entries()) {
    while (next < believed.length && believed[next]! < index) next++
    if (believed[next] === index) continue
    const before = believed[next - 1]
    untrue.set(id, before !== undefined && at < timed[before]!.at ? 'behind' : 'ahead')
  }
  return untrue
}

/**
 * Which visit each entry belongs to, by id: a pause of four hours begins another, whatever the day. Entries whose time cannot be true
 * belong to the visit they were written in.
 */
export function visitsOf(entries: readonly Entry[]): Map<string, string> {
  const untrue = untrueTimes(entries)
  const visits = new Map<string, string>()
  let count = 0
  let last: number | null = null
  for (const entry of inOrder(entries)) {
    if (!untrue.has(entry.id)) {
      const at = Date.parse(entry.at)
      if (last !== null && at - last > pause) count++
      last = Math.max(last ?? at, at)
    }
    visits.set(entry.id, String(count))
  }
  return visits
}

/** The indices of the longest part of a series that never falls by more than clocks may differ; of equals, the one that ends latest. */
function longestRise(series: readonly number[]): number[] {
  const length: number[] = []
  const from: number[] = []
  // the last index of the longest rise of each length, by the lowest value it ends with
  const ends: number[] = []
  for (let index = 0; index < series.length; index++) {
    const limit = series[index]! + agreement
    let low = 0
    let high = ends.length
    while (low < high) {
      const middle = (low + high) >> 1
      if (series[ends[middle]!]! <= limit) low = middle + 1
      else high = middle
    }
    length[index] = low + 1
    from[index] = low > 0 ? ends[low - 1]! : -1
    if (low === ends.length || series[index]! < series[ends[low]!]!) ends[low] = index
  }
  const most = Math.max(0, ...length)
  let at = -1
  for (let index = 0; index < series.length; index++) if (length[index] === most && (at < 0 || series[index]! > series[at]!)) at = index
  const found: number[] = []
  for (; at >= 0; at = from[at]!) found.push(at)
  return found.reverse()
}
