import { convert, type UnitSymbol } from '@dewpoint/core/quantity'
import type { BenchLink } from '@dewpoint/trade/bench'
import type { Inputs } from './useInputs.ts'

/** Something measured that a case can take as a reading. */
export interface BenchReading {
  /** the first of these that the case's boiler has */
  checks: readonly string[]
  value: number
  unit: UnitSymbol
  /** temperature it was taken at, where the check asks for one */
  at?: { value: number; unit: UnitSymbol }
}

/** What was typed into the inputs a case has a check for and holds not yet, in the units it was typed in. */
export function typedReadings(inputs: Inputs, links: Readonly<Record<string, BenchLink>>): BenchReading[] {
  return Object.entries(links).flatMap(([key, { checks }]) => {
    const field = inputs.fields.value.find((one) => one.key === key)
    if (!field || !checks || !inputs.isFresh(key)) return []
    const unit = inputs.form.units[key]!
    return [{ checks, value: rounded(convert(inputs.value(key)!, field.unit, unit)), unit }]
  })
}

/** A figure without what converting it to and fro left behind. */
export const rounded = (value: number): number => Number(value.toPrecision(6))
