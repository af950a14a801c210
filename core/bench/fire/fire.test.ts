import psychrolib from 'psychrolib'
import { describe, expect, it } from 'vitest'
import { combustionAnswer, flueIntegrity, type AnalyserReadings } from './combustion.ts'
import { gasRateAnswer, pipeDrop, type MeterTimed } from './gasRate.ts'

psychrolib.SetUnitSystem(psychrolib.SI)

const timed: MeterTimed = {
  gas: 'naturalGas',
  litres: 20,
  seconds: 30,
  gross: null,
  meterCelsius: null,
  meterMillibar: null,
  plate: null,
  plateBasis: 'net',
  below: 0.05,
  above: 0.05,
}

describe('gas rate', () => {
  it('20 l in 30 s of G20 are 2.40 m³/h, 25.2 kW gross, 22.7 kW net (EN 437 heating values, by hand)', () => {
    const { rate, gross, net } = gasRateAnswer(timed)
    expect(rate).toBeCloseTo(2.4, 9)
    expect(gross).toBeCloseTo((0.02 * 37.78e3) / 30, 6)
    expect(net).toBeCloseTo((0.02 * 34.02e3) / 30, 6)
  })

  it('a cubic foot in 41.2 s of G20 is about 26 kW gross (installers’ table, from memory: 1 ft³ in 41 s)', () => {
    expect(gasRateAnswer({ ...timed, litres: 28.3168, seconds: 41.2 }).gross).toBeCloseTo(25.97, 1)
  })

  it('is judged against the plate on the plate’s own basis, and says what the clock should read', () => {
    const right = gasRateAnswer({ ...timed, plate: 22.7, plateBasis: 'net' })
    expect(right).toMatchObject({ verdict: 'right', secondsAtPlate: expect.closeTo(29.97, 1) })
    expect(gasRateAnswer({ ...timed, plate: 25.2, plateBasis: 'gross' }).verdict).toBe('right')
    expect(gasRateAnswer({ ...timed, plate: 30, plateBasis: 'gross' }).verdict).toBe('under')
    expect(gasRateAnswer({ ...timed, plate: 22, plateBasis: 'gross' }).verdict).toBe('over')
    expect(gasRateAnswer({ ...timed, plate: 24, above: 0.05, below: 0.1 }).verdict).toBe('right')
  })

  it('a warm meter at 20 mbar holds less gas than it reads (gas law, by hand)', () => {
    expect(gasRateAnswer({ ...timed, meterCelsius: 25, meterMillibar: 20 }).factor).toBeCloseTo((288.15 / 298.15) * (1033.25 / 1013.25), 9)
  })

  it('too short a time is told', () => {
    expect(gasRateAnswer({ ...timed, litres: 2, seconds: 3 }).tooShort).toBe(true)
    expect(gasRateAnswer({ ...timed, litres: 80, seconds: 120 }).tooShort).toBe(false)
    expect(() => gasRateAnswer({ ...timed, seconds: 0 })).toThrow(RangeError)
    expect(() => gasRateAnswer({ ...timed, litres: 0 })).toThrow(RangeError)
  })

  it('2.4 m³/h through 10 m of 20.2 mm bore lose about 0.2 mbar; a bore of half loses 32 times as much (Pole’s formula, from memory)', () => {
    expect(pipeDrop('naturalGas', 2.4, 20.2, 10)).toBeCloseTo(0.189, 2)
    expect(pipeDrop('naturalGas', 2.4, 10.1, 10) / pipeDrop('naturalGas', 2.4, 20.2, 10)).toBeCloseTo(32, 9)
  })
})

const unread: AnalyserReadings = {
  gas: 'naturalGas',
  carbonDioxide: null,
  oxygen: null,
  carbonMonoxide: null,
  flueCelsius: null,
  airCelsius: 20,
  returnCelsius: null,
}
const limits = { setTo: 0.09, within: 0.003, carbonMonoxide: 200e-6, ratio: 0.004 }

describe('combustion', () => {
  it('dew point is psychrometric: methane at an air ratio of 1.2, propane at 9.6 % CO2 (psychrolib; common practice about 49 °C)', () => {
    const methane = combustionAnswer({ ...unread, oxygen: 0.0386 }, limits)
    expect(methane.airRatio).toBeCloseTo(1.2, 1)
    const needed = 2
    const moles = (air: number) => ({ water: 2, all: 1 + 2 + needed * (air * (0.7905 / 0.2095) + air - 1) })
    const { water, all } = moles(methane.airRatio!)
    expect(methane.dewPoint).toBeCloseTo(psychrolib.GetTDewPointFromVapPres(180, (101_325 * water) / all), 1)
    expect(combustionAnswer({ ...unread, gas: 'propane', carbonDioxide: 0.096 }, limits).dewPoint).toBeCloseTo(49, 0)
  })

  it('8.8 % CO2 of natural gas leaves about 5.2 % O2, dew point 54 to 56 °C (common practice)', () => {
    const answer = combustionAnswer({ ...unread, carbonDioxide: 0.088 }, limits)
    expect(answer.oxygen! * 100).toBeCloseTo(5.2, 0)
    expect(answer.dewPoint).toBeGreaterThan(54)
    expect(answer.dewPoint).toBeLessThan(56)
  })

  it('holds CO against both limits: 200 ppm, and a ratio of 0.004 (common practice; from memory)', () => {
    expect(combustionAnswer({ ...unread, carbonDioxide: 0.09, carbonMonoxide: 150e-6 }, limits)).toMatchObject({
      fails: [],
      ratio: expect.closeTo(0.00167, 4),
      airFree: expect.closeTo(195e-6, 5),
    })
    expect(combustionAnswer({ ...unread, carbonDioxide: 0.09, carbonMonoxide: 250e-6 }, limits).fails).toEqual(['carbonMonoxide'])
    expect(combustionAnswer({ ...unread, carbonDioxide: 0.04, carbonMonoxide: 190e-6 }, limits).fails).toEqual(['ratio'])
  })

  it('says lean, rich or right against the model, and whether it condenses at this return', () => {
    expect(combustionAnswer({ ...unread, carbonDioxide: 0.09, returnCelsius: 45 }, limits)).toMatchObject({ mixture: 'right', condenses: true })
    expect(combustionAnswer({ ...unread, carbonDioxide: 0.08, returnCelsius: 60 }, limits)).toMatchObject({ mixture: 'lean', condenses: false })
    expect(combustionAnswer({ ...unread, carbonDioxide: 0.1 }, limits).mixture).toBe('rich')
  })

  it('net efficiency passes 100 % when it condenses, gross never does (first law)', () => {
    const cold = combustionAnswer({ ...unread, carbonDioxide: 0.09, flueCelsius: 35 }, limits)
    expect(cold.net).toBeGreaterThan(1)
    expect(cold.gross).toBeLessThan(1)
    expect(combustionAnswer({ ...unread, carbonDioxide: 0.09, flueCelsius: 120 }, limits).loss).toBeGreaterThan(0.03)
  })

  it('challenges what cannot be', () => {
    expect(combustionAnswer({ ...unread, carbonDioxide: 0.13 }, limits).problem).toBe('moreThanPossible')
    expect(combustionAnswer({ ...unread, oxygen: 0.209 }, limits).problem).toBe('noFlame')
    expect(combustionAnswer(unread, limits).problem).toBe('nothing')
    // both read: 9 % CO2 goes with about 4.9 % O2
    expect(Math.abs(combustionAnswer({ ...unread, carbonDioxide: 0.09, oxygen: 0.048 }, limits).offLine!)).toBeLessThan(0.003)
    expect(combustionAnswer({ ...unread, carbonDioxide: 0.09, oxygen: 0.1 }, limits).offLine).toBeGreaterThan(0.04)
  })

  it('products in the air inlet: below 20.6 % O2 or above 0.2 % CO2 (from memory)', () => {
    expect(flueIntegrity(null, null, 0.09).verdict).toBe('nothing')
    expect(flueIntegrity(0.001, 0.208, 0.09).verdict).toBe('tight')
    expect(flueIntegrity(0.005, null, 0.09)).toMatchObject({ verdict: 'leaks', share: expect.closeTo(0.051, 3) })
    expect(flueIntegrity(null, 0.2, 0.09).verdict).toBe('leaks')
  })
})
