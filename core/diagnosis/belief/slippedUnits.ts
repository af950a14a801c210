import type { Entry } from '../../casebook/index.ts'
import { formatQuantity, unitsLike, type UnitSymbol } from '../../quantity/index.ts'
import type { Catalogue } from '../catalogue/index.ts'
import { comparable, type Evidence, type JournalRead } from '../evidence/index.ts'
import { alikeReadings, type Signatures } from '../signatures/index.ts'
import { instrumentOf, onScale, readingSpread } from './readingModel.ts'

/** A figure so many spreads off what is usual, which in another unit would lie within so many of it, was probably written in the wrong unit. Chosen */
const off = 8
const near = 2

/**
 * Readings whose figure would be as it should be in another unit: 2490 kΩ where 2490 Ω is right, 1.2 psi where 1.2 bar is. They are asked about and
 * weigh nothing until the reading is written again, in either unit; the same written twice is meant.
 */
export function askAboutUnits(catalogue: Catalogue, signatures: Signatures, journal: JournalRead, entries: readonly Entry[]): JournalRead {
  const asked = journal.evidence.flatMap((one) => {
    const instead = unitMeant(catalogue, signatures, one, entries)
    return instead ? [{ evidence: one, ...instead }] : []
  })
  if (asked.length === 0) return journal
  const put = new Set(asked.map((one) => one.evidence))
  return {
    ...journal,
    evidence: journal.evidence.filter((one) => !put.has(one)),
    refused: [
      ...journal.refused,
      ...asked.map(({ evidence, given, value, unit }) => ({
        entry: evidence.entries[0]!,
        check: evidence.check.id,
        why: `${given} would be far off, and ${formatQuantity(value, unit)} would be as it should be. Which was it? Until that is said it weighs nothing.`,
        instead: { value, unit },
      })),
    ],
  }
}

function unitMeant(
  catalogue: Catalogue,
  signatures: Signatures,
  { check, values, entries: own, doubt, told }: Evidence,
  entries: readonly Entry[],
): { given: string; value: number; unit: UnitSymbol } | null {
  const { result } = check
  if (result.kind !== 'number' || values.length !== 1 || own.length !== 1 || doubt > 0 || told || check.probe) return null
  const entry = entries.find((one) => one.id === own[0])
  if (entry?.type !== 'reading' || entry.payload.value === undefined || entry.payload.unit === undefined) return null
  const { values: read, of } = alikeReadings(catalogue, signatures, check)
  const sound = Array.from({ length: signatures.draws }, (_unused, draw) => read[of[draw]!]!).filter((one) => !Number.isNaN(one))
  if (sound.length === 0) return null
  const instrument = instrumentOf(catalogue, check)
  const spreads = (value: number) =>
    Math.min(...sound.map((one) => Math.abs(onScale(check, value) - onScale(check, one)) / readingSpread(check, instrument, one)))
  const { payload } = entry
  if (spreads(values[0]!) < off) return null
  const unit = unitsLike(result.unit).find((one) => one !== payload.unit && spreads(comparable(result, { ...payload, unit: one })) <= near)
  return unit ? { given: formatQuantity(payload.value!, payload.unit as UnitSymbol), value: payload.value!, unit } : null
}
