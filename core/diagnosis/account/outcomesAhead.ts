import { byName, newEntry, type Entry, type Payload } from '../../casebook/index.ts'
import { believe, folded, leadingRows, logSum, weighJournal, type Belief } from '../belief/index.ts'
import { allRules, outcomesOf, type Catalogue, type Check, type DiagnoseOptions } from '../catalogue/index.ts'
import { readJournal } from '../evidence/index.ts'
import type { Signatures } from '../signatures/index.ts'
import { nameOf } from './naming.ts'

/** What one answer to a check would make of the suspects. */
export interface OutcomeAhead {
  outcome: string
  /** how likely it is to come out so; over all answers of the check these sum to one */
  probability: number
  /** likeliest first, down to a two-hundredth */
  suspects: { key: string; label: string; probability: number }[]
}

/** who would write it, and under which id: nobody sees either */
const supposed = { id: '00000000-0000-7000-8000-000000000000', author: byName('supposed') }
const told = 0.005

/**
 * Of every answer a check can have how likely it is, and what the suspects would become: known before anybody asks or looks. Each answer is weighed as
 * if it were written down, by the same belief that would then weigh it; only that larger sets of faults are not grown anew.
 *
 * @param now when it would be written down, ms since 1970
 * @param as where and in which state it would be read, as it would be written
 * @returns nothing for a check whose result is a number
 */
export function outcomesAhead(
  catalogue: Catalogue,
  known: Signatures,
  entries: readonly Entry[],
  check: Check,
  now: number,
  as: Omit<Payload<'reading'>, 'check' | 'outcome'> = { sureness: 'sure' },
  options: Pick<DiagnoseOptions, 'experience' | 'rules'> = {},
): OutcomeAhead[] {
  if (check.result.kind === 'number') return []
  const rules = { ...allRules, ...options.rules }
  const { signatures, belief } = weighJournal(catalogue, known, entries, options.experience, rules)
  const before = evidenceOf(belief)
  const ahead = outcomesOf(check).map((outcome) => {
    const entry = newEntry('reading', { check: check.id, outcome, ...as }, { ...supposed, now, seen: entries })
    const journal = readJournal(catalogue, [...entries, entry])
    const after = believe(catalogue, signatures, journal, options.experience, rules)
    const shown = rules.folded ? folded(catalogue, signatures, journal, after) : after
    const suspects = leadingRows(shown, 0.9999).flatMap((row) =>
      shown.posterior[row]! >= told ? [{ ...nameOf(catalogue, signatures, row), probability: shown.posterior[row]! }] : [],
    )
    return {
      outcome,
      probability: Math.exp(evidenceOf(after) - before),
      suspects: suspects.map(({ key, label, probability }) => ({ key, label, probability })),
    }
  })
  const whole = ahead.reduce((sum, one) => sum + one.probability, 0)
  return ahead.map((one) => ({ ...one, probability: one.probability / whole }))
}

/** How likely the whole journal is, natural log. */
const evidenceOf = ({ logLikelihood, prior }: Belief) => logSum(logLikelihood.map((log, row) => log + Math.log(prior[row]!)))
