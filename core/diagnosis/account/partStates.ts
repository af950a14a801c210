import { type Belief, leadingRows, rowsByBelief } from '../belief/index.ts'
import type { Catalogue, PartState, Verdict } from '../catalogue/index.ts'
import type { Signatures } from '../signatures/index.ts'

/** A part is condemned from here on. */
const standsOut = 0.9

/**
 * Each part's probability, and whether it is proven. Good: adding any of its modes to what is believed otherwise has become at least twenty
 * times less likely than it was, or a direct test of each of its modes speaks so much against it; a part no reading could have shown stays
 * untested.
 *
 * @param pairs the belief over every pair, where larger sets were grown
 */
export function partStates(
  catalogue: Catalogue,
  signatures: Signatures,
  belief: Belief,
  pairs: { signatures: Signatures; belief: Belief } = { signatures, belief },
): PartState[] {
  const { sets, first } = signatures
  const { posterior } = belief
  const fallen = fallenOdds(catalogue, pairs.signatures, pairs.belief)
  const cleared = clearedDirectly(catalogue, signatures, belief)
  const partOf = new Map(catalogue.parts.map((part, index) => [part.id, index]))
  const placeOf = catalogue.faults.map((fault) => partOf.get(fault.part)!)
  const probability = new Float64Array(catalogue.parts.length)
  sets.forEach((set, row) => {
    for (let at = 0; at < set.length; at++) {
      const place = placeOf[set[at]!]!
      let counted = false
      for (let before = 0; before < at; before++) counted ||= placeOf[set[before]!] === place
      if (!counted) probability[place]! += posterior[row]!
    }
  })
  const leader = rowsByBelief(belief)[0]!
  const meanLog = (table: Float64Array, row: number) => {
    let sum = 0
    for (let plant = first[row]!; plant < first[row + 1]!; plant++) sum += table[plant]!
    return sum / (first[row + 1]! - first[row]!)
  }
  /** the evidence that spoke most against its modes, beside what the leader says of it */
  const provenBy = (place: number): PartState['provenBy'] =>
    belief.weighed
      .map((one) => {
        const most = Math.min(...placeOf.flatMap((other, index) => (other === place ? [meanLog(one.table, index + 1) - meanLog(one.table, leader)] : [])))
        return { one, most }
      })
      .filter(({ most }) => most < -Math.LN2)
      .sort((a, b) => a.most - b.most)
      .slice(0, 3)
      .map(({ one }) => ({ check: one.check ?? 'seen', label: one.label, entries: one.entries }))
  return catalogue.parts.map(({ id, label, of }, place) => {
    const good = probability[place]! < 0.05 && fallen.every((times, index) => placeOf[index] !== place || times <= provenGood || cleared[index]!)
    const state = probability[place]! >= standsOut ? 'bad' : good ? 'good' : 'untested'
    return { id, label, ...(of && { of }), probability: probability[place]!, state, provenBy: state === 'good' ? provenBy(place) : [] }
  })
}

/** A part is good from this share of what its modes were likely before. Chosen */
const provenGood = 1 / 20

/** How many times likelier each fault has become, beside nothing and beside every other single fault. */
function fallenOdds(catalogue: Catalogue, { sets }: Signatures, { prior, posterior }: Belief): Float64Array {
  const count = catalogue.faults.length
  const withIt = posterior.slice(1, count + 1)
  const withItBefore = prior.slice(1, count + 1).map((one) => one * posterior[0]!)
  const without = new Float64Array(count).fill(posterior[0]!)
  const withoutBefore = new Float64Array(count).fill(prior[0]! * posterior[0]!)
  const joined = (fault: number, other: number, row: number) => {
    const weight = posterior[other + 1]!
    without[fault]! += weight
    withIt[fault]! += posterior[row]!
    withoutBefore[fault]! += prior[other + 1]! * weight
    withItBefore[fault]! += prior[row]! * weight
  }
  sets.forEach((set, row) => {
    if (set.length !== 2) return
    joined(set[0]!, set[1]!, row)
    joined(set[1]!, set[0]!, row)
  })
  return withIt.map((one, fault) => one / Math.max(without[fault]!, 1e-300) / (withItBefore[fault]! / Math.max(withoutBefore[fault]!, 1e-300)))
}

/** Which faults a test of the part alone speaks against, whatever the complaint made of them: by one made as it should be. */
function clearedDirectly(catalogue: Catalogue, { first, draws }: Signatures, { weighed }: Belief): boolean[] {
  const mean = (table: Float64Array, row: number) => {
    let sum = 0
    for (let plant = first[row]!; plant < first[row]! + draws; plant++) sum += Math.exp(table[plant]!)
    return sum
  }
  const direct = weighed.filter(({ check }) => catalogue.checks.find((one) => one.id === check)?.direct)
  return catalogue.faults.map((_fault, index) => direct.some(({ table }) => mean(table, index + 1) <= provenGood * mean(table, 0)))
}

/** How likely each fault stands, alone or with another, by shares of the rows. */
export function faultProbabilities({ sets, faults }: Signatures, shares: Float64Array): Float64Array {
  const probability = new Float64Array(faults.length)
  sets.forEach((set, row) => {
    for (const index of set) probability[index]! += shares[row]!
  })
  return probability
}

/** The part that stands out, by shares of the rows: as found, or as it stands now. */
export function verdictOf(catalogue: Catalogue, signatures: Signatures, shares: Float64Array): Verdict | null {
  const each = faultProbabilities(signatures, shares)
  let worst: Pick<Verdict, 'part' | 'label' | 'probability'> | null = null
  for (const { id, label } of catalogue.parts) {
    const own = new Set(catalogue.faults.flatMap((fault, index) => (fault.part === id ? [index] : [])))
    let probability = 0
    if ([...own].reduce((sum, index) => sum + each[index]!, 0) >= standsOut)
      signatures.sets.forEach((set, row) => {
        if (set.some((index) => own.has(index))) probability += shares[row]!
      })
    if (probability >= standsOut && probability > (worst?.probability ?? 0)) worst = { part: id, label, probability }
  }
  if (!worst) return null
  const { part } = worst
  const modes = catalogue.faults.flatMap((fault, index) => {
    const probability = each[index]!
    return fault.part === part && probability > 0.01 ? [{ fault: fault.id, label: fault.label, probability }] : []
  })
  return { ...worst, modes: modes.sort((a, b) => b.probability - a.probability) }
}

/** Shares of the rows as they stand now: what was repaired taken out, with the chance that it worked; what was mended in vain may be nothing listed. */
export function standingNow({ sets }: Signatures, belief: Belief): Float64Array {
  const shares = new Float64Array(sets.length + 2)
  const unlisted = sets.length + 1
  for (const row of leadingRows(belief))
    for (const state of belief.standing(row)) {
      const share = belief.posterior[row]! * state.weight
      const notListed = share * belief.notListed(state.row)
      shares[state.row]! += share - notListed
      shares[unlisted]! += notListed
    }
  return shares
}
