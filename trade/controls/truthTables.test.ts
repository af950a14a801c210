import type { ControlScheme } from '@dewpoint/core/system'
import type { Asked } from '@dewpoint/core/wiring'
import { describe, expect, test } from 'vitest'
import { combiMains, combiVoltFree } from './combi.ts'
import { gravityPumped } from './gravityPumped.ts'
import { midPosition } from './midPosition.ts'
import { calling, onBench } from './onBench.ts'
import { storeElectric, storeElectricPlain } from './storeElectric.ts'
import { twoValves, twoValvesHighLimit } from './twoValves.ts'
import { fourZones, zones } from './zones.ts'

// Truth tables written by hand. Source: common practice of each scheme; the mid-position valve from memory of how it is described.

const off: Asked = { programmed: { heating: false, hotWater: false }, cold: { heating: true, hotWater: true } }
const hotWaterOff = (heating: boolean): Asked => ({ programmed: { heating: true, hotWater: false }, cold: { heating, hotWater: true } })

/** Volts of a terminal over another once everything has come to rest, rounded to what a meter shows. */
function volts(scheme: ControlScheme, asked: Asked, over: string, changes: Record<string, number> = {}, under = 'supply.N'): number {
  const wiring = onBench(scheme, changes)
  wiring.settle(asked)
  return Math.round(wiring.read(over, under, 'tester').volts)
}
const live = (one: number) => one > 220
function position(scheme: ControlScheme, asked: Asked, device: string, changes: Record<string, number> = {}): number {
  const wiring = onBench(scheme, changes)
  wiring.settle(asked)
  return wiring.position(device)
}

describe('two 2-port valves', () => {
  test.each([
    ['nothing', calling(), 0, 0, false],
    ['rooms', calling('heating'), 1, 0, true],
    ['cylinder', calling('hotWater'), 0, 1, true],
    ['both', calling('heating', 'hotWater'), 1, 1, true],
    ['programmer off', off, 0, 0, false],
  ])('%s', (_what, asked, heating, hotWater, called) => {
    expect([position(twoValves, asked, 'heatingValve'), position(twoValves, asked, 'hotWaterValve')]).toEqual([heating, hotWater])
    expect(live(volts(twoValves, asked, 'boiler.demand'))).toBe(called)
  })

  test('a tripped high limit stops hot water and leaves heating', () => {
    const tripped = { 'highLimit.tripped': 1 }
    expect(live(volts(twoValvesHighLimit, calling('hotWater'), 'boiler.demand', tripped))).toBe(false)
    expect(live(volts(twoValvesHighLimit, calling('heating'), 'boiler.demand', tripped))).toBe(true)
  })

  test('live on permanent live and motor, none switched: the end switch', () => {
    const dead = { 'hotWaterValve.endSwitch': 0 }
    const read = (terminal: string) => live(volts(twoValves, calling('hotWater'), `hotWaterValve.${terminal}`, dead))
    expect([read('live'), read('motor'), read('switched')]).toEqual([true, true, false])
  })

  test('a valve held open by hand opens its way and calls nothing', () => {
    const wiring = onBench(twoValves, { 'heatingValve.heldOpen': 1 })
    wiring.settle(calling())
    expect([wiring.open('heatingValve', 'only'), wiring.position('heatingValve')]).toEqual([1, 0])
    expect(live(wiring.read('boiler.demand', 'supply.N', 'tester').volts)).toBe(false)
  })

  test('a lost neutral leaves the motor live at both ends and the valve shut', () => {
    const lost = { 'hotWaterNeutralCore.continuity': 0 }
    expect(live(volts(twoValves, calling('hotWater'), 'hotWaterValve.motor', lost))).toBe(true)
    expect(position(twoValves, calling('hotWater'), 'hotWaterValve', lost)).toBe(0)
    expect(volts(twoValves, calling('hotWater'), 'hotWaterValve.motor', lost, 'hotWaterValve.N')).toBe(0)
  })

  test('a short blows the fuse and everything behind it is dead', () => {
    const wiring = onBench(twoValves, { 'hotWaterMotorCore.shorted': 1 })
    wiring.settle(calling('hotWater'))
    expect([...wiring.blown]).toEqual(['supply.fuse'])
    expect(live(wiring.read('boiler.L', 'supply.N', 'tester').volts)).toBe(false)
  })

  test('polarity reversed: live on neutral against earth', () => {
    const reversed = { 'supply.reversed': 1 }
    expect([volts(twoValves, calling(), 'supply.N', reversed, 'supply.E'), volts(twoValves, calling(), 'supply.L', reversed, 'supply.E')]).toEqual([230, 0])
  })
})

describe('mid-position valve', () => {
  test.each([
    // asked, where it stands, boiler called, grey live
    ['nothing', calling(), 0, false, true],
    ['rooms', calling('heating'), 1, true, true],
    ['cylinder', calling('hotWater'), 0, true, false],
    ['both', calling('heating', 'hotWater'), 0.5, true, false],
    ['rooms, hot water off', hotWaterOff(true), 1, true, true],
    ['hot water off, rooms warm', hotWaterOff(false), 0, false, true],
  ])('%s', (_what, asked, at, called, grey) => {
    expect(position(midPosition, asked, 'midValve')).toBe(at)
    expect(live(volts(midPosition, asked, 'boiler.demand'))).toBe(called)
    expect(live(volts(midPosition, asked, 'midValve.satisfied'))).toBe(grey)
  })

  test('grey holds it over: at heating, rooms satisfied, it stays for as long as grey is live', () => {
    const wiring = onBench(midPosition)
    wiring.settle(calling('heating'))
    wiring.settle(calling())
    expect(wiring.position('midValve')).toBe(1)
    expect(live(wiring.read('boiler.demand', 'supply.N', 'tester').volts)).toBe(false)
    wiring.settle(calling('hotWater'))
    expect(wiring.position('midValve')).toBe(0)
  })

  test.each([
    // lost conductor; then rooms: where it stands and whether the boiler is called; then cylinder, then both
    ['whiteCore', [0, false], [0, true], [0, true]],
    ['greyCore', [0.5, false], [0, true], [0.5, true]],
    ['orangeCore', [1, false], [0, true], [0.5, true]],
    ['hotWaterCallCore', [1, true], [0, false], [0.5, false]],
    ['valveNeutralCore', [0, false], [0, true], [0, true]],
  ] as const)('%s lost', (core, rooms, cylinder, both) => {
    const lost = { [`${core}.continuity`]: 0 }
    const stands = (asked: Asked) => [position(midPosition, asked, 'midValve', lost), live(volts(midPosition, asked, 'boiler.demand', lost))]
    expect([stands(calling('heating')), stands(calling('hotWater')), stands(calling('heating', 'hotWater'))]).toEqual([rooms, cylinder, both])
  })

  test('grey is no permanent live there, and the scheme says so (common practice)', () => {
    expect(midPosition.conductors.filter((one) => one.role === 'permanentLive')).toEqual([])
    expect(midPosition.warnings?.[0]).toMatchObject({ terminal: 'midValve.satisfied' })
  })
})

describe('gravity hot water with pumped heating', () => {
  test.each([
    ['nothing', calling(), false, false],
    ['rooms', calling('heating'), true, true],
    ['cylinder', calling('hotWater'), false, true],
    ['both', calling('heating', 'hotWater'), true, true],
  ])('%s', (_what, asked, pump, boiler) => {
    expect(live(volts(gravityPumped, asked, 'pump.L'))).toBe(pump)
    expect(live(volts(gravityPumped, asked, 'boiler.demand'))).toBe(boiler)
  })

  test('white on the permanent live’s terminal: the pump runs with nothing calling, the boiler does not', () => {
    const astray = { 'whiteCore.landsOn': 1 }
    expect([live(volts(gravityPumped, calling(), 'pump.L', astray)), live(volts(gravityPumped, calling(), 'boiler.demand', astray))]).toEqual([true, false])
  })
})

describe('24 V zones', () => {
  test('24 to 28 V on the valve that calls, none on its neighbour (common practice)', () => {
    const across = (valve: string) => volts(fourZones, calling('heating'), `${valve}.motor`, {}, `${valve}.return`)
    expect(across('heatingValve')).toBeGreaterThanOrEqual(24)
    expect(across('heatingValve')).toBeLessThanOrEqual(28)
    expect(across('zone2Valve')).toBe(0)
    expect(live(volts(fourZones, calling('heating'), 'boiler.demand'))).toBe(true)
  })

  test('a blown transformer fuse leaves every zone cold; one open conductor only its own', () => {
    const every = calling('heating', 'zone2', 'zone3', 'zone4')
    const open = (changes: Record<string, number>) =>
      ['heatingValve', 'zone2Valve', 'zone3Valve', 'zone4Valve'].map((valve) => position(fourZones, every, valve, changes))
    expect(open({ 'transformer.fuse': 0 })).toEqual([0, 0, 0, 0])
    expect(open({ 'zone1MotorCore.continuity': 0 })).toEqual([0, 1, 1, 1])
  })

  test('a head whose end switch never closes lets the valve open and nothing fires', () => {
    const dead = { 'heatingValve.endSwitch': 0 }
    expect(position(fourZones, calling('heating'), 'heatingValve', dead)).toBe(1)
    expect(live(volts(fourZones, calling('heating'), 'boiler.demand', dead))).toBe(false)
  })

  test('up to eight', () => {
    const eight = zones(8)
    expect(position(eight, calling('zone8'), 'zone8Valve')).toBe(1)
    expect(live(volts(eight, calling('zone8'), 'boiler.demand'))).toBe(true)
  })
})

describe('others', () => {
  test('a combination is called by live on its terminal, or by its own low voltage let back', () => {
    expect([live(volts(combiMains, calling('heating'), 'boiler.demand')), live(volts(combiMains, calling(), 'boiler.demand'))]).toEqual([true, false])
    const own = (asked: Asked) => volts(combiVoltFree, asked, 'boiler.demand', {}, 'boiler.common')
    expect(own(calling('heating'))).toBeGreaterThan(combiVoltFree.callAbove)
    expect(own(calling())).toBe(0)
  })

  test.each([
    ['nothing', calling(), [0, 0], false],
    ['rooms', calling('heating'), [1, 0], true],
    ['store', calling('hotWater'), [0, 1], true],
    ['both', calling('heating', 'hotWater'), [1, 1], true],
    ['timer off', off, [0, 0], false],
  ] as const)('rooms and a thermal store call their flow boiler through valve and end switch: %s', (_what, asked, valves, called) => {
    for (const scheme of [storeElectric, storeElectricPlain]) {
      expect([position(scheme, asked, 'heatingValve'), position(scheme, asked, 'hotWaterValve')]).toEqual(valves)
      expect(live(volts(scheme, asked, 'boiler.demand'))).toBe(called)
    }
  })

  test('a tripped high limit stops the store and leaves the rooms; where none is fitted nothing can trip', () => {
    const tripped = { 'highLimit.tripped': 1 }
    expect(live(volts(storeElectric, calling('hotWater'), 'boiler.demand', tripped))).toBe(false)
    expect(live(volts(storeElectric, calling('heating'), 'boiler.demand', tripped))).toBe(true)
    expect(storeElectricPlain.devices.some(({ kind }) => kind === 'highLimit')).toBe(false)
    expect(storeElectricPlain.warnings?.[0]?.text).toContain('No high limit')
  })
})

describe('what a meter shows where nothing joins (common practice: ghosts)', () => {
  test('the motor wire of a dead head with nothing calling: some tens of volts on 10 MΩ, none on a low-impedance tester', () => {
    const wiring = onBench(twoValves, { 'heatingValve.motor': 0 })
    wiring.settle(calling())
    const ghost = wiring.read('heatingValve.motor', 'supply.N', 'multimeter', true)
    expect(ghost.floating).toBe(true)
    expect(ghost.volts).toBeGreaterThan(30)
    expect(ghost.volts).toBeLessThan(180)
    expect(wiring.read('heatingValve.motor', 'supply.N', 'tester', true).volts).toBeLessThan(3)
  })

  test('a moved conductor: the suspect’s motor wire on an output proved live opens the valve', () => {
    const upstream = { 'cylinderStat.closes': 0 }
    const moved: Asked = { ...calling('hotWater'), moved: [{ conductor: 'hotWaterMotorCore', end: 'from', terminal: 'programmer.heatingOn' }] }
    expect(position(twoValves, calling('hotWater'), 'hotWaterValve', upstream)).toBe(0)
    expect(position(twoValves, moved, 'hotWaterValve', upstream)).toBe(1)
    expect(position(twoValves, moved, 'hotWaterValve', { 'hotWaterValve.motor': 0 })).toBe(0)
  })

  test('continuity: a motor of 2.4 kΩ, a thermostat that clicks, a broken conductor', () => {
    const isolated: Asked = { ...calling('heating'), isolated: true }
    const wiring = onBench(twoValves, { 'hotWaterLiveCore.continuity': 0 })
    wiring.settle(isolated)
    expect(wiring.ohms('hotWaterValve.motor', 'hotWaterValve.N')).toBeCloseTo(2400, -1)
    expect(wiring.ohms('roomStat.common', 'roomStat.call')).toBeLessThan(0.1)
    expect(wiring.ohms('hotWaterValve.live', 'supply.L')).toBe(Infinity)
  })
})

test('a meter taken off leaves everything as it was', () => {
  const wiring = onBench(twoValves, { 'heatingValve.motor': 0 })
  wiring.settle(calling())
  const before = [Float64Array.from(wiring.net.re), Int32Array.from(wiring.net.island)]
  wiring.read('heatingValve.motor', 'supply.N', 'multimeter', true)
  wiring.ohms('heatingValve.motor', 'supply.N')
  expect([Float64Array.from(wiring.net.re), Int32Array.from(wiring.net.island)]).toEqual(before)
})

describe('a step', () => {
  // motor and end switch: common practice
  test('tells that something moves until the valve stands open, and then no more', () => {
    const wiring = onBench(twoValves)
    const stepped = (asked: Asked) => wiring.step(asked, 1)
    stepped(calling())
    expect(stepped(calling())).toBe(false)
    expect(stepped(calling('heating'))).toBe(true)
    let seconds = 0
    while (stepped(calling('heating')) && seconds < 300) seconds++
    expect(seconds).toBeGreaterThan(2)
    expect(seconds).toBeLessThan(300)
    expect(wiring.position('heatingValve')).toBe(1)
    expect(live(wiring.volts(wiring.net.node('boiler.demand'), wiring.net.node('supply.N')))).toBe(true)
    expect(stepped(calling())).toBe(true)
  })
})
