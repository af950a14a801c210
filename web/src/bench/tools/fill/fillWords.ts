import type { CushionSeen, FillAnswer } from '@dewpoint/core/bench'
import { convert, type UnitSymbol } from '@dewpoint/core/quantity'

/** A pressure at the precision of a gauge, in the unit it is typed in. */
export const pressure = (bar: number, unit: UnitSymbol = 'bar'): string => {
  const value = convert(bar, 'bar', unit)
  return `${unit === 'bar' ? value.toFixed(1) : Math.round(value)} ${unit}`
}

/** A volume at one sensible precision. */
export const litres = (value: number): string => (Number.isFinite(value) ? `${value >= 100 ? Math.round(value) : value.toFixed(1)} l` : 'any')

/** What the second fill comes to, as a sentence; the first where that is the worse of the two. */
export function fillHeadline(one: FillAnswer, two: FillAnswer, relief: number, unit: UnitSymbol): string {
  const worse = one.room < two.room ? one : two
  const lifts = worse.room < 0
  if (lifts) return `Filled to ${pressure(worse.fill, unit)} the relief valve lifts at ${Math.round(worse.liftsAt ?? 0)} °C, before it is hot.`
  const first = `Filled to ${pressure(worse.fill, unit)} it reaches ${pressure(worse.hot, unit)} hot`
  return worse.liftsAt === null || worse.room > 0.5
    ? `${first}: ${pressure(worse.room, unit)} below the relief valve’s ${pressure(relief, unit)}.`
    : `${first}: the relief valve lifts at ${Math.round(worse.liftsAt)} °C.`
}

/** What a seen pair says, as a sentence. */
export function cushionHeadline({ verdict, gas, sound, low, high }: CushionSeen): string {
  const seen = `${gas.toFixed(1)} l of gas gives way, where ${sound.toFixed(1)} should (${low.toFixed(1)} to ${high.toFixed(1)})`
  switch (verdict) {
    case 'flat':
      return `The cushion is flat: ${seen}.`
    case 'small':
      return `The vessel is right but too small for this system: ${seen}.`
    case 'fine':
      return `The cushion is sound: ${seen}.`
    case 'unsure':
      return `Cannot be told yet: ${seen}.`
  }
}

/** What the two fills mean for the boiler. */
export function fillMeans(one: FillAnswer, two: FillAnswer, unit: UnitSymbol): string[] {
  return [one, two].map((each) => {
    const at = `At ${pressure(each.fill, unit)}`
    if (each.room < 0) return `${at} it drips outside on every heat-up and reads low next morning.`
    const room =
      each.room < 0.3
        ? 'there is no room: one hot day and it drips outside, then reads low in the morning'
        : each.room < 0.8
          ? 'there is just room'
          : 'there is room'
    const reserve =
      each.reserve < 0.3 ? 'no reserve: the first cupful lost drops the gauge' : `${each.reserve.toFixed(1)} l in reserve before the gauge drops away`
    return `${at} ${room}, and ${reserve}.`
  })
}

/** What to do about a seen pair, or to find out. */
export function cushionNext(seen: CushionSeen | null): string {
  switch (seen?.verdict) {
    case 'flat':
      return `Pump it up before anything else: water side drained, drain open, then read the air valve. It would work like ${seen.charge <= 0 ? 'one with next to no charge' : `one charged to ${seen.charge.toFixed(1)} bar`}. Leak fluid on the valve afterwards; water at the valve is the diaphragm.`
    case 'small':
      return 'Charge it right and read it again before you sell a vessel. Then add a second one, or lower the cold fill and say what that costs in reserve.'
    case 'unsure':
      return 'Take the pair again with a better gauge and the water hotter, and count the radiators: the water in the system is half of the doubt.'
    case 'fine':
      return 'The cushion is not it. If the gauge still falls, watch it over days: hot, cold, and the pipe outside.'
    default:
      return 'Drain the water side and leave the drain open; then read the air valve. With water behind it the reading is false.'
  }
}
