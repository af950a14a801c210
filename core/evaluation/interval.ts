/** A share with its 95 % interval. */
export interface Share {
  of: number
  share: number
  low: number
  high: number
}

/** Share of successes with Wilson's interval. Source: Wilson 1927. */
export function shareOf(times: number, of: number): Share {
  if (of === 0) return { of, share: NaN, low: 0, high: 1 }
  const z = 1.96
  const p = times / of
  const middle = (p + (z * z) / (2 * of)) / (1 + (z * z) / of)
  const reach = (z / (1 + (z * z) / of)) * Math.sqrt((p * (1 - p)) / of + (z * z) / (4 * of * of))
  return { of, share: p, low: Math.max(middle - reach, 0), high: Math.min(middle + reach, 1) }
}

/** A mean with its 95 % interval, by the normal approximation. */
export function meanOf(values: readonly number[]): { mean: number; low: number; high: number } {
  const count = values.length
  const mean = values.reduce((sum, one) => sum + one, 0) / Math.max(count, 1)
  const variance = values.reduce((sum, one) => sum + (one - mean) ** 2, 0) / Math.max(count - 1, 1)
  const reach = 1.96 * Math.sqrt(variance / Math.max(count, 1))
  return { mean, low: mean - reach, high: mean + reach }
}

/** Ratio of two means taken on the same cases, with its 95 % interval by the delta method. */
export function ratioOf(above: readonly number[], below: readonly number[]): { ratio: number; low: number; high: number } {
  const a = meanOf(above).mean
  const b = meanOf(below).mean
  const ratio = a / b
  const spread = meanOf(above.map((one, index) => one - ratio * below[index]!))
  const reach = (spread.high - spread.low) / 2 / b
  return { ratio, low: ratio - reach, high: ratio + reach }
}
