import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { signalIndex, signalNames, type SignalName } from '../system/index.ts'
import { at, emptyTimeline, readTimeline, type Reduce } from './timeline.ts'

/** A run of one row a second from columns of values. */
function run(columns: Partial<Record<SignalName, number[]>>, demandEnds?: number) {
  const rows = Math.max(...Object.values(columns).map((one) => one.length))
  const timeline = emptyTimeline(rows - 1, 1, demandEnds ?? rows)
  for (const [name, values] of Object.entries(columns))
    values.forEach((value, row) => (timeline.values[row * signalNames.length + signalIndex[name as SignalName]] = value))
  return timeline
}
const flow = [20, 40, 60, 75, 70, 65, 72, 60, 50]
const flame = [0, 1, 1, 1, 0, 0, 1, 0, 0]
const read = (reduce: Reduce, timeline = run({ flowTemperature: flow, flame }, 8)) => readTimeline(timeline, 'flowTemperature', reduce)

describe('one reading off a run', () => {
  it('the highest, lowest, mean and swing between two moments', () => {
    expect(read({ by: 'max', from: 0, to: 8 })).toBe(75)
    expect(read({ by: 'min', from: 2, to: 5 })).toBe(60)
    expect(read({ by: 'mean', from: 2, to: 4 })).toBeCloseTo((60 + 75 + 70) / 3, 12)
    expect(read({ by: 'swing', from: 2, to: 5 })).toBe(15)
    // beyond the end the last value counts
    expect(read({ by: 'max', from: 100, to: 200 })).toBe(50)
  })

  it('as the burner first dropped out; at the end of the demand where it never did', () => {
    expect(read({ by: 'settled' })).toBe(75)
    expect(read({ by: 'settled' }, run({ flowTemperature: flow, flame: flow.map(() => 1) }, 8))).toBe(60)
  })

  it('how often the flame went out while the demand lasted', () => {
    expect(read({ by: 'drops' })).toBe(2)
    expect(read({ by: 'drops' }, run({ flowTemperature: flow, flame }, 5))).toBe(1)
  })

  it('while a flame burns, and not reached where none ever did', () => {
    expect(read({ by: 'whileLit' })).toBeCloseTo((40 + 60 + 75 + 72) / 4, 12)
    expect(read({ by: 'whileLit' }, run({ flowTemperature: flow, flame: flow.map(() => 0) }))).toBeNaN()
    expect(read({ by: 'modeWhileLit' }, run({ flowTemperature: flow, flame: flow.map(() => 0) }))).toBeNaN()
  })

  it('the commonest', () => {
    const status = [1, 1, 2, 2, 2, 3]
    const of = (reduce: Reduce) => readTimeline(run({ status, flame: [0, 1, 1, 0, 0, 1] }), 'status', reduce)
    expect([of({ by: 'mode', from: 0, to: 5 }), of({ by: 'mode', from: 0, to: 1 })]).toEqual([2, 1])
  })

  it('the last, and the highest while it purges', () => {
    expect(read({ by: 'last' })).toBe(50)
    const command = [0, 0, 4000, 4000, 6000, 6000, 6000, 0, 0]
    expect(read({ by: 'beforeGas' }, run({ flowTemperature: flow, fanCommand: command, gasFlowing: [0, 0, 0, 1, 1, 1, 1, 0, 0] }))).toBe(flow[2])
    expect(read({ by: 'beforeGas' }, run({ flowTemperature: flow, fanCommand: command }))).toBe(Math.max(...flow.slice(2, 7)))
    expect(read({ by: 'beforeGas' }, run({ flowTemperature: flow }))).toBeNaN()
  })

  it('lies between the lowest and the highest, however it is taken', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: -50, max: 150, noNaN: true }), { minLength: 2, maxLength: 40 }), fc.nat(50), fc.nat(50), (values, a, b) => {
        const timeline = run({ flowTemperature: values })
        const [from, to] = [Math.min(a, b), Math.max(a, b)]
        const [low, mean, high] = (['min', 'mean', 'max'] as const).map((by) => readTimeline(timeline, 'flowTemperature', { by, from, to }))
        expect(low!).toBeLessThanOrEqual(mean! + 1e-9)
        expect(mean!).toBeLessThanOrEqual(high! + 1e-9)
        expect(readTimeline(timeline, 'flowTemperature', { by: 'swing', from, to })).toBeCloseTo(high! - low!, 9)
      }),
    )
  })
})

describe('a timeline', () => {
  it('is written over where it fits, made anew where it does not', () => {
    const first = emptyTimeline(10, 0.5, 8)
    expect(first.rows).toBe(21)
    expect(emptyTimeline(10, 0.5, 8, first).values).toBe(first.values)
    expect(emptyTimeline(11, 0.5, 8, first).values).not.toBe(first.values)
  })

  it('gives any signal at any row', () => {
    expect([at(run({ flowTemperature: flow }), 3, 'flowTemperature'), at(run({ flowTemperature: flow }), 3, 'flame')]).toEqual([75, 0])
  })
})
