/**
 * Days and times of a report, in a firm's time zone: "Tue 24 Nov 2026", "14:05". A day of the calendar is the same day everywhere.
 *
 * @param timeZone IANA name
 */
export function reportTimes(timeZone: string): { day: (iso: string) => string; clock: (iso: string) => string } {
  const dayIn = (zone: string) => new Intl.DateTimeFormat('en-GB', { timeZone: zone, weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' })
  const here = dayIn(timeZone)
  const anywhere = dayIn('UTC')
  const hours = new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit', minute: '2-digit', hourCycle: 'h23' })
  const read = (iso: string, by: Intl.DateTimeFormat) => {
    const time = new Date(iso)
    return Number.isNaN(time.getTime()) ? 'time unreadable' : by.format(time).replace(',', '')
  }
  return { day: (iso) => read(iso, /^\d{4}-\d{2}-\d{2}$/.test(iso) ? anywhere : here), clock: (iso) => read(iso, hours) }
}
