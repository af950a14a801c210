import { hotPressure } from '../../../physics/index.ts'
import { parametersOf } from '../../../system/index.ts'
import type { Catalogue, Experience, Fault } from '../../catalogue/index.ts'
import type { Circumstances } from '../../evidence/index.ts'

/**
 * Call-outs in a thousand on which a fault stands, for an appliance of known or unknown age.
 *
 * @param age years; undefined averages the bands
 */
function oddsOf({ per1000 }: Pick<Fault, 'per1000'>, age?: number): number {
  if (typeof per1000 === 'number') return per1000
  if (age === undefined) return (per1000.to5 + per1000.to12 + per1000.over12) / 3
  return age <= 5 ? per1000.to5 : age <= 12 ? per1000.to12 : per1000.over12
}

/** Call-outs the assumed odds count for beside the firm's own. Chosen: a firm's first few dozen cases should move them little */
export const assumedCases = 400

/** What engineers say of a kind of boiler from their own experience counts for so many call-outs, before the firm has closed any. Chosen: a quarter of what is assumed */
const statedCases = 100

/** How many call-outs a statement counts for beside the firm's closed cases: the more of these, the fewer. */
export const statedWeight = ({ cases }: Pick<Experience, 'cases'>): number => (statedCases * statedCases) / (statedCases + cases)

/** How many times likelier a fault is whose background is known to be there. Assumed */
const backgroundKnown = 3

/**
 * Call-outs in a thousand on which each fault stands: assumed, by age, then moved by what engineers state and by the firm's proven repairs as
 * counts of a Dirichlet distribution move its mean, then by what is known of the place and of the versions of its parts. What is not known
 * stays averaged.
 */
export function faultOdds(catalogue: Catalogue, circumstances: Circumstances = {}): number[] {
  const { age, experience, recentWork, known, versions } = circumstances
  const tight = vesselTimes(catalogue, circumstances)
  return catalogue.faults.map((fault) => {
    const assumed = oddsOf(fault, age)
    const counted = experience ? withExperience(assumed, fault.id, experience) : assumed
    const here = known && fault.background?.some((one) => known.has(one)) ? backgroundKnown : 1
    return counted * here * (recentWork?.get(fault.part) ?? 1) * versionTimes(fault, versions) * (fault.bySize ? tight : 1)
  })
}

function withExperience(assumed: number, fault: string, experience: Experience): number {
  const stated = experience.stated?.[fault]
  const weight = stated === undefined ? 0 : statedWeight(experience)
  const counts = assumed * assumedCases + 1000 * (experience.proven[fault] ?? 0) + 1000 * weight * (stated ?? 0)
  return counts / (assumedCases + experience.cases + weight)
}

/** How many times likelier a fault is on the versions that are known. */
function versionTimes({ byVersion = [] }: Pick<Fault, 'byVersion'>, versions?: ReadonlyMap<string, string>): number {
  return byVersion.reduce((product, { fact, choice, times }) => (versions?.get(fact) === choice ? product * times : product), 1)
}

/** cold and hot between which the water grows, °C, and the cold fill, bar gauge. Common practice */
const grows = { from: 10, to: 75, fill: 1.2, charge: 1 }
/** hot pressure a vessel that is just large enough for its system gets to, bar gauge, and how fast the odds rise beyond it. Assumed */
const enough = { hot: 2.5, perBar: 3.5, least: 0.05, most: 20 }

/**
 * How many times likelier a vessel too small for its system is, by the sum of the sizes that are known: from the pressure it would get to hot.
 * Where neither size is known it stays as assumed.
 */
export function vesselTimes({ system }: Pick<Catalogue, 'system'>, { parameters = {} }: Circumstances): number {
  const sizes = ['system.volume', 'vessel.volume'] as const
  if (!sizes.some((key) => parameters[key] !== undefined)) return 1
  const usual = new Map(parametersOf(system).map(([key, { value }]) => [key, value]))
  const [litres, vesselLitres] = sizes.map((key) => parameters[key] ?? usual.get(key))
  if (litres === undefined || vesselLitres === undefined || !(litres > 0) || !(vesselLitres > 0)) return 1
  const hot = hotPressure({ litres, vesselLitres, preCharge: grows.charge, fill: grows.fill }, grows.from, grows.to)
  return Math.min(Math.max(Math.exp(enough.perBar * (hot - enough.hot)), enough.least), enough.most)
}

/** What changes the odds of a fault here, in words. */
export function oddsBecause(catalogue: Catalogue, fault: Fault, circumstances: Circumstances): string[] {
  const { known, recentWork, versions, experience } = circumstances
  const because = (fault.byVersion ?? []).flatMap(({ fact, choice, times }) => {
    const kind = catalogue.facts.find((one) => one.id === fact)
    const label = kind?.choices?.find((one) => one.id === choice)?.label
    return versions?.get(fact) === choice && times !== 1 ? [`${kind?.label}, ${label}: ${inTimes(times)}`] : []
  })
  const tight = fault.bySize ? vesselTimes(catalogue, circumstances) : 1
  if (tight !== 1) because.push(`by the sizes given: ${inTimes(tight)}`)
  if (known && fault.background?.some((one) => known.has(one))) because.push(`installed within the year: ${inTimes(backgroundKnown)}`)
  const worked = recentWork?.get(fault.part)
  if (worked !== undefined && worked !== 1) because.push(`worked on lately: ${inTimes(worked)}`)
  const stated = experience?.stated?.[fault.id]
  if (experience && stated !== undefined)
    because.push(`own experience says ${Math.round(stated * 10)} in ten, counting for ${Math.round(statedWeight(experience))} cases`)
  return because
}

const inTimes = (times: number) =>
  times >= 1
    ? `${times >= 10 ? Math.round(times) : Number(times.toFixed(1))} times as likely`
    : times > 0.1
      ? `${Number(times.toFixed(1))} times as likely`
      : 'hardly ever'
