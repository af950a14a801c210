import type { EntryOf } from '../../../casebook/index.ts'
import { convert, formatQuantity } from '../../../quantity/index.ts'
import type { Catalogue } from '../../catalogue/index.ts'
import { sameKind } from '../impossible.ts'

/**
 * The danger a reading shows by itself: an outcome that must not be, a number above or below what its check allows, however surely it was taken, or
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
  const { danger, outcomes, above, below } = check.unsafe
  if (outcome !== undefined) {
    if (!outcomes?.includes(outcome)) return null
    const label = check.result.kind === 'outcome' ? check.result.outcomes.find((one) => one.id === outcome)?.label : outcome
    return { danger, because: `${check.label}: ${label}` }
  }
  if (check.result.kind !== 'number' || value === undefined || unit === undefined || !sameKind(unit, check.result.unit)) return null
  const { unit: its } = check.result
  const own = convert(value, unit, its)
  const found = (than: string, limit: number) => ({
    danger,
    because: `${check.label}: ${formatQuantity(own, its)}, ${than} than ${formatQuantity(limit, its)}`,
  })
  if (above !== undefined && own > above) return found('more', above)
  return below !== undefined && own < below ? found('less', below) : null
}
