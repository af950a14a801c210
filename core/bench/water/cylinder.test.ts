import { describe, expect, it } from 'vitest'
import golden from '../../physics/water/golden/water.json' with { type: 'json' }
import { cylinderAnswer, recoveryMinutes, tundishCauses, type Cylinder, type TundishSeen } from './cylinder.ts'
import { waterContent } from './waterContent.ts'

const cylinder: Cylinder = { litres: 150, coldCelsius: 10, hotCelsius: 60, reducedTo: 3, relief: 6, vesselLitres: 12, charge: 3 }
const density = (celsius: number) => golden.find((one) => one.celsius === celsius)!.density
const unseen: TundishSeen = { runs: null, isHot: null, pressure: null, charge: null, afterRecharge: null }

describe('an unvented cylinder heated', () => {
  it('grows as IAPWS-IF97 has it (golden values of python3-iapws) and its vessel takes it up by Boyle’s law', () => {
    const grows = 150 * (density(10) / density(60) - 1)
    const answer = cylinderAnswer(cylinder)
    expect(answer.grows).toBeCloseTo(grows, 2)
    expect(answer.hot).toBeCloseTo((4.01325 * 12) / (12 - grows) - 1.01325, 2)
    expect(answer.room).toBeGreaterThan(0)
    expect(answer.liftsAt).toBeGreaterThan(80)
  })

  it('with a flat vessel the expansion relief lifts at every heat-up', () => {
    const flat = cylinderAnswer({ ...cylinder, charge: 0 })
    expect(flat.room).toBeLessThan(0)
    expect(flat.liftsAt).toBeLessThan(60)
    expect(flat.rightCharge).toBe(3)
  })

  it('the vessel needed just takes it', () => {
    const { vesselNeeded } = cylinderAnswer(cylinder)
    expect(cylinderAnswer({ ...cylinder, vesselLitres: vesselNeeded }).hot).toBeCloseTo(6, 6)
  })

  it('without any vessel it lifts almost at once', () => {
    expect(cylinderAnswer({ ...cylinder, vesselLitres: 0 }).liftsAt).toBeLessThan(15)
  })
})

describe('recovery', () => {
  it('of 150 l from 10 to 60 °C at 15 kW is 35 minutes (energy balance by hand: 150·4.186·50/15/60)', () => {
    expect(recoveryMinutes(150, 10, 60, 15, 0)).toBeCloseTo((150 * 0.9997 * 4.186 * 50) / 15 / 60, 0)
  })

  it('takes longer with a loss, and for ever when the loss eats it', () => {
    expect(recoveryMinutes(150, 10, 60, 3, 3)).toBeGreaterThan(recoveryMinutes(150, 10, 60, 3, 0))
    expect(recoveryMinutes(150, 10, 60, 0.05, 3)).toBe(Infinity)
    expect(recoveryMinutes(150, 60, 60, 3)).toBe(0)
  })
})

describe('water at the tundish (common practice)', () => {
  it.each<[string, Partial<TundishSeen>, string]>([
    ['hot water is the temperature relief, which is dangerous', { runs: 'always', isHot: true }, 'temperatureRelief'],
    ['on heat-up with nothing measured: the vessel first', { runs: 'heatUp', isHot: false }, 'vessel'],
    ['on heat-up with a flat vessel', { runs: 'heatUp', charge: 0.8, pressure: 3 }, 'vessel'],
    ['on heat-up, vessel sound, pressure high: the reducing valve', { runs: 'heatUp', charge: 3, pressure: 5 }, 'reducingValve'],
    ['always, pressure high: the reducing valve', { runs: 'always', charge: 3, pressure: 6 }, 'reducingValve'],
    ['always, both sound: the seat', { runs: 'always', charge: 3, pressure: 3 }, 'reliefSeat'],
    ['still after the vessel was pumped: not the vessel', { runs: 'heatUp', pressure: 3, afterRecharge: true }, 'reliefSeat'],
    ['dry', { runs: 'never' }, 'none'],
  ])('%s', (_says, seen, first) => {
    expect(tundishCauses(cylinder, { ...unseen, ...seen })[0]).toBe(first)
  })

  it('a sound vessel too small for its cylinder is told', () => {
    expect(tundishCauses({ ...cylinder, litres: 400 }, { ...unseen, runs: 'heatUp', charge: 3, pressure: 3 })[0]).toBe('vesselSmall')
  })
})

describe('water in a house', () => {
  it('adds up: eight radiators, 60 m of 15 mm, 20 m of 22 mm and a boiler are about 66 l (bore by hand: 13.6 and 20.2 mm)', () => {
    const bore = (millimetres: number) => (Math.PI * millimetres ** 2) / 4 / 1000
    const litres = waterContent({ mediumRadiator: 8, metre15: 60, metre22: 20, boiler: 1 })
    expect(litres).toBeCloseTo(8 * 6 + 60 * bore(13.6) + 20 * bore(20.2) + 2.5, 0)
    expect(waterContent({})).toBe(0)
  })
})
