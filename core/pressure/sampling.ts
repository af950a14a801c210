import type { Chance } from '../chance/index.ts'

/** Weighted draws from what is believed after the readings. */
export interface Draws {
  /** standard normals of each draw, one after the other */
  z: Float64Array
  size: number
  /** weight of each draw; they add up to one */
  weight: Float64Array
  /** log of the mean likelihood under the prior */
  logEvidence: number
  /** how many equally weighted draws they are worth */
  worth: number
}

interface Proposal {
  mean: Float64Array
  /** lower triangle of the Cholesky factor of the scale, row by row */
  factor: Float64Array
  logNorm: number
}

/** degrees of freedom of the proposals: heavy in the tails, so that no weight runs away */
const freedom = 5
const halfLogTwoPi = 0.9189385332046727

/**
 * Draws from a posterior over standard normals by adaptive importance sampling: first from the prior, then from Student's t fitted to what has been
 * found, all rounds weighted as one mixture. Source: Owen and Zhou 2000 (mixture weights); Cappé et al. 2004 (population Monte Carlo).
 *
 * @param size how many standard normals
 * @param logLikelihood of a draw at `z[at…at+size]`; −Infinity where it cannot be
 */
export function sample(size: number, logLikelihood: (z: Float64Array, at: number) => number, chance: Chance, first = 320, later = 220, rounds = 3): Draws {
  const count = first + later * rounds
  const z = new Float64Array(count * size)
  const likely = new Float64Array(count)
  const prior = new Float64Array(count)
  const proposals: Proposal[] = []
  const counts: number[] = []
  let made = first
  const evaluate = (from: number, to: number) => {
    for (let draw = from; draw < to; draw++) {
      let log = 0
      for (let d = 0; d < size; d++) log -= 0.5 * z[draw * size + d]! ** 2 + halfLogTwoPi
      prior[draw] = log
      likely[draw] = logLikelihood(z, draw * size)
    }
  }
  for (let index = 0; index < first * size; index++) z[index] = chance.normal()
  evaluate(0, first)
  for (let round = 0; round < rounds; round++) {
    const proposal = fitted(z, size, made, logWeights(z, size, made, prior, likely, proposals, counts, first))
    if (!proposal) break
    for (let draw = made; draw < made + later; draw++) drawFrom(proposal, z, draw * size, size, chance)
    proposals.push(proposal)
    counts.push(later)
    evaluate(made, made + later)
    made += later
  }
  const logs = logWeights(z, size, made, prior, likely, proposals, counts, first)
  const top = logs.reduce((most, one) => Math.max(most, one), -Infinity)
  const weight = logs.map((one) => (top === -Infinity ? 0 : Math.exp(one - top)))
  const sum = weight.reduce((total, one) => total + one, 0)
  for (let draw = 0; draw < made; draw++) weight[draw] = sum > 0 ? weight[draw]! / sum : 1 / made
  const squares = weight.reduce((total, one) => total + one * one, 0)
  return { z: z.slice(0, made * size), size, weight, logEvidence: sum > 0 ? top + Math.log(sum / made) : -Infinity, worth: squares > 0 ? 1 / squares : 0 }
}

/** Log of prior times likelihood over the mixture everything was drawn from. */
function logWeights(
  z: Float64Array,
  size: number,
  made: number,
  prior: Float64Array,
  likely: Float64Array,
  proposals: Proposal[],
  counts: number[],
  first: number,
): Float64Array {
  const logs = new Float64Array(made)
  for (let draw = 0; draw < made; draw++) {
    if (likely[draw] === -Infinity) {
      logs[draw] = -Infinity
      continue
    }
    let most = prior[draw]! + Math.log(first / made)
    const parts = [most]
    proposals.forEach((proposal, index) => {
      const one = logDensity(proposal, z, draw * size, size) + Math.log(counts[index]! / made)
      parts.push(one)
      most = Math.max(most, one)
    })
    logs[draw] = prior[draw]! + likely[draw]! - (most + Math.log(parts.reduce((sum, one) => sum + Math.exp(one - most), 0)))
  }
  return logs
}

/** A t-distribution over the weighted draws; the weights are flattened until enough of them count. */
function fitted(z: Float64Array, size: number, made: number, logs: Float64Array): Proposal | null {
  const top = logs.reduce((most, one) => Math.max(most, one), -Infinity)
  if (top === -Infinity) return null
  let [low, high] = [0, 1]
  const flattened = (power: number) => logs.map((one) => Math.exp((one - top) * power))
  const worth = (weights: Float64Array) => weights.reduce((sum, one) => sum + one, 0) ** 2 / weights.reduce((sum, one) => sum + one * one, 0)
  const enough = 12 + 6 * size
  if (worth(flattened(1)) < enough) {
    for (let step = 0; step < 18; step++) {
      const middle = (low + high) / 2
      if (worth(flattened(middle)) < enough) high = middle
      else low = middle
    }
  } else low = 1
  const weights = flattened(low)
  const sum = weights.reduce((total, one) => total + one, 0)
  const mean = new Float64Array(size)
  for (let draw = 0; draw < made; draw++) for (let d = 0; d < size; d++) mean[d]! += (weights[draw]! / sum) * z[draw * size + d]!
  const spread = new Float64Array(size * size)
  for (let draw = 0; draw < made; draw++) {
    const share = weights[draw]! / sum
    if (share < 1e-12) continue
    for (let row = 0; row < size; row++)
      for (let column = 0; column <= row; column++)
        spread[row * size + column]! += share * (z[draw * size + row]! - mean[row]!) * (z[draw * size + column]! - mean[column]!)
  }
  // a little wider than what was found, and never flat
  for (let row = 0; row < size; row++)
    for (let column = 0; column <= row; column++) spread[row * size + column] = spread[row * size + column]! * 1.3 + (row === column ? 2e-4 : 0)
  const factor = cholesky(spread, size)
  let logDeterminant = 0
  for (let d = 0; d < size; d++) logDeterminant += Math.log(factor[d * size + d]!)
  return { mean, factor, logNorm: logGamma((freedom + size) / 2) - logGamma(freedom / 2) - (size / 2) * Math.log(freedom * Math.PI) - logDeterminant }
}

function drawFrom({ mean, factor }: Proposal, z: Float64Array, at: number, size: number, chance: Chance): void {
  let squares = 0
  for (let d = 0; d < freedom; d++) squares += chance.normal() ** 2
  const scale = Math.sqrt(freedom / squares)
  const normals = Array.from({ length: size }, () => chance.normal() * scale)
  for (let row = 0; row < size; row++) {
    let value = mean[row]!
    for (let column = 0; column <= row; column++) value += factor[row * size + column]! * normals[column]!
    z[at + row] = value
  }
}

function logDensity({ mean, factor, logNorm }: Proposal, z: Float64Array, at: number, size: number): number {
  let distance = 0
  const solved = new Float64Array(size)
  for (let row = 0; row < size; row++) {
    let value = z[at + row]! - mean[row]!
    for (let column = 0; column < row; column++) value -= factor[row * size + column]! * solved[column]!
    solved[row] = value / factor[row * size + row]!
    distance += solved[row]! ** 2
  }
  return logNorm - ((freedom + size) / 2) * Math.log1p(distance / freedom)
}

function cholesky(matrix: Float64Array, size: number): Float64Array {
  const factor = new Float64Array(size * size)
  for (let row = 0; row < size; row++)
    for (let column = 0; column <= row; column++) {
      let sum = matrix[row * size + column]!
      for (let k = 0; k < column; k++) sum -= factor[row * size + k]! * factor[column * size + k]!
      factor[row * size + column] = row === column ? Math.sqrt(Math.max(sum, 1e-8)) : sum / factor[column * size + column]!
    }
  return factor
}

/** Logarithm of the gamma function by Stirling's series, raised into where it holds. Source: Abramowitz and Stegun 6.1.41. */
function logGamma(x: number): number {
  let [shift, at] = [0, x]
  for (; at < 8; at++) shift -= Math.log(at)
  return shift + (at - 0.5) * Math.log(at) - at + halfLogTwoPi + 1 / (12 * at) - 1 / (360 * at ** 3) + 1 / (1260 * at ** 5)
}
