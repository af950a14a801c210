import type { Catalogue, Check } from '../catalogue/index.ts'

/** The checks that run a demand right through, of those a catalogue has. */
export function runsThrough({ checks }: Pick<Catalogue, 'checks'>): Check[] {
  return checks.filter((one) => one.runsThrough !== undefined)
}

/** minutes to prove a repair: both demands run through. Common practice */
export const provingMinutes = 12
