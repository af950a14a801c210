import { readTimeline, simulate, type Timeline } from '../../plant/index.ts'
import { type Catalogue, type Read, readsOf, simulatedChecks } from '../catalogue/index.ts'
import { healthyDraws } from './healthyPlants.ts'
import { drawCount, type FaultSet, pairDraws, plantOf } from './hypotheses.ts'

/** The runs of the plants with one fault or none, simulated once each, when they are asked for. */
export interface SingleRuns {
  /** Whether a fault changes anything in a run, however little and whether it is read or not, in any of the plants a pair has. */
  changes(fault: number, run: string): boolean
  /** What every check takes from a run in one plant: with that fault, or with none. */
  reads(fault: number | undefined, draw: number, run: string): ReadonlyMap<Read, number>
}

/** See {@link SingleRuns}. Keeps what is read, and of the plants in order the whole run: some thirty megabytes a system. */
export function singleRuns(catalogue: Catalogue): SingleRuns {
  const healthy = healthyDraws(catalogue.system, drawCount)
  const scripts = new Map(catalogue.runs.map((run) => [run.id, run]))
  const reads = simulatedChecks(catalogue).flatMap(readsOf)
  const memory = new Map<string, Timeline>()
  const sound = new Map<string, Timeline>()
  const known = new Map<string, { reads: ReadonlyMap<Read, number>; changed: boolean }>()

  const simulated = (faults: FaultSet, draw: number, run: string, into?: Timeline) =>
    simulate(catalogue.system, plantOf(catalogue, faults, draw, healthy), scripts.get(run)!, into)
  const readIn = (timeline: Timeline, run: string) => {
    const read = new Map<Read, number>()
    for (const one of reads) if ('run' in one && one.run === run) read.set(one, readTimeline(timeline, one.signal, one.reduce))
    return read
  }
  const soundRun = (draw: number, run: string): Timeline => {
    const key = `${draw} ${run}`
    let timeline = sound.get(key)
    if (!timeline) sound.set(key, (timeline = simulated([], draw, run)))
    return timeline
  }
  const of = (fault: number, draw: number, run: string) => {
    const key = `${fault} ${draw} ${run}`
    let one = known.get(key)
    if (one) return one
    const timeline = simulated([fault], draw, run, memory.get(run))
    memory.set(run, timeline)
    known.set(key, (one = { reads: readIn(timeline, run), changed: differ(timeline.values, soundRun(draw, run).values) }))
    return one
  }
  return {
    changes: (fault, run) => Array.from({ length: pairDraws }, (_unused, draw) => draw).some((draw) => of(fault, draw, run).changed),
    reads: (fault, draw, run) => (fault === undefined ? readIn(soundRun(draw, run), run) : of(fault, draw, run).reads),
  }
}

function differ(one: Float64Array, other: Float64Array): boolean {
  for (let index = 0; index < one.length; index++) if (!Object.is(one[index], other[index])) return true
  return false
}
