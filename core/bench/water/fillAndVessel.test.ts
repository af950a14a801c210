import { describe, expect, it } from 'vitest'
import golden from '../../physics/water/golden/water.json' with { type: 'json' }
import { cushionByFilling, cushionSeen, fillAnswer, rightCharge, vesselNeeded, waterBehind, type SealedSystem } from './fillAndVessel.ts'

const system: SealedSystem = { litres: 100, vesselLitres: 8, preCharge: 1, coldCelsius: 10, hotCelsius: 70, relief: 3 }
const density = (celsius: number) => golden.find((one) => one.celsius === celsius)!.density

describe('filled cold and heated', () => {
  it.each([
    [60, 1.2, 1.7],
    [100, 1.0, 1.8],
    [100, 1.2, 2.2],
    [100, 1.5, 2.9],
  ])('%d l filled to %d bar reaches about %d bar (common practice, 8 l at 1.0 bar, 10 to 70 °C)', (litres, fill, hot) => {
    expect(Math.abs(fillAnswer({ ...system, litres }, fill).hot - hot)).toBeLessThan(0.1)
  })

  it('120 l filled to 1.5 bar lifts the relief valve (common practice), and says at what temperature', () => {
    const answer = fillAnswer({ ...system, litres: 120 }, 1.5)
    expect(answer.room).toBeLessThan(0)
    expect(answer.liftsAt).toBeLessThan(70)
    expect(fillAnswer({ ...system, litres: 120, hotCelsius: answer.liftsAt! }, 1.5).hot).toBeCloseTo(3, 6)
  })

  it('is Boyle’s law with densities of IAPWS-IF97 (golden values of python3-iapws), by hand', () => {
    const grows = 100 * (density(10) / density(70) - 1)
    const gas = (8 * 2.01325) / 2.51325
    const answer = fillAnswer(system, 1.5)
    expect(answer.hot).toBeCloseTo((2.51325 * gas) / (gas - grows) - 1.01325, 2)
    expect(answer.reserve).toBeCloseTo(8 - gas, 9)
    expect(answer.gasHot).toBeCloseTo(gas - grows, 2)
  })

  it('the largest system it serves just reaches the relief valve', () => {
    const { serves } = fillAnswer(system, 1.0)
    expect(fillAnswer({ ...system, litres: serves }, 1.0).hot).toBeCloseTo(3, 6)
  })

  it('a vessel too small for anything still gives figures', () => {
    const answer = fillAnswer({ ...system, litres: 2000 }, 1.5)
    expect(answer.liftsAt).toBeLessThan(30)
    expect(Number.isFinite(answer.hot)).toBe(true)
  })

  it('the right charge lies about 0.3 bar below the fill, over the height of water (from memory of the trade’s rule)', () => {
    expect(rightCharge(1.5)).toBeCloseTo(1.2)
    expect(rightCharge(1.5, 1.2)).toBeCloseTo(1.4)
  })
})

describe('the vessel EN 12828 asks for (formula from memory of the standard)', () => {
  it('by hand: 200 l, 10 to 80 °C, charge 1.0, relief 3.0', () => {
    const grows = 200 * (density(10) / density(80) - 1)
    // pe = 2.5; (grows + 3)·(2.5 + 1)/(2.5 − 1)
    expect(vesselNeeded({ litres: 200, preCharge: 1, coldCelsius: 10, hotCelsius: 80, relief: 3 })).toBeCloseTo(((grows + 3) * 3.5) / 1.5, 1)
  })

  it('a charge at the end pressure leaves nothing', () => {
    expect(vesselNeeded({ ...system, preCharge: 2.5 })).toBe(Infinity)
  })
})

describe('a cold and a hot reading', () => {
  const pair = { gaugeError: 0.05, volumeError: 0.05 }

  it('find the cushion that made them: sound, flat and half flat', () => {
    for (const [preCharge, verdict] of [
      [1, 'fine'],
      [0, 'flat'],
      [-0.5, 'flat'],
    ] as const) {
      const made = { ...system, litres: 70, preCharge }
      const { hot, gasCold } = fillAnswer(made, 1.2)
      const seen = cushionSeen({ ...system, litres: 70 }, { cold: 1.2, hot, ...pair })!
      expect(seen.gas).toBeCloseTo(gasCold, 6)
      expect(seen.low).toBeLessThan(gasCold)
      expect(seen.high).toBeGreaterThan(gasCold)
      expect(seen.charge).toBeCloseTo(preCharge, 6)
      expect(seen.verdict, `charge ${preCharge}`).toBe(verdict)
    }
  })

  it('a sound vessel on too large a system is small, not flat', () => {
    const large = { ...system, litres: 130 }
    const { hot } = fillAnswer(large, 1.2)
    expect(hot).toBeGreaterThan(2.5)
    expect(cushionSeen(large, { cold: 1.2, hot, ...pair })!.verdict).toBe('small')
  })

  it('says nothing where the gauge hardly moved, or the water was no warmer', () => {
    expect(cushionSeen(system, { cold: 1.2, hot: 1.22, ...pair })).toBeNull()
    expect(cushionSeen({ ...system, hotCelsius: 10 }, { cold: 1.2, hot: 2, ...pair })).toBeNull()
  })

  it('a poorer gauge widens it', () => {
    const one = cushionSeen(system, { cold: 1.2, hot: 2, gaugeError: 0.05, volumeError: 0.1 })!
    const other = cushionSeen(system, { cold: 1.2, hot: 2, gaugeError: 0.2, volumeError: 0.1 })!
    expect(other.high - other.low).toBeGreaterThan(1.5 * (one.high - one.low))
  })
})

describe('litres let in', () => {
  it('give the cushion back, and with a pair the water in the system', () => {
    const { gasCold: lower, hot } = fillAnswer(system, 1.2)
    const { gasCold: higher } = fillAnswer(system, 1.5)
    const gas = cushionByFilling(lower - higher, 1.2, 1.5)!
    expect(gas).toBeCloseTo(lower, 6)
    expect(waterBehind(gas, 1.2, hot, 10, 70)).toBeCloseTo(100, 6)
    expect(cushionByFilling(1, 1.5, 1.5)).toBeNull()
    expect(waterBehind(gas, 1.2, 1.2, 10, 70)).toBeNull()
  })
})
