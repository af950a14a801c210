/** A line of a table of gauge readings. */
export interface WatchLine {
  /** wall clock, YYYY-MM-DDTHH:MM */
  when: string
  /** what the gauge showed, bar; of a top-up afterwards, null where nobody noted it */
  bar: number | null
  kind: 'cold' | 'hot' | 'topUp'
  loopOff?: boolean
  heating?: 'off' | 'on'
}

/** What is wrong with a table of readings, and where. */
export interface WatchProblem {
  /** line of the text, from 1; 0 where the whole is meant */
  line: number
  column: string
  says: string
}

/** lines a table may have: some three years of one a day */
const most = 1100

const headings = {
  when: /date|time|when|day/i,
  bar: /bar|pressure|gauge|psi/i,
  kind: /heating|hot|cold|state|kind|what/i,
} as const

/**
 * Reads a table of gauge readings: when, bar, and whether the heating was on, off, or it was a top-up. Columns in the order their headings name,
 * else in that order.
 *
 * @param rows cells of each line, already parted at the separators
 */
export function readWatchTable(rows: readonly (readonly string[])[]): { lines: WatchLine[]; problems: WatchProblem[] } {
  const problems: WatchProblem[] = []
  const say = (line: number, column: string, says: string) => void problems.push({ line, column, says })
  const first = rows.findIndex((row) => row.some((cell) => cell.trim() !== ''))
  if (first < 0)
    return {
      lines: [],
      problems: [{ line: 0, column: '', says: 'There is nothing in it. A line is a time, the pressure, and heating on or off: 2026-11-16 07:30; 1.45; off.' }],
    }
  const heading = rows[first]!.map((cell) => cell.trim())
  const headed = readWhen(heading[0] ?? '') === null && heading.every((cell) => readWhen(cell) === null)
  const place = (name: keyof typeof headings, otherwise: number) => (headed ? heading.findIndex((cell) => headings[name].test(cell)) : otherwise)
  const barAt = place('bar', 1)
  const whenAt = place('when', 0)
  const kindAt = headed ? heading.findIndex((cell, at) => at !== barAt && at !== whenAt && headings.kind.test(cell)) : 2
  if (whenAt < 0 || barAt < 0)
    return {
      lines: [],
      problems: [
        {
          line: first + 1,
          column: '',
          says: `No column is headed ${whenAt < 0 ? 'date' : 'bar'}: head them “date”, “bar” and “heating”, or leave the heading out.`,
        },
      ],
    }
  const psi = headed && /psi/i.test(heading[barAt]!)
  const lines: WatchLine[] = []
  const seen = new Map<string, number>()
  for (const [index, row] of rows.entries()) {
    if (index < first + (headed ? 1 : 0) || row.every((cell) => cell.trim() === '')) continue
    const line = index + 1
    if (lines.length >= most) {
      say(line, '', `Only the first ${most} lines are taken.`)
      break
    }
    const when = readWhen(row[whenAt] ?? '')
    const word = (kindAt >= 0 ? (row[kindAt] ?? '') : '').trim()
    const kind = kindOf(word)
    const cell = (row[barAt] ?? '').trim()
    const given = /^[-+]?\d{1,4}([.,]\d{0,4})?$/.test(cell) ? Number(cell.replace(',', '.')) : NaN
    const bar = psi ? given * 0.06894757 : given
    if (when === null) say(line, `column ${whenAt + 1}, date`, `“${cut(row[whenAt] ?? '')}” is no time: write 2026-11-16 07:30 or 16.11.2026 07:30.`)
    else if (kind === null) say(line, `column ${kindAt + 1}, heating`, `“${cut(word)}” is neither on, off nor topped up.`)
    else if (Number.isNaN(given) && !(kind === 'topUp' && cell === '')) say(line, `column ${barAt + 1}, bar`, `“${cut(cell)}” is no pressure.`)
    else if (bar < 0 || bar > 6) say(line, `column ${barAt + 1}, bar`, `${given} ${psi ? 'psi' : 'bar'} cannot be: 0 to 6 bar can.`)
    else if (seen.has(`${when} ${kind === 'topUp'}`))
      say(line, `column ${whenAt + 1}, date`, `That time stood in line ${seen.get(`${when} ${kind === 'topUp'}`)} already.`)
    else {
      seen.set(`${when} ${kind === 'topUp'}`, line)
      lines.push({ when, bar: Number.isNaN(given) ? null : bar, kind })
    }
  }
  return { lines: lines.sort((one, other) => (one.when < other.when ? -1 : 1)), problems }
}

const cut = (text: string) => (text.trim().length > 24 ? `${text.trim().slice(0, 24)}…` : text.trim())

/** Whether it was heating, not heating, or topped up; cold where nothing is said. */
function kindOf(word: string): WatchLine['kind'] | null {
  if (word === '' || /^(off|cold|no|0|out)$/i.test(word)) return 'cold'
  if (/^(on|hot|heating|yes|1)$/i.test(word)) return 'hot'
  return /^(top.?(ped)?.?up|filled|refill(ed)?)$/i.test(word) ? 'topUp' : null
}

/** A date and time of the wall clock of this century as people write them; null where it is none. */
export function readWhen(text: string): string | null {
  const typed = text.trim()
  const iso = /^(20\d{2})-(\d{1,2})-(\d{1,2})(?:[T ]+(\d{1,2})[:.](\d{2})(?::\d{2})?)?$/.exec(typed)
  const local = /^(\d{1,2})[./](\d{1,2})[./](20\d{2})(?:,? +(\d{1,2})[:.](\d{2}))?$/.exec(typed)
  const [year, month, day, hour = '7', minute = '0'] = iso ? iso.slice(1) : local ? [local[3], local[2], local[1], local[4], local[5]] : []
  if (year === undefined) return null
  const two = (part: string | undefined) => String(Number(part)).padStart(2, '0')
  const when = `${year}-${two(month)}-${two(day)}T${two(hour)}:${two(minute)}`
  // a day that is in no month, an hour that is in no day
  const at = Date.parse(`${when}:00Z`)
  return Number.isNaN(at) || new Date(at).toISOString().slice(0, 16) !== when ? null : when
}

/** Hours of the wall clock from midnight of the first day of a list, for each; summer time is left out of account. */
export function hoursFrom(times: readonly string[]): { midnight: string; hours: number[] } {
  const earliest = times.reduce((least, one) => (one < least ? one : least), times[0] ?? '2026-01-01T00:00')
  const midnight = `${earliest.slice(0, 10)}T00:00`
  const from = Date.parse(`${midnight}:00Z`)
  return { midnight, hours: times.map((one) => (Date.parse(`${one}:00Z`) - from) / 3_600_000) }
}

/** An hour of the wall clock since a midnight, as YYYY-MM-DDTHH:MM. */
export function whenOf(midnight: string, hours: number): string {
  return new Date(Date.parse(`${midnight}:00Z`) + Math.round(hours * 60) * 60_000).toISOString().slice(0, 16)
}
