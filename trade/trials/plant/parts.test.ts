import { pressureStory, readTimeline, simulate, type Reduce, type Script } from '@dewpoint/core/plant'
import { parametersOf, withValues, type BoilerSystem, type Parameters, type SignalName } from '@dewpoint/core/system'
import { describe, expect, it } from 'vitest'
import { wiredCatalogues } from '../../index.ts'
import { runsOf } from '../../readings/runs.ts'
import { atmosCombi, coilCombi, electricFlow, premixCombi, regularPilot } from '../../systems/index.ts'

/** Parts that came to the plant later, each against what it is for. Common practice. */
const run = (system: BoilerSystem, script: string, changes: Parameters, signal: SignalName, reduce: Reduce = { by: 'max' }) =>
  readTimeline(simulate(system, withValues(system, changes), runsOf(system).find((one) => one.id === script)! as Script), signal, reduce)
const wired = (id: string) => wiredCatalogues().find((one) => one.system.id === id)!.system

describe('the boiler’s own room-thermostat terminals joined', () => {
  it('start it whatever the thermostat does, but for a board whose input is destroyed', () => {
    const dead = { 'roomStat.closes': 0, 'programmer.heatingOutput': 0 }
    expect(run(premixCombi, 'linked', dead, 'flame')).toBe(1)
    expect(run(premixCombi, 'linked', { ...dead, 'board.heatInput': 0 }, 'flame')).toBe(0)
    expect(run(premixCombi, 'linked', { 'board.power': 0 }, 'flame')).toBe(0)
  })
})

describe('a night with the cold feed shut', () => {
  it('keeps its pressure with a split plate, which climbs with it open', () => {
    const night = (mainsShut: boolean) =>
      pressureStory(withValues(premixCombi, { 'plate.perforation': 0.001 }), [{ hours: 12, state: 'cold', setTo: 1.2, mainsShut }])[0]!.after
    expect(night(false)).toBeGreaterThan(1.4)
    expect(night(true)).toBeCloseTo(1.2, 6)
  })
})

describe('a mid-position valve', () => {
  const system = wired('system-boiler+mid-position')
  const atHeating = { 'midValve.start': 1 }
  /** once the rooms are satisfied grey holds the valve over: the boiler must not go on */
  const demand = (changes: Parameters) => run(system, 'idle', { ...atHeating, 'cylinder.temperature': 60, ...changes }, 'heatCallVolts', { by: 'last' })

  it('does not hold the boiler on once the rooms are satisfied, unless it feeds back', () => {
    expect(demand({})).toBeLessThan(100)
    expect(demand({ 'midValve.backFeeds': 1 })).toBeGreaterThan(100)
  })

  it('holds the middle with both calling; without its holding circuit it falls back and drives again', () => {
    const swing = (changes: Parameters) => run(system, 'both', changes, 'heatingValve', { by: 'swing', from: 30, to: 55 })
    expect(swing({})).toBe(0)
    expect(swing({ 'midValve.holding': 0 })).toBeGreaterThan(0.2)
  })

  it('with its outlets swapped warms the radiators while the cylinder alone calls', () => {
    const radiators = (changes: Parameters) => run(system, 'stored', changes, 'radiatorTemperature', { by: 'last' })
    expect(radiators({})).toBeLessThan(22)
    expect(radiators({ 'midValve.portsSwapped': 1 })).toBeGreaterThan(35)
  })

  it('gets no live on grey with hot water off where the programmer’s off contact is dead', () => {
    const grey = (changes: Parameters) => run(system, 'heatingAlone', changes, 'satisfiedVolts', { by: 'last' })
    expect(grey({})).toBeGreaterThan(200)
    expect(grey({ 'programmer.offContact': 0 })).toBeLessThan(50)
  })
})

describe('call and satisfied exchanged at the cylinder thermostat', () => {
  it('a cold cylinder is not called for', () => {
    const system = wired('system-boiler+mid-position')
    expect(run(system, 'stored', {}, 'flame')).toBe(1)
    expect(run(system, 'stored', { 'cylinderStat.crossed': 1 }, 'hotWaterMotorVolts', { by: 'mean', from: 10, to: 40 })).toBeLessThan(50)
  })
})

describe('a contactor stuck closed', () => {
  it('feeds the elements with nothing calling until the overheat device trips or its own circuit is off', () => {
    expect(run(electricFlow, 'idle', {}, 'elementCurrent')).toBe(0)
    expect(run(electricFlow, 'idle', { 'contactor.welded': 1 }, 'elementCurrent')).toBeGreaterThan(35)
    expect(run(electricFlow, 'idle', { 'contactor.welded': 1, 'power.live': 0 }, 'elementCurrent')).toBe(0)
  })
})

describe('leads from the board', () => {
  it('carry what it gives: pump and gas valve stand still with theirs open', () => {
    expect(run(coilCombi, 'heating', {}, 'pumpVolts')).toBe(230)
    expect(run(coilCombi, 'heating', { 'pumpLead.continuity': 0 }, 'pumpVolts')).toBe(0)
    expect(run(premixCombi, 'full', {}, 'gasValveVolts')).toBe(24)
    expect(run(premixCombi, 'full', { 'gasValveLead.continuity': 0 }, 'gasValveVolts')).toBe(0)
    expect(run(premixCombi, 'full', { 'gasValveLead.continuity': 0 }, 'sparkOn')).toBe(1)
  })

  it('carry what it hears: a water switch whose lead is open says no water, even one that is stuck closed', () => {
    const heard = (changes: Parameters) => run(coilCombi, 'heating', changes, 'waterSwitch')
    expect(heard({})).toBe(1)
    expect(heard({ 'waterSwitchLead.continuity': 0 })).toBe(0)
    expect(heard({ 'waterSwitchLead.continuity': 0, 'waterSwitch.stuckMade': 1 })).toBe(0)
  })
})

describe('the electric boiler’s two circuits', () => {
  const last = (script: string, signal: SignalName, changes: Parameters = {}) => run(electricFlow, script, changes, signal, { by: 'last' })

  it('warm rooms and store each through its own valve, and neither through the other’s', () => {
    expect(last('heating', 'radiatorTemperature')).toBeGreaterThan(38)
    expect(last('heating', 'cylinderTemperature')).toBeLessThan(33)
    expect(last('stored', 'cylinderTemperature')).toBeGreaterThan(43)
    expect(last('stored', 'radiatorTemperature')).toBeLessThan(22)
    expect(last('heating', 'radiatorTemperature', { 'heatingValve.motor': 0 })).toBeLessThan(22)
    expect(last('stored', 'cylinderTemperature', { 'heatingValve.motor': 0 })).toBeGreaterThan(43)
  })

  it('give less with fewer elements, and share what there is where the other valve is held open', () => {
    const rooms = [3, 2, 1, 0].map((whole) => last('heating', 'radiatorTemperature', { 'elements.whole': whole }))
    expect([...rooms].sort((a, b) => b - a)).toEqual(rooms)
    expect(last('stored', 'cylinderTemperature', { 'heatingValve.heldOpen': 1 })).toBeLessThan(last('stored', 'cylinderTemperature'))
  })

  it('lose only the elements when their own circuit trips: the controls have another', () => {
    expect(run(electricFlow, 'stored', { 'power.live': 0 }, 'elementCurrent')).toBe(0)
    expect(run(electricFlow, 'stored', { 'power.live': 0 }, 'hotWaterCallVolts')).toBeGreaterThan(200)
    expect(run(electricFlow, 'stored', { 'supply.live': 0 }, 'hotWaterCallVolts')).toBe(0)
  })
})

describe('a pilot jet', () => {
  it('gives a small flame down to an eighth of its gas, then none', () => {
    const pilot = (jet: number) => run(regularPilot, 'heating', { 'pilot.jet': jet }, 'pilotFlame')
    expect([pilot(1), pilot(0.2), pilot(0.1)]).toEqual([1, 1, 0])
  })
})

describe('the supply of the flow sensor', () => {
  it('carries the pulses: without it there are none', () => {
    expect(run(atmosCombi, 'full', {}, 'hallFrequency')).toBeGreaterThan(20)
    expect(run(atmosCombi, 'full', { 'board.hallSupply': 0 }, 'hallFrequency')).toBe(0)
  })
})

describe('marks that only the eye sees', () => {
  it('change nothing the plant reads', () => {
    const marks = new Map(parametersOf(premixCombi)).entries()
    const seen = [...marks].flatMap(([key]) =>
      ['fan.unbalanced', 'relief.pipeBad', 'burner.padCracked', 'case.notSealed'].includes(key) ? [[key, 1] as const] : [],
    )
    expect(seen).toHaveLength(4)
    const of = (changes: Parameters) =>
      (['flame', 'tapTemperature', 'carbonDioxide', 'fanSpeed'] as const).map((signal) => run(premixCombi, 'full', changes, signal))
    expect(of(Object.fromEntries(seen))).toEqual(of({}))
  })
})
