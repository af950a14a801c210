import { type EntryOf } from '../../casebook/index.ts'
import { usualPeriods, type GaugeReading, type PressureSeries, type TopUp } from '../../pressure/index.ts'
import { convert, dimensionOf, isUnit } from '../../quantity/index.ts'
import { parametersOf } from '../../system/index.ts'
import type { Catalogue } from '../catalogue/index.ts'

/** A gauge read over days between two repairs: a series that is weighed as a whole. */
export interface GaugeWatch {
  entries: string[]
  epoch: number
  series: PressureSeries
}

/** fewer readings are no watch: two a night apart are weighed as the change of that night */
const fewest = 3
/** the latest that are weighed: more than a year of one a day */
const most = 400
const hour = 3_600_000
/** standard error of a gauge somebody at home reads, bar. From memory: a tenth of a bar apart is what can be told */
const gaugeError = 0.07

/** Whether a journal holds a watch: its readings are weighed together and no pair of them by itself. */
export const isWatched = (gauge: readonly EntryOf<'history'>[]): boolean => gauge.filter(({ payload }) => payload.event === 'gaugeReading').length >= fewest

/**
 * The gauge over days as the pressure model takes it, on a clock in UTC: what the heating did is said of each reading, and of the hours between only its
 * share counts.
 *
 * @param gauge readings and top-ups told in one epoch, in the order of the journal
 * @param known parameters somebody has said
 * @returns null where too little was read
 */
export function watchOf(
  { system }: Pick<Catalogue, 'system'>,
  gauge: readonly EntryOf<'history'>[],
  epoch: number,
  known: Readonly<Record<string, number>>,
): GaugeWatch | null {
  const all = gauge.flatMap((one) => {
    const time = Date.parse(/^\d{4}-\d{2}-\d{2}$/.test(one.payload.on) ? `${one.payload.on}T07:00:00Z` : one.payload.on)
    return Number.isNaN(time) ? [] : [{ one, time }]
  })
  // what is long past says little of today, and costs as much
  const timed = all.sort((one, other) => one.time - other.time).slice(-most)
  if (!isWatched(timed.map(({ one }) => one))) return null
  const first = Math.floor(Math.min(...timed.map(({ time }) => time)) / (24 * hour)) * 24 * hour
  const readings: GaugeReading[] = []
  const topUps: TopUp[] = []
  for (const {
    one: { payload },
    time,
  } of timed) {
    const at = (time - first) / hour
    const bar = barOf(payload)
    if (payload.event === 'topUp') topUps.push({ at, to: bar })
    else if (bar !== null)
      readings.push({
        at,
        bar,
        state: payload.state ?? 'cold',
        ...(payload.loopOff && { loopOff: true }),
        ...(payload.heating && { heating: payload.heating }),
      })
  }
  if (readings.length < fewest) return null
  const parameters = Object.fromEntries(parametersOf(system).map(([key, { value }]) => [key, value]))
  const of = (key: string, otherwise: number) => known[key] ?? parameters[key] ?? otherwise
  return {
    entries: timed.map(({ one }) => one.id),
    epoch,
    series: {
      readings,
      topUps,
      system: {
        litres: of('system.volume', 90),
        litresError: known['system.volume'] === undefined ? 0.3 : 0.1,
        vesselLitres: of('vessel.volume', 8),
        charge: parameters['vessel.preCharge'] ?? 1,
        relief: parameters['relief.opensAt'] ?? 3,
        stopsAt: 0.5,
        mains: of('mains.standing', 4.5),
      },
      periods: usualPeriods,
      gaugeError,
      // what was seen outside is weighed by the checks that ask it
      pipeOutside: null,
      canMixMains: ['plate.perforation', 'coil.perforation', 'cylinder.perforation', 'storeCoil.perforation'].some((key) => parameters[key] !== undefined),
    },
  }
}

function barOf({ value, unit = '' }: EntryOf<'history'>['payload']): number | null {
  return value !== undefined && isUnit(unit) && dimensionOf(unit) === 'pressure' ? convert(value, unit, 'bar') : null
}
