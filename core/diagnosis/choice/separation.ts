import { type Belief, resultChances } from '../belief/index.ts'
import type { Catalogue, Check } from '../catalogue/index.ts'
import type { Signatures } from '../signatures/index.ts'
import { mutualInformation } from './information.ts'

/** Bits by which a check parts two rows held equally likely. */
export function separation(catalogue: Catalogue, signatures: Signatures, belief: Belief, check: Check, a: number, b: number): number {
  const chances = [a, b].map((row) => resultChances(catalogue, signatures, belief, check, row))
  return information(chances, [1, 1], [0, 1])
}

/** Mutual information between the result and which of the rows it came from, bits. */
function information(chances: Float64Array[], weights: number[], groups: number[]): number {
  const size = chances[0]?.length ?? 0
  const joint = new Float64Array((Math.max(...groups) + 1) * size)
  chances.forEach((one, index) => {
    for (let said = 0; said < size; said++) joint[groups[index]! * size + said]! += weights[index]! * one[said]!
  })
  return mutualInformation(joint, size)
}
