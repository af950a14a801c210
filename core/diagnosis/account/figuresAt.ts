import type { Entry } from '../../casebook/index.ts'
import { leadingRows, weighJournal } from '../belief/index.ts'
import type { Catalogue, DiagnoseOptions, Expected, Limit } from '../catalogue/index.ts'
import type { Signatures } from '../signatures/index.ts'
import { usualLimit } from './closing/usualLimit.ts'
import { expectedOf } from './expected.ts'

/** What should be read at one point: of a sound boiler, and with each of the leading suspects. */
export interface FigureAt {
  check: string
  label: string
  /** null where sound boilers of the model do not read it */
  sound: Limit | null
  suspects: Pick<Expected, 'suspect' | 'label' | 'reading' | 'notReached'>[]
}

/** suspects told of at a point */
const toldOf = 3

/**
 * The figures to expect at points of a boiler, before anything is put there.
 *
 * @param checks ids of checks that are numbers; others, and those the catalogue does not have, are left out
 */
export function figuresAt(
  catalogue: Catalogue,
  known: Signatures,
  entries: readonly Entry[],
  checks: readonly string[],
  options: Pick<DiagnoseOptions, 'experience'> = {},
): FigureAt[] {
  const { signatures, belief } = weighJournal(catalogue, known, entries, options.experience)
  const leaders = leadingRows(belief, 0.95).slice(0, toldOf)
  return checks.flatMap((id) => {
    const check = catalogue.checks.find((one) => one.id === id)
    if (check?.result.kind !== 'number') return []
    return {
      check: id,
      label: check.label,
      sound: usualLimit(catalogue, signatures, check),
      suspects: leaders.map((row) => {
        const { suspect, label, reading, notReached } = expectedOf(catalogue, signatures, belief, check, row)
        return { suspect, label, notReached, ...(reading && { reading }) }
      }),
    }
  })
}
