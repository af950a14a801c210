import { carrying, type Catalogue, comingBack, type Costs, type Diagnosis, type RemedyOption, timeCosts } from '../../catalogue/index.ts'
import { worksNow } from '../../evidence/index.ts'
import type { Signatures } from '../../signatures/index.ts'
import { faultProbabilities } from '../partStates.ts'

/**
 * Ways of mending the likeliest set of faults, cheapest first, coming back included.
 *
 * @param shares of the rows, as found or as they stand now
 * @param tried how often each was carried out already: what was in vain once works less often
 */
export function remediesOf(
  catalogue: Catalogue,
  signatures: Signatures,
  shares: Float64Array,
  costs: Costs,
  tried: ReadonlyMap<string, number>,
): RemedyOption[] {
  const faults = likeliestSet(signatures, shares).map((index) => catalogue.faults[index]!)
  const wanted = faults.map((fault) => fault.id)
  const fitting = new Set(faults.flatMap((fault) => fault.remedies))
  const expectedCost = (one: RemedyOption) => one.money + one.chanceOfReturn * comingBack(costs)
  return catalogue.remedies
    .filter((remedy) => fitting.has(remedy.id))
    .map((remedy) => {
      const mended = catalogue.faults.flatMap((fault, index) => (remedy.mends.includes(fault.id) ? [index] : []))
      let covered = 0
      signatures.sets.forEach((set, row) => {
        if (set.length > 0 && set.every((index) => mended.includes(index))) covered += shares[row]!
      })
      const missed = wanted.filter((id) => !remedy.mends.includes(id))
      const left = missed.map((id) => catalogue.faults.find((fault) => fault.id === id)!.label)
      return {
        id: remedy.id,
        label: remedy.label,
        mends: remedy.mends,
        minutes: remedy.minutes,
        money: Math.round(remedy.partsCost + timeCosts(costs, remedy.minutes)),
        chanceOfReturn: 1 - covered * worksNow(catalogue.remedies, remedy, tried),
        parts: remedy.parts,
        seals: remedy.seals,
        access: remedy.access,
        skill: remedy.skill,
        steps: remedy.steps,
        cautions: remedy.cautions,
        unfit: left.length > 0 ? `leaves standing: ${left.join(', ')}` : null,
      }
    })
    .sort((a, b) => Number(a.unfit !== null) - Number(b.unfit !== null) || expectedCost(a) - expectedCost(b))
}

/** Parts worth carrying: probability times the cost of a second trip exceeds the cost of carrying. */
export function carryOf(catalogue: Catalogue, signatures: Signatures, shares: Float64Array, { secondTrip }: Costs): Diagnosis['carry'] {
  const each = faultProbabilities(signatures, shares)
  const needed = new Map<string, { probability: number; cost: number }>()
  catalogue.faults.forEach((fault, index) => {
    const probability = each[index]!
    const remedy = catalogue.remedies.find((one) => one.id === fault.remedies[0])
    for (const part of remedy?.parts ?? []) {
      const present = needed.get(part)
      needed.set(part, { probability: Math.min(1, (present?.probability ?? 0) + probability), cost: remedy!.partsCost })
    }
  })
  return [...needed]
    .map(([part, { probability, cost }]) => ({ part, probability, cost }))
    .filter(({ probability, cost }) => probability * secondTrip > carrying(cost))
    .sort((a, b) => b.probability - a.probability)
}

/** The likeliest row's faults; none where the likeliest is no set of faults. */
function likeliestSet({ sets }: Signatures, shares: Float64Array): readonly number[] {
  return sets[shares.indexOf(Math.max(...shares))] ?? []
}
