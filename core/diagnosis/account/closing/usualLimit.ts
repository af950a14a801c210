import { instrumentOf, readingSpread, usualOf } from '../../belief/index.ts'
import type { Catalogue, Check, Limit } from '../../catalogue/index.ts'
import type { Signatures } from '../../signatures/index.ts'

/** how far from what sound appliances read, in its spreads, a figure is still as it should be. Common practice: two standard deviations */
export const within = 2

/**
 * What sound appliances of a model read, in the check's unit, with what the instrument is off. Null where it is no plain figure: resistances by their
 * chart, dead and live.
 */
export function usualLimit(catalogue: Catalogue, signatures: Signatures, check: Check): Limit | null {
  const { result } = check
  if (result.kind !== 'number' || result.thermistor || result.bands) return null
  const usual = usualOf(catalogue, signatures, check)
  if (!usual) return null
  const back = (value: number) => (result.scale === 'log' ? Math.exp(value) : value)
  const reach = usual.reach + within * readingSpread(check, instrumentOf(catalogue, check), back(usual.middle))
  // below nothing there is nothing
  const low = back(usual.middle - reach)
  return { low: low <= 0 && result.range[0] >= 0 ? null : low, high: back(usual.middle + reach), unit: result.unit, source: 'this model' }
}
