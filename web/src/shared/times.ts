import { tz, TZDate } from '@date-fns/tz'
import { format, formatDistanceToNowStrict } from 'date-fns'
import { ref } from 'vue'
import { recall, remember } from '../keeping/device/storage.ts'

const key = 'dewpoint.timeZone'
const deviceZone = () => Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC'

/** The time zone days and times are shown and typed in: the firm's, and before it said, this device's. */
export const zone = ref(recall(key) ?? deviceZone())

/** Takes over the firm's time zone, for now and for the next start without the server. */
export function setZone(name: string): void {
  zone.value = name
  remember(key, name)
}

/** a time that an older version let pass and that is none */
const none = 'time unreadable'

/** a day of the calendar, such as that of a top-up, is the same day everywhere */
const zoneOf = (iso: string) => (/^\d{4}-\d{2}-\d{2}$/.test(iso) ? 'UTC' : zone.value)

const written = (iso: string, pattern: string) => {
  const time = new Date(iso)
  return Number.isNaN(time.getTime()) ? none : format(time, pattern, { in: tz(zoneOf(iso)) })
}

/** two clocks that differ by less than this agree, ms */
const now = 10_000
/** "12 minutes ago", "just now". */
export function ago(iso: string): string {
  const moment = Date.parse(iso)
  if (Number.isNaN(moment)) return none
  return Math.abs(Date.now() - moment) < now ? 'just now' : formatDistanceToNowStrict(moment, { addSuffix: true })
}

/** The exact time, for hovering. */
export const exactly = (iso: string) => written(iso, 'EEEE d MMMM yyyy, HH:mm:ss')

/** "Tue 24 Nov", with the year where it is not this one. */
export const day = (iso: string) => written(iso, sameYear(iso) ? 'EEE d MMM' : 'EEE d MMM yyyy')

/** "May 2014": of what stays for years nobody asks the day. */
export const month = (iso: string) => written(iso, 'MMMM yyyy')

/** "14:05". */
export const clock = (iso: string) => written(iso, 'HH:mm')

/**
 * The moment somebody typed in the firm's time zone, ISO 8601; null where the clocks went forward over it or it is no time at all.
 * Of an hour that came twice, the first is taken.
 */
export function momentTyped(dayText: string, timeText: string): string | null {
  const [year, month, date] = dayText.split('-').map(Number)
  const [hour, minute] = timeText.split(':').map(Number)
  if (![year, month, date, hour, minute].every(Number.isInteger)) return null
  const typed = new TZDate(year!, month! - 1, date!, hour!, minute!, zone.value)
  if (Number.isNaN(typed.getTime())) return null
  const reads = (time: Date) => format(time, 'yyyy-MM-dd HH:mm', { in: tz(zone.value) })
  if (reads(typed) !== `${dayText} ${timeText}`) return null
  for (const minutes of [60, 30]) {
    const earlier = new Date(typed.getTime() - minutes * 60_000)
    if (reads(earlier) === reads(typed)) return earlier.toISOString()
  }
  return new Date(typed.getTime()).toISOString()
}

function sameYear(iso: string): boolean {
  return written(iso, 'yyyy') === written(new Date().toISOString(), 'yyyy')
}

/** A moment as the wall clock of the firm's time zone shows it, YYYY-MM-DDTHH:MM; of a day alone, seven in the morning. */
export const wallClock = (iso: string): string => (/^\d{4}-\d{2}-\d{2}$/.test(iso) ? `${iso}T07:00` : written(iso, "yyyy-MM-dd'T'HH:mm"))

/** Now, on that clock. */
export const wallNow = (): string => wallClock(new Date().toISOString())

/** A time of that clock in words: "Tue 24 Nov", and "14:05". */
export const wallDay = (wall: string): string => day(wall.slice(0, 10))
export const wallTime = (wall: string): string => wall.slice(11, 16)
