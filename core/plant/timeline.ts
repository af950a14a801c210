import { signalIndex, signalNames, type SignalName } from '../system/index.ts'

const width = signalNames.length

/** What a run of the plant left behind: every signal at every step. */
export interface Timeline {
  /** seconds between rows */
  step: number
  rows: number
  /** row-major, one column per signal of `signalNames` */
  values: Float64Array
  /** seconds at which the demand of the script was withdrawn */
  demandEnds: number
}

/** A timeline for `seconds` at `step`: a new one, or `into` again where it has room for just that. */
export function emptyTimeline(seconds: number, step: number, demandEnds: number, into?: Timeline): Timeline {
  const rows = Math.round(seconds / step) + 1
  const values = into?.values.length === rows * width ? into.values : new Float64Array(rows * width)
  return { step, rows, values, demandEnds }
}

/** The value of one signal at a row. */
export function at(timeline: Timeline, row: number, signal: SignalName): number {
  return timeline.values[row * width + signalIndex[signal]]!
}

/**
 * How a run of values becomes one reading.
 *
 * `max`, `min`, `mean`, `swing` (highest less lowest) and `mode` (the commonest value) look at the seconds
 * `from`–`to`; `settled` is the value when the burner first dropped out, or at the end of the demand if it never
 * did; `whileLit` is the mean and `modeWhileLit` the commonest value while a flame burns; `drops` counts how often the flame went out while the demand
 * lasted; `last` is the value at the end of the run. `beforeGas` is the highest value from when the fan is
 * asked to run to the first gas: while it purges.
 */
export type Reduce =
  | { by: 'max' | 'min' | 'mean' | 'swing' | 'mode'; from?: number; to?: number }
  | { by: 'settled' | 'whileLit' | 'modeWhileLit' | 'drops' | 'last' | 'beforeGas' }

/**
 * Reads one value off a timeline.
 *
 * @returns NaN where the run never came to the state the reading is taken in ("not reached")
 */
export function readTimeline(timeline: Timeline, signal: SignalName, reduce: Reduce): number {
  const column = signalIndex[signal]
  const { values, step, rows } = timeline
  const demandEndRow = Math.min(rows - 1, Math.round(timeline.demandEnds / step) - 1)
  switch (reduce.by) {
    case 'last':
      return values[(rows - 1) * width + column]!
    case 'settled': {
      const flame = signalIndex.flame
      let lit = false
      for (let row = 0; row <= demandEndRow; row++) {
        const burning = values[row * width + flame]! > 0.5
        if (lit && !burning) return values[(row - 1) * width + column]!
        lit = burning
      }
      return values[demandEndRow * width + column]!
    }
    case 'drops': {
      const flame = signalIndex.flame
      let drops = 0
      for (let row = 1; row <= demandEndRow; row++) {
        if (values[(row - 1) * width + flame]! > 0.5 && values[row * width + flame]! < 0.5) drops++
      }
      return drops
    }
    case 'whileLit':
      return meanWhere(timeline, column, signalIndex.flame, demandEndRow)
    case 'modeWhileLit':
      return mode(timeline, column, 0, demandEndRow, true)
    case 'beforeGas': {
      let highest = NaN
      for (let row = 0; row <= demandEndRow && values[row * width + signalIndex.gasFlowing]! < 0.5; row++) {
        if (values[row * width + signalIndex.fanCommand]! > 0.5) {
          const value = values[row * width + column]!
          if (!(value <= highest)) highest = value
        }
      }
      return highest
    }
    default:
      return window(timeline, column, reduce)
  }
}

function meanWhere({ values }: Timeline, column: number, flag: number, lastRow: number): number {
  let sum = 0
  let count = 0
  for (let row = 0; row <= lastRow; row++) {
    if (values[row * width + flag]! > 0.5) {
      sum += values[row * width + column]!
      count++
    }
  }
  return count > 0 ? sum / count : NaN
}

function window(timeline: Timeline, column: number, { by, from = 0, to = timeline.demandEnds }: Extract<Reduce, { from?: number }>): number {
  const { values, step, rows } = timeline
  const first = Math.min(rows - 1, Math.round(from / step))
  const last = Math.min(rows - 1, Math.round(to / step))
  if (by === 'mode') return mode(timeline, column, first, last)
  let low = Infinity
  let high = -Infinity
  let sum = 0
  for (let row = first; row <= last; row++) {
    const value = values[row * width + column]!
    if (value < low) low = value
    if (value > high) high = value
    sum += value
  }
  return by === 'max' ? high : by === 'min' ? low : by === 'swing' ? high - low : sum / (last - first + 1)
}

function mode({ values }: Timeline, column: number, first: number, last: number, onlyLit = false): number {
  const counts = new Map<number, number>()
  for (let row = first; row <= last; row++) {
    if (onlyLit && values[row * width + signalIndex.flame]! < 0.5) continue
    const value = values[row * width + column]!
    counts.set(value, (counts.get(value) ?? 0) + 1)
  }
  let best = NaN
  let most = 0
  for (const [value, count] of counts) if (count > most) [best, most] = [value, count]
  return best
}
