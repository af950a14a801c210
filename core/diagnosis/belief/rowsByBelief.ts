import type { Belief } from './posterior.ts'

/** share of the belief that is looked at when checks are ranked */
const looked = 0.995

const sorted = new WeakMap<Belief, number[]>()

/** Every row, likeliest first. */
export function rowsByBelief(belief: Belief): number[] {
  let order = sorted.get(belief)
  if (!order) {
    sorted.set(belief, (order = descending(belief.posterior)))
  }
  return order
}

/** Rows that together hold nearly all of the belief, likeliest first. */
export function leadingRows(belief: Belief, share = looked): number[] {
  const order = rowsByBelief(belief)
  let sum = 0
  let count = 0
  while (count < order.length && sum < share) sum += belief.posterior[order[count++]!]!
  return order.slice(0, count)
}

/** Places of probabilities, the largest first: numbers that hold both, since these sort many times faster than by comparing. */
function descending(probabilities: Float64Array): number[] {
  const many = probabilities.length
  const least = 1e-300
  const keys = Float64Array.from(probabilities, (one, place) => Math.round(-Math.log(Math.max(one, least)) * 1e8) * many + place)
  return Array.from(keys.sort(), (key) => key % many)
}
