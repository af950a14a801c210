import { instrumentOf, onScale, readingSpread } from '../belief/index.ts'
import { type Catalogue, figureWords } from '../catalogue/index.ts'
import type { Evidence, JournalRead } from '../evidence/index.ts'
import { alikeReadings, type Signatures } from '../signatures/index.ts'
import { healthyOutcome } from './closing/proofs.ts'

/** a figure within so many spreads of one that a sound boiler reads is as it should be. Common practice */
const within = 2.5

/** Of every reading that counts, by its entry, whether it is what a sound boiler of this kind gives. */
export function soundReadings(catalogue: Catalogue, signatures: Signatures, { evidence }: Pick<JournalRead, 'evidence'>): Record<string, boolean> {
  return Object.fromEntries(
    evidence.flatMap((one) => {
      const each = [
        ...one.values.map((value) => isSoundFigure(catalogue, signatures, one, value)),
        ...one.outcomes.map((said) => isSoundAnswer(signatures, one, said)),
      ]
      // several of one check are one piece of evidence: where it is not known whose is whose, the last counts for all
      return one.entries.map((entry, index): [string, boolean] => [entry, each.length === one.entries.length ? each[index]! : (each.at(-1) ?? false)])
    }),
  )
}

function isSoundFigure(catalogue: Catalogue, signatures: Signatures, { check }: Evidence, value: number): boolean {
  const { values, of } = alikeReadings(catalogue, signatures, check)
  const instrument = instrumentOf(catalogue, check)
  return Array.from({ length: signatures.draws }, (_unused, draw) => values[of[draw]!]!).some(
    (one) => !Number.isNaN(one) && Math.abs(onScale(check, value) - onScale(check, one)) <= within * readingSpread(check, instrument, one),
  )
}

function isSoundAnswer(signatures: Signatures, { check }: Evidence, said: number): boolean {
  if (check.result.kind === 'cue') return said === 0
  if (check.result.kind === 'number') return figureWords[said] === 'right'
  return check.result.outcomes[said]?.id === healthyOutcome(signatures, check)
}
