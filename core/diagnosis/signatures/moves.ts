import type { Signatures } from './hypotheses.ts'

/** Whether any plant of a fault, mild or severe, reads a simulated check otherwise than the same plant in order. */
export function moves({ checks, values, first, draws }: Signatures, fault: number, check: string): boolean {
  const width = checks.length
  const column = checks.indexOf(check)
  for (let draw = 0; column >= 0 && draw < draws; draw++) {
    const own = values[(first[fault + 1]! + draw) * width + column]!
    const sound = values[draw * width + column]!
    if (own !== sound && !(Number.isNaN(own) && Number.isNaN(sound))) return true
  }
  return false
}
