import type { Belief } from './posterior.ts'

/** share of the belief that is looked at when checks are ranked */
const looked = 0.995

const sorted = new WeakMap<Belief, number[]>()

/** Every row, likeliest first. */
export function rowsByBelief(belief: Belief): number[] {
  let order = sorted.get(belief)
  if (!order) {
    const { posterior } = belief
    order = Array.from(posterior.keys()).sort((a, b) => posterior[b]! - posterior[a]!)
    sorted.set(belief, order)
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
