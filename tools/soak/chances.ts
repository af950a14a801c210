/** Numbers in order from a seed, each from 0 up to but not with `below`. Source: Numerical Recipes' linear congruential generator. */
export function chances(seed: number) {
  let state = seed >>> 0
  return (below: number) => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0
    return Math.floor((state / 2 ** 32) * below)
  }
}
