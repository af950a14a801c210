import type { Entry, EntryOf } from '../../casebook/index.ts'
import { convert, dimensionOf, isUnit } from '../../quantity/index.ts'
import type { Check } from '../catalogue/index.ts'

type Past = EntryOf<'history'>

/** What dated events say, as the answer to a check of the catalogue. */
interface HistoryAnswer {
  answers: NonNullable<Check['answeredBy']>
  entry: string
  outcome?: string
  value?: number
}

const day = 86_400_000
const hour = 3_600_000
/** a day is told without hour and zone: where it begins first, it begins this long before it does in UTC */
const furthestZone = 14 * hour
const timeOf = ({ payload }: Past) => Date.parse(payload.on)

/** More than three in a year is more than is normal. Common practice */
const normalTopUps = 3

/**
 * Top-ups in the year before the latest of them.
 *
 * @param entries those that stand
 */
export function topUpsPerYear(entries: readonly Entry[]): { times: number; entries: string[] } {
  const all = past(entries, 'topUp')
  const latest = Math.max(...all.map(timeOf))
  const within = all.filter((one) => timeOf(one) > latest - 365 * day)
  return { times: within.length, entries: within.map((one) => one.id) }
}

/**
 * What the past says of the present: each stretch of it as the answer to a check that asks the same, by the entries that stand.
 *
 * - top-ups: more than three within a year;
 * - two readings of the gauge within two days of each other, nothing put in between: the change of a night of twelve hours;
 * - a code that came back, by what the display showed;
 * - work within the half year before the first entry of the case.
 */
export function historyAnswers(entries: readonly Entry[]): HistoryAnswer[] {
  const answers: HistoryAnswer[] = []
  const { times, entries: topUps } = topUpsPerYear(entries)
  if (times > 0) answers.push({ answers: 'topUps', entry: topUps.at(-1)!, outcome: times > normalTopUps ? 'yes' : 'no' })
  answers.push(...overnight(entries))
  const opened = Math.min(...entries.filter((one) => one.type === 'complaint').map((one) => Date.parse(one.at)))
  const recent = (one: Past) => timeOf(one) > opened - 180 * day && timeOf(one) <= opened + furthestZone
  const work = [...past(entries, 'repair'), ...past(entries, 'visit')].find(recent)
  if (work) answers.push({ answers: 'recentWork', entry: work.id, outcome: 'yes' })
  for (const one of past(entries, 'codeReturned')) answers.push({ answers: 'codeReturned', entry: one.id, outcome: one.payload.note ?? '' })
  return answers
}

/** An installation of the last year points at how it was put in. */
export function knownBackground(entries: readonly Entry[]): Set<string> {
  const opened = Math.min(...entries.map((one) => Date.parse(one.at)))
  return new Set(past(entries, 'installation').some((one) => timeOf(one) > opened - 365 * day) ? ['poorInstallation'] : [])
}

/** Gauge readings hours apart with no top-up between them, as the change of twelve hours, bar. */
function overnight(entries: readonly Entry[]): HistoryAnswer[] {
  const gauge = past(entries, 'gaugeReading').sort((a, b) => timeOf(a) - timeOf(b))
  const filled = past(entries, 'topUp').map(timeOf)
  const answers: HistoryAnswer[] = []
  for (let index = 1; index < gauge.length; index++) {
    const [before, after] = [gauge[index - 1]!, gauge[index]!]
    const [from, to] = [barOf(before), barOf(after)]
    const hours = (timeOf(after) - timeOf(before)) / hour
    if (from === null || to === null || hours < 6 || hours > 48 || filled.some((time) => time >= timeOf(before) && time <= timeOf(after))) continue
    answers.push({ answers: 'overnightChange', entry: after.id, value: ((to - from) * 12) / hours })
  }
  return answers
}

function barOf({ payload: { value, unit = '' } }: Past): number | null {
  if (value === undefined || !isUnit(unit) || dimensionOf(unit) !== dimensionOf('bar')) return null
  return convert(value, unit, 'bar')
}

function past(entries: readonly Entry[], event: Past['payload']['event']): Past[] {
  return entries.filter((entry): entry is Past => entry.type === 'history' && entry.payload.event === event)
}
