import { heatToWater } from '@dewpoint/core/physics'
import { type Script, simulate, at, readTimeline, type Timeline } from '@dewpoint/core/plant'
import { withValues, type Parameters, type SignalName } from '@dewpoint/core/system'
import { describe, expect, it } from 'vitest'
import { premixCombi } from '../../systems/index.ts'
import fc from 'fast-check'

const run = (script: Partial<Script>, changes: Parameters = {}) =>
  simulate(premixCombi, withValues(premixCombi, changes), { heating: false, tap: 0, seconds: 360, ...script })
const tapOpen: Partial<Script> = { tap: Infinity }
const column = (timeline: Timeline, signal: SignalName) => Array.from({ length: timeline.rows }, (_unused, row) => at(timeline, row, signal))
const firstRow = (timeline: Timeline, signal: SignalName, above = 0.5) => column(timeline, signal).findIndex((value) => value > above)
/** kJ, by the trapezoidal rule: not the way the plant adds up */
const energy = (timeline: Timeline, signal: SignalName) => {
  const values = column(timeline, signal)
  return values.slice(1).reduce((sum, value, row) => sum + ((value + values[row]!) / 2) * timeline.step, 0)
}

describe('energy balance', () => {
  it.each([
    ['hot water', tapOpen, {}],
    ['heating', { heating: true, seconds: 900 }, {}],
    ['hot water through a passing diverter', tapOpen, { 'diverter.passing': 0.4 }],
    ['a blocked plate', tapOpen, { 'plate.heatingSide': 0.2 }],
  ] as [string, Partial<Script>, Parameters][])('%s: heat in equals heat out and heat stored within 0.5 %%', (_name, script, changes) => {
    const timeline = run({ ...script, every: 0.5 }, changes)
    const p = withValues(premixCombi, changes)
    const last = timeline.rows - 1
    const change = (signal: SignalName) => at(timeline, last, signal) - at(timeline, 0, signal)
    const stored =
      (change('flowTemperature') * p['exchanger.heatCapacity']! + change('radiatorTemperature') * (p['system.volume']! * 4190 + p['radiators.metal']!)) / 1000
    const casing = column(timeline, 'flowTemperature').reduce((sum, flow) => sum + (4 * (flow - p['radiators.roomTemperature']!) * timeline.step) / 1000, 0)
    const given = energy(timeline, 'burnerPower')
    const taken = energy(timeline, 'plateHeat') + energy(timeline, 'radiatorHeat') + casing + stored
    expect(Math.abs(taken / given - 1)).toBeLessThan(0.005)
  })

  it('the tap carries what the burner gives once settled', () => {
    const timeline = run(tapOpen)
    const row = timeline.rows - 2
    const carried = heatToWater(at(timeline, row, 'tapFlow'), 10, at(timeline, row, 'tapTemperature')) / 1000
    expect(Math.abs(carried / at(timeline, row, 'burnerPower') - 1)).toBeLessThan(0.01)
  })
})

describe('the plate (common practice)', () => {
  it('a healthy one at rated flow passes 81 °C in, 45 °C out', () => {
    const timeline = run(tapOpen)
    expect(Math.abs(readTimeline(timeline, 'plateIn', { by: 'settled' }) - 81)).toBeLessThan(2)
    expect(Math.abs(readTimeline(timeline, 'plateOut', { by: 'settled' }) - 45)).toBeLessThan(2)
  })

  it('one that has lost most of its conductance passes about 80 in, 70 out as the burner drops out', () => {
    const timeline = run(tapOpen, { 'plate.heatingSide': 0.2 })
    expect(readTimeline(timeline, 'flame', { by: 'drops' })).toBeGreaterThan(1)
    const into = readTimeline(timeline, 'plateIn', { by: 'settled' })
    const out = readTimeline(timeline, 'plateOut', { by: 'settled' })
    expect(Math.abs(into - 80)).toBeLessThan(7)
    expect(Math.abs(out - 70)).toBeLessThan(7)
  })

  it('never gives heating water back hotter than it took it in while the tap runs', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 1, noNaN: true }), fc.double({ min: 2.2, max: 14, noNaN: true }), (left, tap) => {
        const timeline = run({ tap, seconds: 120 }, { 'plate.heatingSide': left })
        const from = firstRow(timeline, 'plateHeat', 0.1)
        for (let row = from; row < timeline.rows; row++) expect(at(timeline, row, 'plateOut')).toBeLessThanOrEqual(at(timeline, row, 'plateIn') + 1e-9)
      }),
      { numRuns: 20 },
    )
  })
})

describe('the sequence (common practice)', () => {
  it('runs pump, then fan, then gas and spark together, then flame', () => {
    const timeline = run({ heating: true })
    const order = (['pumpVolts', 'fanVolts', 'gasValveVolts', 'flame'] as const).map((signal) => firstRow(timeline, signal))
    expect([...order].sort((a, b) => a - b)).toEqual(order)
    expect(firstRow(timeline, 'sparkOn')).toBe(order[2])
    expect(order[0]).toBeGreaterThanOrEqual(0)
  })

  it('the high limit stops the burner and locks nothing out', () => {
    const timeline = run(tapOpen, { 'plate.heatingSide': 0.15 })
    expect(readTimeline(timeline, 'code', { by: 'max' })).toBe(0)
    expect(readTimeline(timeline, 'flame', { by: 'drops' })).toBeGreaterThan(1)
  })

  it('a tap nobody sees still brings a few seconds of flame with the keep-warm status, and so do shut taps', () => {
    const keepWarm = premixCombi.statuses.findIndex((one) => one.id === 'keepWarm')
    expect(readTimeline(run(tapOpen, { 'turbine.freedom': 0 }), 'status', { by: 'modeWhileLit' })).toBe(keepWarm)
    expect(readTimeline(run({ cold: true, seconds: 180 }, { 'turbine.freedom': 0 }), 'status', { by: 'modeWhileLit' })).toBe(keepWarm)
  })

  it.each([
    ['no spark', { 'ignition.spark': 0 }, 'flame'],
    ['flame not sensed', { 'flameElectrode.gain': 0.05 }, 'flame'],
    ['fan standing still', { 'fan.torque': 0 }, 'fan'],
    ['pump seized', { 'pump.head': 0 }, 'water'],
    ['the flow sensor open', { 'flowThermistor.factor': 1e6 }, 'flowSensor'],
    ['the hot-water sensor short', { 'hotWaterThermistor.factor': 0.0005 }, 'hotWaterSensor'],
    ['the overheat device open', { 'overheat.open': 1 }, 'overheat'],
    ['water soon in the chamber', { 'condensate.flooded': 1, 'condensate.floodsAfter': 10 }, 'flameLost'],
    ['live and neutral reversed', { 'supply.reversed': 1 }, 'flame'],
    ['a flue nearly shut', { 'flue.openness': 0.3 }, 'flame'],
  ] as [string, Parameters, string][])('%s ends in its code', (_name, changes, code) => {
    const shown = readTimeline(run(tapOpen, changes), 'code', { by: 'max' })
    expect(premixCombi.codes[shown - 1]?.id).toBe(code)
  })

  it('burns no gas without a flame and shows no flame without gas', () => {
    for (const changes of [{}, { 'gas.meterValve': 0 }, { 'gasValve.opens': 0 }] as Parameters[]) {
      const timeline = run(tapOpen, changes)
      for (let row = 0; row < timeline.rows; row++) {
        expect(at(timeline, row, 'gasInput') > 0).toBe(at(timeline, row, 'flame') > 0)
        // a flame without gas would be counted here
        expect(at(timeline, row, 'flame') > 0 && at(timeline, row, 'gasFlowing') !== 1).toBe(false)
      }
      const burns = Array.from({ length: timeline.rows }, (_unused, row) => at(timeline, row, 'flame')).some((one) => one > 0)
      expect(burns, JSON.stringify(changes)).toBe(Object.keys(changes).length === 0)
    }
  })
})

describe('pressure (common practice)', () => {
  it('cold at 1.2 bar a warmed system stays well below 3 bar', () => {
    const timeline = run({ heating: true, seconds: 900 })
    expect(readTimeline(timeline, 'pressure', { by: 'max' })).toBeLessThan(2.2)
    expect(readTimeline(timeline, 'reliefFlow', { by: 'max' })).toBe(0)
  })

  it('with the vessel’s charge lost it climbs to the relief valve, and never far beyond', () => {
    const timeline = run({ heating: true, seconds: 1800 }, { 'vessel.preCharge': -0.6, 'water.pressure': 1, 'system.volume': 110 })
    expect(readTimeline(timeline, 'reliefFlow', { by: 'max' })).toBeGreaterThan(0)
    expect(readTimeline(timeline, 'pressure', { by: 'max' })).toBeLessThan(3.4)
  })

  it('rises by about 0.3 bar at the sensor when the pump starts', () => {
    expect(readTimeline(run({ heating: true }), 'pressureRise', { by: 'max', to: 10 })).toBeCloseTo(0.35, 1)
  })
})

describe('the integration', () => {
  it.each([{}, { 'plate.heatingSide': 0.25 }, { 'flowThermistor.factor': 0.72 }, { 'diverter.passing': 0.3 }] as Parameters[])(
    'halving the step moves the plate and the tap by less than 0.6 K (%j)',
    (changes) => {
      const coarse = run(tapOpen, changes)
      const fine = run({ ...tapOpen, step: 0.25 }, changes)
      for (const signal of ['plateIn', 'plateOut'] as const) {
        expect(Math.abs(readTimeline(coarse, signal, { by: 'settled' }) - readTimeline(fine, signal, { by: 'settled' }))).toBeLessThan(0.6)
      }
      const mean = (timeline: Timeline) => readTimeline(timeline, 'tapTemperature', { by: 'mean', from: 240 })
      expect(Math.abs(mean(coarse) - mean(fine))).toBeLessThan(0.6)
    },
  )

  it('is the same every time', () => {
    expect(run(tapOpen).values).toEqual(run(tapOpen).values)
  })

  it('names a parameter it does not know', () => {
    expect(() => withValues(premixCombi, { 'plate.colour': 1 })).toThrow('plate.colour')
    expect(() => withValues(premixCombi, { 'plate.conductance': NaN })).toThrow('finite')
  })
})
