import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { uniformInt } from 'pure-rand/distribution/uniformInt'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'

/** Chance from a seed: the same seed gives the same course. */
export interface Chance {
  /** uniform in [0, 1) */
  uniform: () => number
  /** between two numbers */
  between: (low: number, high: number) => number
  /** standard normal */
  normal: () => number
  /** true with a probability */
  happens: (probability: number) => boolean
  /** one of a list */
  pick: <T>(list: readonly T[]) => T
  /** an index, by weight */
  weighted: (weights: readonly number[]) => number
}

export function chanceFrom(seed: number): Chance {
  const random = xoroshiro128plus(seed)
  const uniform = () => uniformFloat64(random)
  return {
    uniform,
    between: (low, high) => low + (high - low) * uniform(),
    // Box and Muller 1958
    normal: () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform()),
    happens: (probability) => uniform() < probability,
    pick: (list) => list[uniformInt(random, 0, list.length - 1)]!,
    weighted: (weights) => {
      let left = uniform() * weights.reduce((sum, one) => sum + one, 0)
      for (let index = 0; index < weights.length; index++) if ((left -= weights[index]!) < 0) return index
      return weights.length - 1
    },
  }
}
