import { describe, expect, it } from 'vitest'
import { figureWords } from '../catalogue/index.ts'
import type { Evidence } from '../evidence/index.ts'
import type { Signatures } from '../signatures/index.ts'
import { numberOf, smallCatalogue, smallCheck } from '../tests/testCatalogue.ts'
import { soundReadings } from './soundReadings.ts'

const cue = smallCheck('drip', { kind: 'cue', without: 0.05 })
const lamp = smallCheck('lamp', {
  ...{
    kind: 'outcome',
    outcomes: [
      { id: 'lit', label: 'lit' },
      { id: 'dead', label: 'dead' },
    ],
  },
  ...{ decide: { rules: [], otherwise: 'lit' }, confusion: 0.01 },
})
const flow = smallCheck('flow', numberOf({ width: 1 }))
const catalogue = smallCatalogue({ checks: [cue, lamp, flow], instruments: [{ id: 'none', label: '', absolute: 1, relative: 0 }] })
// two healthy appliances: both lit, at 60 and 64 degrees
const signatures = {
  ...{ checks: ['drip', 'lamp', 'flow'], sets: [[]], faults: [], draws: 2, first: Int32Array.from([0, 2, 4, 6]) },
  values: Float32Array.from([0, 0, 60, 0, 0, 64, 0, 0, 60, 0, 0, 64]),
} as unknown as Signatures
const said = (check: Evidence['check'], entries: string[], outcomes: number[], values: number[] = []): Evidence => ({
  ...{ check, entries, outcomes, values, doubt: 0, epoch: 0, visit: '', told: false },
})
const sound = (...evidence: Evidence[]) => soundReadings(catalogue, signatures, { evidence })

describe('whether a reading is what a sound boiler gives', () => {
  it('a sign is not there, an outcome is the one that is simulated', () => {
    expect(sound(said(cue, ['a'], [0]), said(lamp, ['b'], [0]))).toEqual({ a: true, b: true })
    expect(sound(said(cue, ['a'], [1]), said(lamp, ['b'], [1]), said(lamp, ['c'], [-1]))).toEqual({ a: false, b: false, c: false })
  })

  it('a figure lies with one of the healthy appliances, within what the reading is off', () => {
    expect(sound(said(flow, ['a'], [], [61]), said(flow, ['b'], [], [66]))).toEqual({ a: true, b: true })
    expect(sound(said(flow, ['a'], [], [80]), said(flow, ['b'], [], [40]))).toEqual({ a: false, b: false })
  })

  it('a word will do where no figure was noted, and each of several readings is judged by itself', () => {
    expect(sound(said(flow, ['a'], [figureWords.indexOf('right')]))).toEqual({ a: true })
    expect(sound(said(flow, ['a'], [figureWords.indexOf('tooHigh')]))).toEqual({ a: false })
    expect(sound(said(flow, ['a', 'b'], [], [61, 90]))).toEqual({ a: true, b: false })
  })
})
