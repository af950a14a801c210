import type { Chance } from '../../chance/index.ts'
import { pressureStory, type Phase } from '../../plant/index.ts'
import type { Parameters } from '../../system/index.ts'
import type { ExplanationId } from '../explanations.ts'
import { usualPeriods, type GaugeReading, type PressureSeries, type TopUp } from '../series.ts'

/** A course made by the plant, minute by minute and with figures the fit does not know, and what was wrong in it. */
export interface MadeCourse {
  truth: ExplanationId
  series: PressureSeries
  /** hours from the last reading to where the boiler stops on low water, heating as before; null where it does not within the horizon */
  stopsAfter: number | null
}

const sound: Parameters = {
  'mains.pressure': 3,
  'pipework.leak': 0,
  'pipework.leakHot': 0,
  'pipework.leakCold': 0,
  'relief.opensAt': 3,
  'relief.passing': 0,
  'relief.reseats': 1,
  'fillingLoop.letBy': 0,
  'plate.perforation': 0,
  'vessel.cushion': 1,
  'gauge.follows': 1,
  'gauge.readsHigh': 0,
}

/** between two figures, as often in each of their decades */
const spread = ({ uniform }: Chance, low: number, high: number) => low * Math.exp(uniform() * Math.log(high / low))

/** What is wrong, with figures as the faults of the plant have them; slow ones let days and weeks pass before anything stops. */
const wrong: Record<ExplanationId, (chance: Chance, slow: boolean) => Parameters> = {
  nothing: (chance) => ({ 'pipework.leak': spread(chance, 5e-7, 4e-6) }),
  overfilled: (chance) => ({ 'pipework.leak': spread(chance, 5e-7, 4e-6), 'water.pressure': chance.between(1.9, 2.2) }),
  leak: (chance, slow) => ({ 'pipework.leak': slow ? spread(chance, 4e-5, 4e-4) : spread(chance, 1e-4, 3e-3) }),
  leakHot: (chance, slow) => ({ 'pipework.leakHot': slow ? spread(chance, 1e-4, 8e-4) : spread(chance, 1e-3, 4e-3) }),
  leakCold: (chance, slow) => ({ 'pipework.leakCold': slow ? spread(chance, 6e-5, 6e-4) : spread(chance, 4e-4, 2.5e-3) }),
  relief: (chance, slow) => ({ 'relief.passing': slow ? spread(chance, 4e-5, 4e-4) : spread(chance, 1e-4, 3e-3) }),
  cushion: (chance) => ({ 'vessel.preCharge': chance.between(-0.8, 0.15) }),
  small: (chance) => ({ 'system.volume': chance.between(160, 220), 'vessel.volume': chance.between(6.5, 8) }),
  loop: (chance) => ({ 'fillingLoop.letBy': spread(chance, 3e-4, 6e-3) }),
  plate: (chance) => ({ 'plate.perforation': spread(chance, 3e-4, 6e-3) }),
  gaugeStuck: () => ({ 'gauge.follows': 0 }),
  gaugeSluggish: (chance) => ({ 'gauge.follows': chance.between(0.25, 0.5) }),
}

/** Every explanation that can be made. */
export const everyTruth = Object.keys(wrong) as ExplanationId[]

/**
 * Ten readings over five days, as somebody is asked for them: a usual day, one with the heating left off, one with it on from morning to night, then
 * with the filling loop off.
 */
const plan: { day: number; hour: number; hot: boolean; heating?: 'off' | 'on'; off?: true }[] = [
  { day: 1, hour: 5.3, hot: false },
  { day: 1, hour: 21.3, hot: true },
  { day: 2, hour: 5.3, hot: false },
  { day: 2, hour: 21.3, hot: false, heating: 'off' },
  { day: 3, hour: 5.3, hot: false, heating: 'off' },
  { day: 3, hour: 21.3, hot: true, heating: 'on' },
  { day: 4, hour: 5.3, hot: false },
  { day: 4, hour: 15.8, hot: false, off: true },
  { day: 4, hour: 21.3, hot: true, off: true },
  { day: 5, hour: 5.3, hot: false, off: true },
]

/**
 * One course: ten readings of the plant with a gauge's own error, rounded as people read it; topped up by the people of the house when it is low.
 * The heating does not keep its times to the minute, nor does anybody who reads.
 *
 * @param slow the readings are taken two days apart, of something that takes days and weeks
 * @param horizon days looked ahead for the stop
 */
export function madeCourse(truth: ExplanationId, chance: Chance, slow = false, horizon = 90): MadeCourse {
  for (;;) {
    const made = attempt(truth, chance, slow, horizon)
    if (made) return made
  }
}

function attempt(truth: ExplanationId, chance: Chance, slow: boolean, horizon: number): MadeCourse | null {
  const p: Parameters = {
    ...sound,
    'system.volume': chance.between(65, 110),
    'vessel.volume': chance.pick([8, 10, 12]),
    'vessel.preCharge': 1 + 0.07 * chance.normal(),
    'radiators.roomTemperature': 17 + 1.5 * chance.normal(),
    'water.pressure': chance.between(1.1, 1.5),
    'mains.standing': chance.between(3.5, 6),
    ...wrong[truth](chance, slow),
  }
  if (truth === 'cushion') p['water.pressure'] = chance.between(1.0, 1.3)
  const { phases, marks } = days(slow ? 10 : 5, chance, slow ? 2 : 1)
  const topUps: TopUp[] = []
  let records = pressureStory(p, phases)
  // whoever lives there lets water in when they read it low
  for (const mark of marks.slice(0, -1)) {
    if (mark.state === 'hot' || truth.startsWith('gauge') || records[mark.phase]!.after > 0.7) continue
    const to = chance.pick([1.2, 1.4, 1.5])
    phases[mark.phase + 1]!.setTo = to
    topUps.push({ at: mark.at + 0.05, to })
    records = pressureStory(p, phases)
  }
  const readings = marks.map(({ at, phase, ...told }): GaugeReading => ({
    ...told,
    at: at + 0.1 * chance.normal(),
    bar: Math.max(0, Math.round((records[phase]!.after + 0.05 * chance.normal()) * 20) / 20),
  }))
  const hottest = Math.max(...records.map(({ highest }) => highest))
  // a sound vessel is large enough, one too small runs up
  if (truth === 'nothing' && hottest > 2.5) return null
  if (truth === 'small' && hottest < 2.7) return null
  // what has lifted its relief valve has let the water out again
  if (truth === 'overfilled' && hottest > 2.95) return null
  const relieved = records.reduce((sum, one) => sum + one.relieved, 0)
  return {
    truth,
    series: {
      readings,
      topUps,
      system: {
        litres: p['system.volume']! * Math.exp(0.08 * chance.normal()),
        litresError: 0.1,
        vesselLitres: p['vessel.volume']!,
        charge: 1,
        relief: 3,
        stopsAt: 0.5,
        mains: 4.5,
      },
      periods: usualPeriods,
      gaugeError: 0.06,
      pipeOutside: relieved > 0.03 ? 'wet' : 'dry',
      canMixMains: true,
    },
    stopsAfter: stopOf(p, phases, marks.at(-1)!.phase, horizon, chance),
  }
}

type Mark = Omit<GaugeReading, 'bar'> & { phase: number }

/** Days of heating morning and evening, each a little otherwise, cut where somebody reads. */
function days(count: number, chance: Chance, every = 0): { phases: Phase[]; marks: Mark[] } {
  const phases: Phase[] = []
  const marks: Mark[] = []
  let now = 0
  const left = every > 0 ? [...plan] : []
  for (let day = 0; day <= count; day++) {
    const begin = day * 24
    const turns = [
      { at: begin + 6 + 0.4 * chance.normal(), state: 'cold' as const },
      { at: begin + 8.4 + 0.3 * chance.normal(), state: 'heating' as const },
      { at: begin + 16.6 + 0.3 * chance.normal(), state: 'cold' as const },
      { at: begin + 22.2 + 0.2 * chance.normal(), state: 'heating' as const },
      { at: begin + 24, state: 'cold' as const },
    ]
    const reads = plan.filter((one) => one.day * every === day && every > 0).map((one) => ({ ...one, at: begin + one.hour + 0.15 * chance.normal() }))
    const cuts = [...turns.map(({ at }) => ({ at, read: undefined })), ...reads.map((read) => ({ at: read.at, read }))].sort((one, other) => one.at - other.at)
    for (const { at, read } of cuts) {
      const [next] = left
      if (at > now + 0.02) {
        const usual = turns.find((turn) => turn.at >= at - 1e-9)!.state
        phases.push({
          hours: at - now,
          state: next?.heating === 'off' ? 'cold' : next?.heating === 'on' ? 'heating' : usual,
          ...(next?.off && { loopOff: true }),
        })
        now = at
      }
      if (read) {
        left.shift()
        marks.push({
          at,
          phase: phases.length - 1,
          state: read.hot ? 'hot' : 'cold',
          ...(read.off && { loopOff: true }),
          ...(read.heating && { heating: read.heating }),
        })
      }
    }
  }
  return { phases, marks }
}

/** Hours after the last reading until the pressure has been below the stop. */
function stopOf(p: Parameters, phases: readonly Phase[], last: number, horizon: number, chance: Chance): number | null {
  const { phases: later } = days(horizon, chance)
  const known = phases.slice(0, last + 1).map((one) => ({ ...one }))
  const fine = later.flatMap((phase) => {
    const parts = Math.max(1, Math.ceil(phase.hours / 3))
    return Array.from({ length: parts }, () => ({ hours: phase.hours / parts, state: phase.state }))
  })
  const records = pressureStory({ ...p, 'gauge.follows': 1 }, [...known, ...fine]).slice(last + 1)
  let hours = 0
  for (const [index, { after }] of records.entries()) {
    hours += fine[index]!.hours
    if (after < 0.5) return hours
  }
  return null
}
