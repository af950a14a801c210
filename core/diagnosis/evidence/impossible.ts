import type { EntryOf } from '../../casebook/index.ts'
import { convert, dimensionOf, formatQuantity, isUnit, unitsLike, type UnitSymbol } from '../../quantity/index.ts'
import type { Check, Instrument, NumberResult, Refusal } from '../catalogue/index.ts'

/** What of a reading matters to whether it can be. */
interface Read {
  check: Check
  entries: string[]
  values: number[]
  doubt: number
  epoch: number
}

/** From this share of "anything" on, a reading is one its own taker doubts. */
export const doubtful = 0.6

/**
 * Why a number cannot be a reading of this check, in words that say what to do; null when it can.
 */
export function impossibility(result: NumberResult, value: number, unit: string): string | null {
  if (!sameKind(unit, result.unit)) {
    return `${unit} is not a unit of this reading: give it in ${unitsLike(result.unit).join(', ')}.`
  }
  const own = convert(value, unit, result.unit)
  const [least, most] = result.possible
  if (own < least || own > most) {
    return `${formatQuantity(own, result.unit)} cannot be: this reading lies between ${formatQuantity(least, result.unit)} and ${formatQuantity(most, result.unit)}. Check unit, range and leads, and measure again.`
  }
  return null
}

/** An instrument shut off from what it measures shows what it showed when it was shut off. */
export function cutOff(instrument: Instrument | undefined, { situation }: EntryOf<'reading'>['payload']): string | null {
  return instrument?.cutOffBy && situation?.isolated?.some((one) => instrument.cutOffBy!.test(one))
    ? `The ${instrument.label} is shut off from the system: it shows what was there when it was shut. Open its valve and read again.`
    : null
}

/** Whether a unit is known and measures what another does. */
export function sameKind(unit: string, other: UnitSymbol): unit is UnitSymbol {
  return isUnit(unit) && dimensionOf(unit) === dimensionOf(other)
}

/** joint error of two clamps, °C; and what two places with cold water on their other side never agree to, while hot */
const clampsApart = 3
const onePipe = 0.2
const hot = 45

/** What gives heat away cannot give its water back hotter than it took it, nor, while hot, at the very same: the later of the two readings is refused. */
export function refuseCrossing(result: { evidence: Read[]; refused: Refusal[] }): void {
  for (const out of [...result.evidence]) {
    const { downstreamOf } = out.check
    if (!downstreamOf || out.values.length === 0) continue
    const { what } = downstreamOf
    const into = result.evidence.find((one) => one.check.id === downstreamOf.check && one.values.length > 0 && one.epoch === out.epoch)
    if (!into) continue
    const [before, after] = [into.values.at(-1)!, out.values.at(-1)!]
    const same = Math.abs(after - before) <= onePipe && before > hot
    if (after <= before + clampsApart && !same) continue
    const later = result.evidence.indexOf(out) > result.evidence.indexOf(into) ? out : into
    result.evidence.splice(result.evidence.indexOf(later), 1)
    // kept as doubtful it stays in the journal and weighs nothing
    if (later.doubt >= doubtful) continue
    const [low, high] = [formatQuantity(before, '°C'), formatQuantity(after, '°C')]
    result.refused.push({
      entry: later.entries.at(-1)!,
      check: later.check.id,
      why: same
        ? `The ${what}’s inlet and outlet cannot both be at ${high} while it gives heat away: both clamps sit on one pipe. Trace the pipes and measure both again.`
        : `The ${what}’s outlet (${high}) cannot be hotter than its inlet (${low}): a clamp is loose, they are swapped, or both sit on one pipe. Measure both again.`,
    })
  }
}
