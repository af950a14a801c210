import { string } from 'yup'

const instantPattern = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}(\.\d{1,3})?Z$/
const dayPattern = /^\d{4}-\d{2}-\d{2}$/

/**
 * Whether a text is a moment that exists, in UTC: it reads back as it was written, so the 30th of February and the 25th hour are none.
 * Source: ISO 8601, the extended format with seconds.
 */
export function isInstant(text: string): boolean {
  if (!instantPattern.test(text)) return false
  const time = Date.parse(text)
  return Number.isFinite(time) && new Date(time).toISOString().slice(0, 19) === text.slice(0, 19)
}

/** Whether a text is a day of the calendar, like 2026-03-01. */
export function isDay(text: string): boolean {
  return dayPattern.test(text) && isInstant(`${text}T00:00:00Z`)
}

/** A moment in UTC. */
export const instant = () =>
  string()
    .max(24)
    .matches(instantPattern, { message: '${path} must be a time in UTC like 2026-03-01T09:30:00Z', excludeEmptyString: false })
    .test('exists', '${path} is no moment that exists: check day and hour', (text) => text === undefined || !instantPattern.test(text) || isInstant(text))

/** A day, or nothing where it is not known. */
export const dayOrNothing = () =>
  string()
    .max(10)
    .test('day', '${path} must be a day that exists, like 2019-05-01', (text) => text === undefined || text === '' || isDay(text))

/** A day, or a moment in UTC. */
export const dayOrInstant = () =>
  string()
    .max(24)
    .test('day', '${path} must be a day that exists, like 2026-03-01, or a time in UTC', (text) => text === undefined || isDay(text) || isInstant(text))
