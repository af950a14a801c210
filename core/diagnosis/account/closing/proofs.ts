import type { Catalogue, Check, Proof } from '../../catalogue/index.ts'
import { runsThrough } from '../../choice/index.ts'
import type { JournalRead } from '../../evidence/index.ts'
import type { Signatures } from '../../signatures/index.ts'

/**
 * What shows that a repair holds: every demand run right through, then what was complained of asked again where no run settles it. Each with what was
 * said of it since the last repair, and whether that is what a sound boiler gives.
 */
export function proofsOf(catalogue: Catalogue, signatures: Signatures, journal: JournalRead): Proof[] {
  const complained = new Set(
    journal.complaints.flatMap(({ payload }) => catalogue.complaints.find((one) => one.id === payload.what)?.evidence.map(({ check }) => check) ?? []),
  )
  const runs = runsThrough(catalogue)
  const asked = catalogue.checks.filter((check) => complained.has(check.id) && !check.before && !check.settledBy && !check.runsThrough)
  return [...runs, ...asked].map((check) => {
    const said = saidSince(journal, check)
    return {
      check: check.id,
      label: check.label,
      demand: check.runsThrough ?? null,
      entry: said?.entry ?? null,
      passed: said ? said.outcome === healthyOutcome(signatures, check) : null,
    }
  })
}

/** What was last said of a check since the last repair. */
export function saidSince({ evidence, mendings }: JournalRead, { id }: Pick<Check, 'id'>): { entry: string; outcome: string } | null {
  const epoch = mendings.length
  const found = epoch > 0 ? evidence.find((one) => one.epoch === epoch && one.check.id === id && one.outcomes.length > 0) : undefined
  if (!found) return null
  const last = found.outcomes.at(-1)!
  const { result } = found.check
  const outcome =
    result.kind === 'outcome' ? ((result.outcomes[last] ?? result.once?.[last - result.outcomes.length])?.id ?? 'notReached') : last === 1 ? 'yes' : 'no'
  return { entry: found.entries.at(-1)!, outcome }
}

/** What a sound boiler gives as the answer to a check: of a run that it ran right through, of a sign that it is not there. */
export function healthyOutcome({ checks, values }: Pick<Signatures, 'checks' | 'values'>, { id, result }: Check): string | undefined {
  if (result.kind !== 'outcome') return 'no'
  return result.outcomes[values[checks.indexOf(id)]!]?.id
}
