import type { EntryOf } from '../../../casebook/index.ts'
import { convert, formatQuantity } from '../../../quantity/index.ts'
import type { Catalogue } from '../../catalogue/index.ts'
import { sameKind } from '../impossible.ts'

/**
 * The danger a reading shows by itself: an outcome that must not be, a number above what its check allows, however surely it was taken, or
 * something that must be right before leaving and is not.
 *
 * @returns null where it shows none
 */
export function unsafeReading(
  { checks, closing }: Pick<Catalogue, 'checks' | 'closing'>,
  { check: id, outcome, value, unit }: EntryOf<'reading'>['payload'],
): { danger: string; because: string } | null {
  const item = closing.find((one) => one.id === id)
  if (item) return item.unsafe !== undefined && outcome === 'notRight' ? { danger: item.unsafe, because: `${item.label}: not right` } : null
  const check = checks.find((one) => one.id === id)
  if (!check?.unsafe) return null
  const { danger, outcomes, above } = check.unsafe
  if (outcome !== undefined) {
    if (!outcomes?.includes(outcome)) return null
    const label = check.result.kind === 'outcome' ? check.result.outcomes.find((one) => one.id === outcome)?.label : outcome
    return { danger, because: `${check.label}: ${label}` }
  }
  if (check.result.kind !== 'number' || value === undefined || unit === undefined || above === undefined || !sameKind(unit, check.result.unit)) return null
  const own = convert(value, unit, check.result.unit)
  return own > above
    ? { danger, because: `${check.label}: ${formatQuantity(own, check.result.unit)}, more than ${formatQuantity(above, check.result.unit)}` }
    : null
}
