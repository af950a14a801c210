import type { Alike, Signatures } from '../../signatures/index.ts'

/** From so many spreads off a healthy reading on, a fault moves a check plainly. */
const plainly = 3
/** A reading at least this far on the way to the mildest that was simulated is a milder form of it. Chosen */
const milder = 0.3
/** how fast it becomes unlikely on the way back to healthy. Chosen */
const inward = 3
/** Ways from healthy to the worst simulated beyond which a worse reading is no likelier to be the same fault. Chosen */
const furthest = 3
/** milder readings that are tried: up to the worst that was simulated at most so many, and so many beyond */
const steps = { within: 80, beyond: 20 }

/** How numbers of one check are judged, all on the scale of the comparison but for those of the simulation. */
export interface Judged {
  /** density of a number where the simulation says `is` */
  density: (is: number, said: number) => number
  /** a number of the simulation, and the spread of readings of it */
  onScale: (is: number) => number
  spread: (is: number) => number
  /** likelihoods are held apart by no more than so much */
  cap: number
  /** what an unlisted cause makes of any number at least */
  strange: number
}

/** A fault that moves a check one way: from where, which way, how far at mildest and worst. */
export interface Moved {
  fault: number
  from: number
  way: 1 | -1
  mildest: number
  worst: number
  /** whether it has milder and worse forms at all: what is broken or not has none that is half broken */
  graded: boolean
  /** what it reads in every draw, and what a sound appliance does */
  own: number[]
  healthy: number[]
  /** milder and worse readings in order, and how many times likelier than nothing wrong the fault is by the most telling up to each */
  steps: { at: number; most: number }[]
}

/** A fault as a number that it moves says. */
export interface Worse {
  fault: number
  /** likelihood of each of its plants, what was simulated extended at both ends */
  plants: Float64Array
  /** what these come to in the mean at least: so many times as likely as nothing wrong as any milder reading makes it */
  least: number
}

/** The faults that move a check plainly and one way only. */
export function movedFaults({ faults, first, draws }: Signatures, { values, of }: Alike, judged: Judged): Moved[] {
  const healthy = Array.from({ length: draws }, (_unused, draw) => values[of[draw]!]!)
  return faults.flatMap((_id, fault) => {
    const own = Array.from({ length: draws }, (_unused, draw) => values[of[first[fault + 1]! + draw]!]!)
    const moved = movedBy(fault, own, healthy, judged)
    if (!moved) return []
    let most = 0
    return { ...moved, steps: moved.steps.map(({ at }) => ({ at, most: (most = Math.max(most, oddsAt(moved, judged, at))) })) }
  })
}

/**
 * Faults that move a check one way, as a number that way judges them. Severity has no sharp ends: beyond the worst that was simulated a
 * reading counts as that one, a little less the further it is; and one on the way to the mildest counts as the mildest, less the nearer to
 * healthy. Against nothing wrong a worse reading never convicts less than a milder one, unless some other fault predicts that very reading.
 *
 * @param at what was read, on the scale of the comparison
 */
export function worseReadings(moved: readonly Moved[], judged: Judged, at: number): Worse[] {
  return moved.flatMap((one) => {
    if ((at - one.from) * one.way <= 0) return []
    let most = 0
    for (const step of one.steps) {
      if ((at - step.at) * one.way < 0) break
      most = step.most
    }
    // far out it is no less likely than it takes to convict as much as a milder reading
    const own = extended(one, judged, at)
    const sound = one.healthy.map((is) => judged.density(is, at))
    const short = Math.max(1, (most * meanOf(sound, 0)) / meanOf(own, 0))
    const plants = own.map((each) => each * short)
    return { fault: one.fault, plants, least: most * meanOf(sound, Math.max(judged.strange, ...plants, ...sound) / judged.cap) }
  })
}

function movedBy(fault: number, own: number[], healthy: number[], { onScale, spread }: Judged): Moved | null {
  let far = 0
  let from = 0
  const both: { is: number; off: number; spread: number }[] = []
  for (let draw = 0; draw < own.length; draw++) {
    if (own[draw] === healthy[draw] || Number.isNaN(own[draw]!) || Number.isNaN(healthy[draw]!)) continue
    const off = onScale(own[draw]!) - onScale(healthy[draw]!)
    both.push({ is: onScale(own[draw]!), off, spread: spread(own[draw]!) })
    from += onScale(healthy[draw]!)
    if (Math.abs(off) > Math.abs(far)) far = off
  }
  if (both.length === 0) return null
  const narrowest = Math.min(...both.map((one) => one.spread))
  const way = far > 0 ? 1 : -1
  if (Math.abs(far) < plainly * narrowest || both.some((one) => one.off * way < -one.spread / 2)) return null
  from /= both.length
  const readings = both.map((one) => one.is * way)
  const [mildest, worst] = [way * Math.min(...readings), way * Math.max(...readings)]
  const whole = Math.abs(worst - from)
  const step = Math.max(narrowest / 2, whole / steps.within)
  const tried = Array.from({ length: Math.ceil(whole / step) }, (_unused, index) => ({ at: from + (index + 1) * step * way, most: 0 }))
  const beyond = Array.from({ length: steps.beyond }, (_unused, index) => ({
    at: worst + way * (step + (furthest * whole * (index + 1)) / steps.beyond),
    most: 0,
  }))
  return { fault, own, healthy, from, way, mildest, worst, graded: Math.abs(worst - mildest) >= narrowest, steps: [...tried, ...beyond] }
}

/** Likelihood of each plant of a fault at a number, with what was simulated extended at both ends. */
function extended({ own, from, way, mildest, worst, graded }: Moved, { density, spread }: Pick<Judged, 'density' | 'spread'>, at: number): Float64Array {
  const whole = (worst - from) * way
  const beyond = (at - worst) * way
  if (beyond > 0) {
    const kept = Math.exp(-Math.min(beyond / whole, furthest))
    return Float64Array.from(own, (is) => Math.max(density(is, at), density(is, worst) * kept))
  }
  const short = (mildest - from) * way
  const reached = (at - from) * way
  const isMilder =
    graded && reached < short && reached >= milder * short && reached >= plainly * Math.max(...own.map((is) => (Number.isNaN(is) ? 0 : spread(is))))
  const kept = Math.exp(-inward * (1 - reached / short))
  return Float64Array.from(own, (is) => (isMilder ? Math.max(density(is, at), density(is, mildest) * kept) : density(is, at)))
}

/** How many times likelier a fault makes a number than nothing wrong does, as if there were no other fault. */
function oddsAt(moved: Moved, judged: Judged, at: number): number {
  const plants = extended(moved, judged, at)
  const sound = moved.healthy.map((is) => judged.density(is, at))
  const floor = Math.max(judged.strange, ...plants, ...sound) / judged.cap
  const its = meanOf(plants, floor)
  const without = meanOf(sound, floor)
  return its / without
}

function meanOf(likelihoods: ArrayLike<number>, floor: number): number {
  let sum = 0
  for (let index = 0; index < likelihoods.length; index++) sum += Math.max(likelihoods[index]!, floor)
  return sum / likelihoods.length
}
