import type { Catalogue } from '../catalogue/index.ts'
import type { Signatures } from '../signatures/index.ts'

/** Key and words of one row. */
export function nameOf(catalogue: Catalogue, signatures: Signatures, row: number): { key: string; faults: string[]; label: string } {
  const set = signatures.sets[row]
  if (!set)
    return row === signatures.sets.length
      ? { key: 'noDemand', faults: [], label: 'Nothing asks the boiler to run' }
      : { key: 'unlisted', faults: [], label: 'A cause not listed here' }
  if (set.length === 0) return { key: 'nothingWrong', faults: [], label: 'Nothing wrong with the boiler' }
  const faults = set.map((index) => catalogue.faults[index]!)
  return { key: faults.map((fault) => fault.id).join('+'), faults: faults.map((fault) => fault.id), label: faults.map((fault) => fault.label).join(' + ') }
}
