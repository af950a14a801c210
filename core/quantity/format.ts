import type { UnitSymbol } from './units.ts'

/**
 * A value with its unit at the precision a reading deserves: three significant figures,
 * no exponent, an endless resistance as "open".
 */
export function formatQuantity(value: number, unit: UnitSymbol): string {
  if (!Number.isFinite(value) || ((unit === 'kΩ' || unit === 'Ω') && value > 1e6)) return 'open'
  return unit === '1' ? formatNumber(value) : `${formatNumber(value)} ${unit}`
}

/** Three significant figures without an exponent: 2.49, 41.2, 1180; of what is small, two: 0.0009. */
export function formatNumber(value: number): string {
  const size = Math.abs(value)
  if (size === 0) return '0'
  // down to what any instrument tells
  if (size < 0.1) return String(Number(value.toFixed(Math.min(8, 1 - Math.floor(Math.log10(size))))))
  const decimals = size >= 100 ? 0 : size >= 10 ? 1 : 2
  return value.toFixed(decimals)
}
