import type { Payload } from '@dewpoint/core/casebook'
import { standing, type Entry } from '@dewpoint/core/casebook'
import { hoursFrom, readWhen, type GaugeReading, type PressureSeries, type TopUp, type WatchLine } from '@dewpoint/core/pressure'
import { convert, dimensionOf, isUnit } from '@dewpoint/core/quantity'
import { momentTyped, wallClock } from '../../../shared/times.ts'

/** A line of the watch; `kept` where it stands in a case, and is changed only there. */
export interface Line extends WatchLine {
  kept?: true
}

const checks: Record<string, 'cold' | 'hot'> = { 'look.gaugeCold': 'cold', 'look.gaugeHot': 'hot', 'display.pressure': 'cold' }
const barOf = (value: number | undefined, unit = '') =>
  value !== undefined && isUnit(unit) && dimensionOf(unit) === 'pressure' ? convert(value, unit, 'bar') : null

/** What a journal says of the gauge: readings at their checks, readings told of, and water let in. */
export function linesOf(entries: readonly Entry[]): Line[] {
  const lines = standing([...entries]).flatMap((one): Line[] => {
    if (one.type === 'reading') {
      const kind = checks[one.payload.check]
      const bar = barOf(one.payload.value, one.payload.unit)
      return kind && bar !== null ? [{ when: wallClock(one.at), bar, kind, kept: true }] : []
    }
    if (one.type !== 'history' || (one.payload.event !== 'gaugeReading' && one.payload.event !== 'topUp')) return []
    const bar = barOf(one.payload.value, one.payload.unit)
    const kind = one.payload.event === 'topUp' ? 'topUp' : (one.payload.state ?? 'cold')
    if (bar === null && kind !== 'topUp') return []
    const { loopOff, heating } = one.payload
    return [{ when: wallClock(one.payload.on), bar, kind, kept: true, ...(loopOff && { loopOff: true }), ...(heating && { heating }) }]
  })
  return merged(lines)
}

/** In the order of time; of two at one minute and of one kind the first. */
export function merged(...lists: readonly (readonly Line[])[]): Line[] {
  const known = new Map<string, Line>()
  for (const line of lists.flat()) {
    const key = `${line.when} ${line.kind === 'topUp'}`
    if (!known.has(key)) known.set(key, line)
  }
  return [...known.values()].sort((one, other) => (one.when < other.when ? -1 : one.when > other.when ? 1 : one.kind === 'topUp' ? 1 : -1))
}

/** A line as a case keeps it. */
export function eventOf({ when, bar, kind, loopOff, heating }: Line): Payload<'history'> {
  const on = momentTyped(when.slice(0, 10), when.slice(11)) ?? when.slice(0, 10)
  const value = bar === null ? {} : { value: Number(bar.toFixed(3)), unit: 'bar' }
  if (kind === 'topUp') return { event: 'topUp', on, ...value }
  return { event: 'gaugeReading', on, ...value, state: kind, ...(loopOff && { loopOff }), ...(heating && { heating }) }
}

/** The lines as a series on a clock of their own, which begins at midnight of the first day. */
export function seriesOf(lines: readonly Line[], rest: Omit<PressureSeries, 'readings' | 'topUps'>): { series: PressureSeries; midnight: string } {
  const { midnight, hours } = hoursFrom(lines.map(({ when }) => when))
  const readings: GaugeReading[] = []
  const topUps: TopUp[] = []
  lines.forEach(({ kind, bar, loopOff, heating }, index) => {
    const at = hours[index]!
    if (kind === 'topUp') topUps.push({ at, to: bar })
    else if (bar !== null) readings.push({ at, bar, state: kind, ...(loopOff && { loopOff }), ...(heating && { heating }) })
  })
  return { series: { ...rest, readings, topUps }, midnight }
}

const letters = { cold: 'c', hot: 'h', topUp: 't' } as const
/** most lines an address carries */
const most = 80

/** The lines as an address carries them: 202611160730c1.45, with o where the loop was off, n and f where the heating was on or off since. */
export function asLink(lines: readonly Line[]): string {
  if (lines.length > most) return ''
  return lines
    .map(({ when, bar, kind, loopOff, heating }) =>
      [
        when.replace(/\D/g, ''),
        letters[kind],
        bar === null ? '' : String(Number(bar.toFixed(2))),
        loopOff ? 'o' : '',
        heating === 'on' ? 'n' : heating === 'off' ? 'f' : '',
      ].join(''),
    )
    .join('_')
}

/** Lines from an address; what is none is left out. */
export function fromLink(text: string): Line[] {
  return merged(
    text
      .slice(0, 4000)
      .split('_')
      .slice(0, most)
      .flatMap((part): Line[] => {
        const found = /^(\d{4})(\d{2})(\d{2})(\d{2})(\d{2})([cht])(\d(?:\.\d{1,2})?)?(o)?([nf])?$/.exec(part)
        if (!found) return []
        const [, year, month, day, hour, minute, letter, bar, off, ran] = found
        const when = readWhen(`${year}-${month}-${day} ${hour}:${minute}`)
        const kind = letter === 'c' ? 'cold' : letter === 'h' ? 'hot' : 'topUp'
        if (when === null || (bar === undefined && kind !== 'topUp') || Number(bar ?? 0) > 6) return []
        return [{ when, bar: bar === undefined ? null : Number(bar), kind, ...(off && { loopOff: true }), ...(ran && { heating: ran === 'n' ? 'on' : 'off' }) }]
      }),
  )
}
