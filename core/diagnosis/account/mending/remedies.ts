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

/** what is needed less often than this is not told of */
const seldom = 0.01
const mostCarried = 12

/**
 * Parts that may be needed, the likeliest first, each with the seals that must be new with it. Worth carrying is what, at its chance of being needed,
 * saves more of a second trip than it costs to take along.
 *
 * @param prices what parts cost, by name
 */
export function carryOf(
  catalogue: Catalogue,
  signatures: Signatures,
  shares: Float64Array,
  { secondTrip }: Costs,
  prices: Readonly<Record<string, number>> = {},
): Diagnosis['carry'] {
  const each = faultProbabilities(signatures, shares)
  const needed = new Map<string, { probability: number; price: number; most: number; seals: string[] }>()
  catalogue.faults.forEach((fault, index) => {
    const probability = each[index]!
    const remedy = catalogue.remedies.find((one) => one.id === fault.remedies[0])
    if (!remedy) return
    const { parts, seals, partsCost } = remedy
    const own = parts.filter((part) => !seals.includes(part))
    // where nothing but seals is renewed, they are what is carried
    for (const part of own.length > 0 ? own : parts) {
      const one = needed.get(part) ?? { probability: 0, price: prices[part] ?? catalogue.prices?.[part] ?? partsCost, most: 0, seals: [] }
      needed.set(part, one)
      one.probability = Math.min(1, one.probability + probability)
      // the seals of the repair it is likeliest to be needed for
      if (own.length > 0 && probability > one.most) Object.assign(one, { most: probability, seals })
    }
  })
  return [...needed]
    .map(([part, { probability, price, seals }]) => ({
      part,
      probability,
      price,
      seals,
      saved: probability * secondTrip,
      carrying: carrying(price),
    }))
    .map((one) => ({ ...one, take: one.saved > one.carrying }))
    .filter(({ probability, take }) => take || probability >= seldom)
    .sort((a, b) => b.probability - a.probability)
    .slice(0, mostCarried)
}

/** The likeliest row's faults; none where the likeliest is no set of faults. */
function likeliestSet({ sets }: Signatures, shares: Float64Array): readonly number[] {
  return sets[shares.indexOf(Math.max(...shares))] ?? []
}
