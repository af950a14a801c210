import type { Catalogue, Check } from './catalogue.ts'

/** The demands a complaint is about: those that are run to settle what was told. */
export function demandsOf({ complaints, checks }: Pick<Catalogue, 'complaints' | 'checks'>, complaint: string): NonNullable<Check['runsThrough']>[] {
  const of = (id: string) => checks.find((one) => one.id === id)
  const told = complaints.find((one) => one.id === complaint)
  const runs = (told?.evidence ?? []).flatMap(({ check }) => of(check)?.settledBy ?? [])
  return [...new Set([...(told?.with ? [told.with] : []), ...runs.flatMap((id) => of(id)?.runsThrough ?? [])])]
}

/** The check that runs a demand right through. */
export function runOf({ checks }: Pick<Catalogue, 'checks'>, demand: NonNullable<Check['runsThrough']>): Check | undefined {
  return checks.find((one) => one.runsThrough === demand)
}
