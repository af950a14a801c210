import { convert, formatQuantity, type UnitSymbol } from '../quantity/index.ts'

/** One thing a sum is worked out from. */
export interface Field {
  key: string
  label: string
  /** the unit the sum takes it in, and the bounds are given in */
  unit: UnitSymbol
  /** units it may be typed in besides */
  others?: readonly UnitSymbol[]
  low: number
  high: number
  /** where nothing is typed: this is taken; without it the sum goes without */
  usual?: number
  /** what to say of it, and where it is read */
  hint?: string
}

/** What was typed into a field, as the sum takes it. */
export interface FieldRead {
  /** in the field's own unit; null where nothing usable was typed */
  value: number | null
  /** what is wrong with it, in words for whoever typed it; null where nothing is */
  problem: string | null
}

/** a number as people type it: a sign, digits, one decimal point or comma */
const plain = /^[-−+]?(?:\d{1,12}(?:[.,]\d{0,12})?|[.,]\d{1,12})$/

/**
 * Reads what was typed into a field.
 *
 * @param text as typed, with a decimal point or comma
 * @param unit the unit it was typed in, one of the dimension of the field's
 * @returns the usual value where nothing is typed; a problem in words where it is no number, or outside what can be
 */
export function readField(field: Field, text: string, unit: UnitSymbol): FieldRead {
  const typed = text.trim()
  if (typed === '') return { value: field.usual ?? null, problem: null }
  if (!plain.test(typed)) return { value: null, problem: `Type a number, such as ${exampleOf(field, unit)}.` }
  const given = Number(typed.replace('−', '-').replace(',', '.'))
  const value = convert(given, unit, field.unit)
  // a bound that was converted and rounded is still within
  const slack = 1e-9 * Math.max(1, Math.abs(field.high))
  if (value < field.low - slack || value > field.high + slack) {
    const bound = (limit: number) => formatQuantity(convert(limit, field.unit, unit), unit)
    return { value: null, problem: `${formatQuantity(given, unit)} cannot be: ${bound(field.low)} to ${bound(field.high)} can. Check the figure and its unit.` }
  }
  return { value, problem: null }
}

/** A figure somebody might type: the usual one, else one within the bounds. */
function exampleOf({ usual, low, high, unit: own }: Field, unit: UnitSymbol): string {
  const value = convert(usual ?? (low > 0 ? Math.sqrt(low * high) : (low + high) / 2), own, unit)
  return String(Number(value.toPrecision(2)))
}
