import { thermistorResistance } from '../../physics/index.ts'
import { convert } from '../../quantity/index.ts'
import { type Belief, instrumentOf, readingSpread, resultChances } from '../belief/index.ts'
import type { Catalogue, Check, Expected, NumberResult } from '../catalogue/index.ts'
import { separation } from '../choice/index.ts'
import { readings, type Signatures } from '../signatures/index.ts'
import { nameOf } from './naming.ts'

/** Where one suspect says the reading of a check will fall. */
export function expectedOf(catalogue: Catalogue, signatures: Signatures, belief: Belief, check: Check, row: number): Expected {
  const { key, label } = nameOf(catalogue, signatures, row)
  const chances = resultChances(catalogue, signatures, belief, check, row)
  const base = { suspect: key, label, probability: belief.posterior[row]! }
  if (check.result.kind === 'cue') return { ...base, outcomes: { yes: chances[0]!, no: chances[1]! }, notReached: 0 }
  if (check.result.kind === 'outcome') {
    const outcomes = Object.fromEntries(check.result.outcomes.map((one, index) => [one.id, chances[index]!]))
    return { ...base, outcomes, notReached: chances.at(-1)! }
  }
  const { first, sets } = signatures
  const read = readings(catalogue, signatures, check)
  const instrument = instrumentOf(catalogue, check)
  let notReached = 0
  const points: { value: number; weight: number; spread: number }[] = []
  const like = belief.like(check)
  const states = belief.standing(row).flatMap((state) => {
    const shown = belief.shown(state.row)
    const share = like ? belief.likeShare(shown) : 0
    return [{ shown, as: null, part: state.weight * (1 - share) }, ...(share > 0 ? [{ shown, as: like, part: state.weight * share }] : [])]
  })
  for (const { shown, as, part } of states) {
    const source = first[shown === sets.length + 1 ? 0 : shown]!
    const weights = belief.weightsOf(row, shown)
    for (let draw = 0; draw < weights.length; draw++) {
      const value = read(as ? as[source + draw]! : source + draw)
      const weight = weights[draw]! * part
      if (Number.isNaN(value)) notReached += weight
      else {
        points.push({ value: withinRange(check.result, value), weight, spread: readingSpread(check, instrument, value) })
      }
    }
  }
  return { ...base, points, notReached, ...(points.length > 0 && { reading: readingOf(check.result, points) }) }
}

export function parted(catalogue: Catalogue, signatures: Signatures, belief: Belief, check: Check, leaders: number[]): string[] {
  const [first] = leaders
  if (first === undefined) return []
  return leaders
    .slice(1, 6)
    .filter((row) => separation(catalogue, signatures, belief, check, first, row) > 0.35)
    .map((row) => nameOf(catalogue, signatures, row).label)
}

/** A number held within what can be told apart at the ends of a check; a thermistor’s factor has other ends. */
function withinRange({ range: [low, high], thermistor }: NumberResult, value: number): number {
  return thermistor ? Math.min(Math.max(value, 1e-3), 1e3) : Math.min(Math.max(value, low), high)
}

/** Middle and nine tenths of the mixture of points, in the check's unit. */
function readingOf(result: NumberResult, points: { value: number; weight: number; spread: number }[]): Expected['reading'] {
  const log = result.scale === 'log'
  const onAxis = (value: number) => (log ? Math.log(value) : value)
  const total = points.reduce((sum, one) => sum + one.weight, 0)
  const middle = points.reduce((sum, one) => sum + one.weight * onAxis(one.value), 0) / total
  const variance = points.reduce((sum, one) => sum + one.weight * ((onAxis(one.value) - middle) ** 2 + one.spread ** 2), 0) / total
  const inUnit = (axis: number) => {
    const value = log ? Math.exp(axis) : axis
    return result.thermistor ? convert(value * thermistorResistance(result.thermistor.assumedCelsius, result.thermistor.curve), 'Ω', result.unit) : value
  }
  const reach = 1.645 * Math.sqrt(variance)
  return { low: inUnit(middle - reach), typical: inUnit(middle), high: inUnit(middle + reach), unit: result.unit }
}
