import type { Timeline } from '../../plant/index.ts'
import { type Catalogue, readsOf, simulatedChecks } from '../catalogue/index.ts'
import { type Lender, readRun, type RunRead } from './checkReader.ts'
import { pairDraws } from './hypotheses.ts'

/** The runs of the plants with one fault or none, as data that another process can be given. */
export interface SingleRuns {
  /** [nothing wrong, every fault][plant of a pair][read], in the order of {@link runReads} */
  reads: Float64Array
  /** [every fault][run]: 1 where it changes anything, however little and whether it is read or not, in any of the plants a pair has */
  moved: Uint8Array
}

/** To be called once a plant of a row, nothing wrong first, then every fault; `timelineOf` gives its runs. */
export type KeepRuns = (row: number, draw: number, timelineOf: (run: string) => Timeline) => void

/** Everything the checks of a catalogue read in runs. */
export function runReads(catalogue: Catalogue): RunRead[] {
  return simulatedChecks(catalogue)
    .flatMap(readsOf)
    .filter((read) => 'run' in read)
}

/** Keeps what pairs can take from the single faults while {@link buildSingles} simulates these. */
export function singleRuns(catalogue: Catalogue): { runs: SingleRuns; keep: KeepRuns } {
  const wanted = runReads(catalogue)
  const scripts = catalogue.runs.map((run) => run.id)
  const rows = catalogue.faults.length + 1
  const runs = { reads: new Float64Array(rows * pairDraws * wanted.length), moved: new Uint8Array((rows - 1) * scripts.length) }
  const sound = new Map<string, Float64Array>()
  const keep: KeepRuns = (row, draw, timelineOf) => {
    if (row >= rows || draw >= pairDraws) return
    const from = (row * pairDraws + draw) * wanted.length
    wanted.forEach((read, at) => (runs.reads[from + at] = readRun(timelineOf(read.run), read)))
    scripts.forEach((run, at) => {
      const { values } = timelineOf(run)
      if (row === 0) sound.set(`${run} ${draw}`, values.slice())
      else if (differ(values, sound.get(`${run} ${draw}`)!)) runs.moved[(row - 1) * scripts.length + at] = 1
    })
  }
  return { runs, keep }
}

function differ(one: Float64Array, other: Float64Array): boolean {
  for (let index = 0; index < one.length; index++) if (!Object.is(one[index], other[index])) return true
  return false
}

/**
 * Lends a pair the runs in which not both of its faults move anything, as they are with the one that does, or with none.
 *
 * @param change runs a fault changes what is read in, as `run ID`, by fault, in any plant it has: one that shows by itself only in a plant
 *   a pair does not have may show beside another fault in one it has
 */
export function lending(
  catalogue: Catalogue,
  { reads, moved }: SingleRuns,
  change: readonly ReadonlySet<string>[],
): (a: number, b: number) => (draw: number) => Lender {
  const place = new Map(runReads(catalogue).map((read, at) => [read, at]))
  const scripts = catalogue.runs.map((run) => run.id)
  const moves = (fault: number, at: number) => change[fault]!.has(`run ${scripts[at]!}`) || moved[fault * scripts.length + at] === 1
  return (a, b) => {
    /** row each run is taken from */
    const rows = new Map<string, number>()
    scripts.forEach((run, at) => {
      const movers = [a, b].filter((fault) => moves(fault, at))
      if (movers.length < 2) rows.set(run, (movers[0] ?? -1) + 1)
    })
    return (draw) => (read) => {
      const row = rows.get(read.run)
      return row === undefined ? undefined : reads[(row * pairDraws + draw) * place.size + place.get(read)!]
    }
  }
}
