import type { ApplianceHistory } from '@dewpoint/contract'
import { entriesOf, type Entry } from '@dewpoint/core/casebook'
import type { Catalogue } from '@dewpoint/core/diagnosis'
import { convert, dimensionOf, isUnit } from '@dewpoint/core/quantity'
import { entryLine } from '@dewpoint/trade/report'

/** A reading of the gauge, or a top-up, at its time. */
export interface PressurePoint {
  at: string
  kind: 'cold' | 'hot' | 'topUp'
  /** bar; of a top-up what it was filled to, null where nobody noted it */
  bar: number | null
}

const gauges: Record<string, 'cold' | 'hot'> = { 'look.gaugeCold': 'cold', 'look.gaugeHot': 'hot' }
const barOf = (value: number | undefined, unit: string | undefined) =>
  value !== undefined && unit !== undefined && isUnit(unit) && dimensionOf(unit) === dimensionOf('bar') ? convert(value, unit, 'bar') : null

/** What the gauge read and when water was let in, over all cases, in the order of time. */
export function pressureOf({ cases }: Pick<ApplianceHistory, 'cases'>): PressurePoint[] {
  const points = cases.flatMap(({ entries }) =>
    entries.flatMap((one): PressurePoint[] => {
      if (one.type === 'reading') {
        const kind = gauges[one.payload.check]
        const bar = barOf(one.payload.value, one.payload.unit)
        return kind && bar !== null ? [{ at: one.at, kind, bar }] : []
      }
      if (one.type === 'history' && one.payload.event === 'topUp')
        return [{ at: one.payload.on, kind: 'topUp', bar: barOf(one.payload.value, one.payload.unit) }]
      if (one.type === 'history' && one.payload.event === 'gaugeReading') {
        const bar = barOf(one.payload.value, one.payload.unit)
        return bar === null ? [] : [{ at: one.payload.on, kind: one.payload.state ?? 'cold', bar }]
      }
      if (one.type === 'repair' && one.payload.remedy === 'water.topUp') return [{ at: one.at, kind: 'topUp', bar: null }]
      return []
    }),
  )
  // one event may have been told in two cases
  const known = new Set<string>()
  return points
    .filter(({ at, kind, bar }) => {
      const key = `${at} ${kind} ${bar}`
      return !known.has(key) && known.add(key)
    })
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at))
}

/** What a case changed and said, in a few lines: repairs with their parts, what was found, advice that was declined. */
export function tellingLines(catalogue: Catalogue, entries: readonly Entry[]): { what: string; result: string }[] {
  const lines = entries.flatMap((one) => {
    if (one.type === 'repair') {
      const parts = (one.payload.parts ?? []).map(({ quantity, name }) => (quantity === 1 ? name : `${quantity} ${name}`))
      const { what, result } = entryLine(catalogue, one)
      return [{ what, result: parts.length > 0 ? `${result}: ${parts.join(', ')}` : result }]
    }
    if (one.type === 'finding' || (one.type === 'advice' && one.payload.answer === 'declined')) return [entryLine(catalogue, one)]
    if (one.type === 'decision' && one.payload.kind === 'condemned') return [entryLine(catalogue, one)]
    if (one.type === 'history' && one.payload.event !== 'topUp') return [entryLine(catalogue, one)]
    return []
  })
  const readings = entriesOf(entries, 'reading').length
  const topUps = entriesOf(entries, 'history').filter((one) => one.payload.event === 'topUp').length
  return [
    // when they were stands on the line of pressure
    ...(topUps > 0 ? [{ what: 'Topped up before', result: topUps === 1 ? 'once' : `${topUps} times` }] : []),
    ...lines,
    ...(readings > 0 ? [{ what: 'Readings', result: String(readings) }] : []),
  ]
}
