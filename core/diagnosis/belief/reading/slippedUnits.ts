import type { Entry } from '../../../casebook/index.ts'
import { formatQuantity, unitsLike, type UnitSymbol } from '../../../quantity/index.ts'
import type { Catalogue, Refusal } from '../../catalogue/index.ts'
import { comparable, type Evidence, type JournalRead } from '../../evidence/index.ts'
import { alikeReadings, type Signatures } from '../../signatures/index.ts'
import { instrumentOf, onScale, readingSpread } from './readingModel.ts'

/** A figure so many spreads off what is usual, which in another unit would lie within so many of it, was probably written in the wrong unit. Chosen */
const off = 5
const near = 2

/**
 * Readings whose figure would be as it should be in another unit: 2490 kΩ where 2490 Ω is right, 1.2 psi where 1.2 bar is. They are asked about and
 * weigh nothing until the reading is written again, in either unit; the same written twice is meant.
 */
export function askAboutUnits(catalogue: Catalogue, signatures: Signatures, journal: JournalRead, entries: readonly Entry[]): JournalRead {
  const refused: Refusal[] = []
  const evidence = journal.evidence.flatMap((one) => {
    const meant = unitsMeant(catalogue, signatures, one, entries)
    const slipped = one.entries.filter((_entry, index) => meant[index])
    if (slipped.length === 0 || (slipped.length > 1 && slipped.length === one.entries.length)) return one
    // one written again as it was meant stands for both
    if (slipped.length < one.entries.length) {
      const kept = (_value: unknown, index: number) => !meant[index]
      return { ...one, entries: one.entries.filter(kept), values: one.values.filter(kept) }
    }
    const { given, value, unit } = meant[0]!
    refused.push({
      entry: one.entries[0]!,
      check: one.check.id,
      why: `${given} would be far off, and ${formatQuantity(value, unit)} would be as it should be. Which was it? Until that is said it weighs nothing.`,
      instead: { value, unit },
    })
    return []
  })
  return { ...journal, evidence, refused: [...journal.refused, ...refused] }
}

/** Of each reading of a number the unit it was probably meant in; null where it stands as it was written. */
function unitsMeant(
  catalogue: Catalogue,
  signatures: Signatures,
  { check, values, outcomes, entries: own, doubt, told }: Evidence,
  entries: readonly Entry[],
): ({ given: string; value: number; unit: UnitSymbol } | null)[] {
  const { result } = check
  if (result.kind !== 'number' || values.length !== own.length || outcomes.length > 0 || doubt > 0 || told || check.probe) return []
  const { values: read, of } = alikeReadings(catalogue, signatures, check)
  const sound = Array.from({ length: signatures.draws }, (_unused, draw) => read[of[draw]!]!).filter((one) => !Number.isNaN(one))
  if (sound.length === 0) return []
  const instrument = instrumentOf(catalogue, check)
  const spreads = (value: number) =>
    Math.min(...sound.map((one) => Math.abs(onScale(check, value) - onScale(check, one)) / readingSpread(check, instrument, one)))
  const fits = (value: number, one: number) => Math.abs(onScale(check, value) - onScale(check, one)) <= near * readingSpread(check, instrument, one)
  return own.map((id, index) => {
    const entry = entries.find((one) => one.id === id)
    if (entry?.type !== 'reading' || entry.payload.value === undefined || entry.payload.unit === undefined || spreads(values[index]!) < off) return null
    const { payload } = entry
    // in the unit of the check itself, and what some fault reads: it is meant
    if (payload.unit === result.unit && result.scale === 'linear' && read.some((one) => fits(values[index]!, one))) return null
    // a small figure comes to nothing in any larger unit: where nothing is what is usual, that says nothing of the unit
    const plain = (value: number) => result.scale === 'log' || Math.abs(value) > off * readingSpread(check, instrument, value)
    const unit = unitsLike(result.unit).find((one) => {
      const value = comparable(result, { ...payload, unit: one })
      return one !== payload.unit && plain(value) && spreads(value) <= near
    })
    return unit ? { given: formatQuantity(payload.value!, payload.unit as UnitSymbol), value: payload.value!, unit } : null
  })
}
