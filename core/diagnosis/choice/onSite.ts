import type { Catalogue, OnSite } from '../catalogue/index.ts'
import { minutesPerBit } from './nextCheck.ts'
import { provingMinutes } from './proving.ts'
import type { Weighing } from './information.ts'

/** minutes on any visit besides tracing, repair and proof: unloading, the customer's story, a look; and the record, tidying up and showing. Assumed */
const arriving = 10
const leaving = 12
/** what is done where nothing on the list is wrong, or something too rare to be told by itself. Assumed */
const without = { nothingWrong: 5, noDemand: 10, unlisted: 45, rare: 40 }
/** how far a visit goes from what is reckoned for it, as a spread of its logarithm. Assumed */
const spread = 0.3
/** minutes between the points of the hill, and its end */
const step = 5
const longest = 480

/**
 * How long a visit will take: tracing by what is left to tell apart, then the repair each suspect calls for, its proof and the record.
 *
 * @param groups what may stand, by what it calls for, with the share of the belief each has
 */
export function onSiteOf({ remedies }: Pick<Catalogue, 'remedies'>, groups: readonly Pick<Weighing['groups'][number], 'kind' | 'remedies' | 'mass'>[]): OnSite {
  const whole = groups.reduce((sum, one) => sum + one.mass, 0)
  const visits = groups.map(({ kind, remedies: ids, mass }) => {
    const done = ids.flatMap((id) => remedies.find((one) => one.id === id) ?? [])
    const share = mass / whole
    const mending = kind === 'faults' ? done.reduce((sum, one) => sum + one.minutes, 0) : without[kind]
    const minutes = arriving + minutesPerBit * Math.log2(1 / share) + mending + provingMinutes + leaving
    return { share, minutes, label: done.map((one) => one.label).join(', ') }
  })
  const hill: OnSite['hill'] = []
  for (let minutes = 0; minutes <= longest; minutes += step)
    hill.push({
      minutes,
      share: visits.reduce((sum, one) => sum + one.share * (within(one.minutes, minutes + step / 2) - within(one.minutes, minutes - step / 2)), 0),
    })
  const at = (share: number) => {
    let [low, high] = [0, longest]
    while (high - low > 0.5) {
      const middle = (low + high) / 2
      if (visits.reduce((sum, one) => sum + one.share * within(one.minutes, middle), 0) < share) low = middle
      else high = middle
    }
    return Math.round(high / step) * step
  }
  const typical = at(0.5)
  const [longOne] = visits.filter((one) => one.share >= 0.03 && one.label !== '' && one.minutes > typical + 15).sort((a, b) => b.minutes - a.minutes)
  return { typical, low: at(0.1), high: at(0.9), hill, long: longOne ? { label: longOne.label, minutes: Math.round(longOne.minutes / step) * step } : null }
}

/** Chance that a visit reckoned at so many minutes takes no longer than so many: log-normal. */
function within(reckoned: number, minutes: number): number {
  if (minutes <= 0) return 0
  const z = Math.log(minutes / reckoned) / spread
  // normal distribution by Abramowitz and Stegun 1964, 26.2.17: within 7.5e-8
  const t = 1 / (1 + 0.2316419 * Math.abs(z))
  const tail =
    (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) * t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))))
  return z >= 0 ? 1 - tail : tail
}
