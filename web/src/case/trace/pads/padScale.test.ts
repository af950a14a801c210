import type { Expected, NumberResult } from '@dewpoint/core/diagnosis'
import { thermistorResistance } from '@dewpoint/core/physics'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { layOut, numberResult } from './padScale.ts'

const celsius: NumberResult = {
  kind: 'number',
  unit: '°C',
  read: { parameter: 'x' },
  instrument: 'clamp',
  width: 2,
  scale: 'linear',
  range: [0, 100],
  possible: [-20, 120],
}
const curve = { r0: 10_000, t0: 25, beta: 3977 }
const ohms: NumberResult = { ...celsius, unit: 'kΩ', scale: 'log', width: 0.05, range: [0.01, 100], thermistor: { assumedCelsius: 60, curve } }
const suspect = (label: string, probability: number, values: number[], spread = 2): Expected => ({
  suspect: label,
  label,
  probability,
  notReached: values.length === 0 ? 1 : 0,
  points: values.map((value) => ({ value, weight: 1 / values.length, spread })),
})

describe('the pad', () => {
  const hot = suspect('hot', 0.6, [68, 70, 72])
  const cool = suspect('cool', 0.3, [40, 42])

  it('lays the suspects out on one scale, each where it says the reading will fall', () => {
    const { bands, place, ticks } = layOut(celsius, [hot, cool], '°C', null, 60)
    expect(bands.map((one) => one.peak!.toFixed(1))).toEqual(['70.0', '41.0'])
    expect(place(41)).toBeLessThan(place(70))
    expect(place(41)).toBeGreaterThan(0)
    expect(place(70)).toBeLessThan(100)
    expect(ticks.map((one) => Number(one.label))).toEqual([...ticks.map((one) => Number(one.label))].sort((a, b) => a - b))
    for (const { at, label } of ticks) expect(place(Number(label))).toBeCloseTo(at, 6)
  })

  it('holds what is typed, however far off', () => {
    fc.assert(
      fc.property(fc.double({ min: -500, max: 900, noNaN: true }), (typed) => {
        const { place } = layOut(celsius, [hot, cool], '°C', typed, 60)
        expect(place(typed)).toBeGreaterThanOrEqual(0)
        expect(place(typed)).toBeLessThanOrEqual(100)
        // the order of readings is the order on the pad
        expect(place(typed - 5)).toBeLessThanOrEqual(place(typed))
      }),
    )
  })

  it('says the same in another unit', () => {
    const own = layOut(celsius, [hot, cool], '°C', null, 60)
    const other = layOut(celsius, [hot, cool], '°F', null, 60)
    expect(other.bands[0]!.peak).toBeCloseTo(70 * 1.8 + 32, 6)
    expect(other.place(70 * 1.8 + 32)).toBeCloseTo(own.place(70), 6)
  })

  it('draws nothing for who never gets that far', () => {
    const { bands } = layOut(celsius, [hot, suspect('never', 0.2, [])], '°C', null, 60)
    expect(bands[1]).toMatchObject({ path: '', peak: null, notReached: 1 })
  })

  it('of one value alone, or of none, still has a scale', () => {
    for (const expected of [[suspect('one', 1, [50], 1e-9)], []]) {
      const { place, ticks } = layOut(celsius, expected, '°C', null, 60)
      expect(Number.isFinite(place(50))).toBe(true)
      expect(ticks.length).toBeGreaterThan(1)
    }
  })
})

describe('a thermistor’s pad', () => {
  const sound = suspect('sound', 0.5, [1], 0.05)
  const high = suspect('reads high', 0.4, [0.72], 0.05)
  const open = suspect('open', 0.1, [1000], 0.05)

  it('moves with the temperature of the pipe: 2.49 kΩ at 60 °C, 1.26 kΩ at 80 °C (the curve’s own values)', () => {
    for (const pipe of [60, 80]) {
      const { bands } = layOut(ohms, [sound], 'kΩ', null, pipe)
      expect(bands[0]!.peak).toBeCloseTo(thermistorResistance(pipe, curve) / 1000, 6)
    }
  })

  it('on a log scale half and twice are as far from the middle', () => {
    const { place } = layOut(ohms, [sound, high], 'kΩ', null, 60)
    const middle = place(2)
    expect(place(2.2) - middle).toBeCloseTo(middle - place(2 / 1.1), 6)
  })

  it('a core that is open lies beyond its end and is said to', () => {
    const { bands } = layOut(ohms, [sound, high, open], 'kΩ', null, 60)
    expect(bands.map((one) => one.beyond)).toEqual([null, null, 'right'])
    expect(bands[2]!.path).toBe('')
    const shorted = layOut(ohms, [sound, suspect('short', 0.1, [0.001], 0.05)], 'kΩ', null, 60)
    expect(shorted.bands[1]!.beyond).toBe('left')
  })

  it('takes nothing typed below nothing for its scale', () => {
    const plain = layOut(ohms, [sound], 'kΩ', null, 60)
    for (const typed of [0, -3, NaN]) expect(layOut(ohms, [sound], 'kΩ', typed, 60).ticks).toEqual(plain.ticks)
  })
})

it('is for numbers alone', () => {
  const check = { id: 'c', kind: 'look', label: '', situation: { demand: 'none' }, minutes: 1, access: 'none', how: [] } as const
  expect(numberResult({ ...check, how: [], result: celsius })).toBe(celsius)
  expect(numberResult({ ...check, how: [], result: { kind: 'cue', without: 0.1 } })).toBeNull()
})
