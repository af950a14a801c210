import type { Entry } from '@dewpoint/core/casebook'
import type { Catalogue } from '@dewpoint/core/diagnosis'

/** Checks that need not be asked: answered, said with a complaint, or put aside as not known. */
export function answeredOn(catalogue: Pick<Catalogue, 'complaints'> | null, live: readonly Entry[]): ReadonlySet<string> {
  return new Set(
    live.flatMap((one) => {
      if (one.type === 'reading') return [one.payload.check]
      if (one.type === 'decision') return one.payload.check ? [one.payload.check] : []
      if (one.type !== 'complaint') return []
      return catalogue?.complaints.find((known) => known.id === one.payload.what)?.evidence.map((item) => item.check) ?? []
    }),
  )
}
