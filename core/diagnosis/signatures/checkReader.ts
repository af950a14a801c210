import { type PhaseRecord, pressureStory, readTimeline, simulate, type Timeline } from '../../plant/index.ts'
import type { Parameters } from '../../system/index.ts'
import { type Catalogue, type Check, type OutcomeResult, type Read, simulatedChecks } from '../catalogue/index.ts'

/** Something read in a run. */
export type RunRead = Extract<Read, { run: string }>

/** What is read of a run; NaN where it never came to that, or what it is seen on is dark. */
export function readRun(timeline: Timeline, { signal, reduce, given }: RunRead): number {
  if (given !== undefined && !(readTimeline(timeline, given, { by: 'max', to: Infinity }) > 0.5)) return NaN
  return readTimeline(timeline, signal, reduce)
}

/** What is read in a run that need not be simulated; undefined where it has to be. */
export type Lender = (read: RunRead) => number | undefined

/** Reads checks in one plant after the other. */
export interface CheckReader {
  /** What every wanted check reads in a plant: a number, the index of an outcome, NaN for "not reached". */
  (parameters: Parameters, wanted: readonly Check[], into: Float32Array | number[], at?: number, lent?: Lender): void
  /** A run of the plant that was read last; good until the next is read. */
  timelineOf: (run: string) => Timeline
}

/** Makes a reader of checks that simulates a run or story only when a check asks for it and nobody lends it, and writes each over the same memory. */
export function checkReader(catalogue: Catalogue): CheckReader {
  const runs = new Map(catalogue.runs.map((run) => [run.id, run]))
  const stories = new Map(catalogue.stories.map((story) => [story.id, story]))
  const memory = new Map<string, Timeline>()
  const timelines = new Map<string, Timeline>()
  const records = new Map<string, PhaseRecord[]>()
  let plant: Parameters = {}
  let lender: Lender | undefined

  const timelineOf = (id: string): Timeline => {
    let timeline = timelines.get(id)
    if (timeline) return timeline
    const run = runs.get(id)
    if (!run) throw new RangeError(`a check reads the run "${id}", which the catalogue does not have`)
    timeline = simulate(catalogue.system, plant, run, memory.get(id))
    memory.set(id, timeline)
    timelines.set(id, timeline)
    return timeline
  }
  const recordOf = (id: string, phase: number): PhaseRecord => {
    let record = records.get(id)
    if (!record) {
      const story = stories.get(id)
      if (!story) throw new RangeError(`a check reads the story "${id}", which the catalogue does not have`)
      records.set(id, (record = pressureStory(plant, story.phases)))
    }
    return record[phase]!
  }
  const take = (read: Read): number => {
    if ('parameter' in read) {
      const value = plant[read.parameter]
      if (value === undefined) throw new RangeError(`a check reads ${read.parameter}, which the system does not have`)
      return value
    }
    if ('story' in read) {
      const record = recordOf(read.story, read.phase)
      if (read.take === 'change') return record.after - record.before
      return read.take === 'climb' ? record.highest - record.before : record[read.take]
    }
    return lender?.(read) ?? readRun(timelineOf(read.run), read)
  }

  const read = (parameters: Parameters, wanted: readonly Check[], into: Float32Array | number[], at = 0, lent?: Lender) => {
    plant = parameters
    lender = lent
    timelines.clear()
    records.clear()
    for (let index = 0; index < wanted.length; index++) into[at + index] = valueOf(wanted[index]!, take)
  }
  return Object.assign(read, { timelineOf })
}

/** What every simulated check reads in one plant, in catalogue order. */
export function readChecks(catalogue: Catalogue, parameters: Parameters): number[] {
  const checks = simulatedChecks(catalogue)
  const values: number[] = []
  checkReader(catalogue)(parameters, checks, values)
  return values
}

function valueOf({ result }: Check, take: (read: Read) => number): number {
  if (result.kind === 'number') return take(result.read)
  if (result.kind === 'outcome') return outcomeOf(result, take)
  return NaN
}

function outcomeOf({ decide, outcomes }: OutcomeResult, take: (read: Read) => number): number {
  if ('index' in decide) {
    const values = decide.index.map(take)
    return Math.min(decide.combine === 'min' ? Math.min(...values) : Math.max(...values), outcomes.length - 1)
  }
  const met = decide.rules.find((rule) =>
    rule.all.every(({ read, above, below }) => {
      const value = take(read)
      return (above === undefined || value > above) && (below === undefined || value < below)
    }),
  )
  const id = met?.outcome ?? decide.otherwise
  return outcomes.findIndex((one) => one.id === id)
}
