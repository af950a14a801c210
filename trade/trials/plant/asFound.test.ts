import { readTimeline, simulate, type Reduce, type Script } from '@dewpoint/core/plant'
import { withValues, type BoilerSystem, type Parameters, type SignalName } from '@dewpoint/core/system'
import { describe, expect, it } from 'vitest'
import { wiredCatalogues } from '../../index.ts'
import { mainRunOf, runsOf } from '../../readings/runs.ts'
import { atmosCombi, coilCombi, premixCombi, regularPilot, systemBoiler } from '../../systems/index.ts'

/** What is read must be read as an engineer reads it: in the state the check asks for. Common practice, unless a line says otherwise. */
const reading = (system: BoilerSystem, script: string | Script, changes: Parameters, signal: SignalName, reduce: Reduce) =>
  readTimeline(
    simulate(system, withValues(system, changes), typeof script === 'string' ? runsOf(system).find((one) => one.id === script)! : script),
    signal,
    reduce,
  )
const wired = (id: string) => wiredCatalogues().find((one) => one.system.id === id)!.system

describe('the board’s test function', () => {
  it.each([premixCombi, atmosCombi, coilCombi, systemBoiler])('of $id fires with the thermostat dead, at the rate it is set to', (system) => {
    const dead = { 'roomStat.closes': 0 }
    expect(reading(system, 'heating', dead, 'heatingStage', { by: 'max' })).toBeLessThan(3)
    const [high, low] = ['highRate', 'lowRate'].map((id) => reading(system, id, dead, 'gasInput', { by: 'max' }))
    expect(high).toBeGreaterThan(20)
    expect(low).toBeLessThan(0.75 * high!)
  })

  it('reads gas rate and burner pressure right whatever the tap does: a stuck turbine and a furred restrictor do not touch them', () => {
    const rate = (changes: Parameters) => reading(premixCombi, 'highRate', changes, 'gasRate', { by: 'max' })
    expect(rate({ 'turbine.freedom': 0 })).toBeCloseTo(rate({}), 2)
    const pressure = (changes: Parameters) => reading(atmosCombi, 'highRate', changes, 'burnerPressure', { by: 'max' })
    expect(pressure({ 'restrictor.flow': 4 })).toBeCloseTo(pressure({}), 2)
    expect(pressure({ 'gasValve.highPressure': 6 })).toBeLessThan(6.5)
  })

  it('does not mind that the flow is warmer than it is set: the burner stays on', () => {
    expect(reading(premixCombi, 'highRate', { 'radiators.output': 2 }, 'flame', { by: 'drops' })).toBe(0)
  })
})

describe('read cold, and while it purges', () => {
  it('the gauge before keep-warm starts the pump', () => {
    expect(reading(premixCombi, 'idle', {}, 'gauge', { by: 'mean', from: 0, to: 2 })).toBeCloseTo(1.2, 2)
    expect(reading(premixCombi, 'idle', {}, 'pumpVolts', { by: 'max' })).toBe(230)
    expect(reading(premixCombi, 'idle', { 'board.keepWarmOff': 1 }, 'pumpVolts', { by: 'max' })).toBe(0)
  })

  it('the fan at its purge speed, whether it lights afterwards or not', () => {
    for (const changes of [{}, { 'ignition.spark': 0 }, { 'board.gasDrive': 0 }] as Parameters[])
      expect(reading(premixCombi, mainRunOf(premixCombi).run, changes, 'tacho', { by: 'beforeGas' })).toBeGreaterThan(3900)
    for (const changes of [{}, { 'ignition.spark': 0 }] as Parameters[])
      expect(reading(premixCombi, mainRunOf(premixCombi).run, changes, 'tacho', { by: 'beforeGas' })).toBeLessThan(4050)
  })
})

describe('hot water near the limit', () => {
  const drops = (system: BoilerSystem, changes: Parameters) => reading(system, 'full', changes, 'flame', { by: 'drops' })
  const tap = (changes: Parameters) => reading(premixCombi, 'full', changes, 'tapTemperature', { by: 'mean', from: 120 })

  it('a board turns the burner down before it puts it out: a plate a little furred is lukewarm, one well blocked goes hot and cold', () => {
    expect(drops(premixCombi, { 'plate.heatingSide': 0.8 })).toBe(0)
    expect(tap({ 'plate.heatingSide': 0.8 })).toBeLessThan(tap({}) - 2)
    expect(drops(premixCombi, { 'plate.heatingSide': 0.25 })).toBeGreaterThan(2)
  })

  it('one that does not puts it out at once', () => {
    expect(drops(premixCombi, { 'plate.heatingSide': 0.8, 'board.throttleBand': 0 })).toBeGreaterThan(1)
  })
})

describe('what hides, floods and chokes', () => {
  it('a clogged filter hides the pump’s rise from the sensor behind it, not from one on the return', () => {
    const rise = (changes: Parameters) => reading(premixCombi, 'heating', { 'blockFilter.openness': 0.3, ...changes }, 'pressureRise', { by: 'max', to: 60 })
    expect(rise({})).toBeLessThan(0.15)
    expect(rise({ 'pressureSensor.onReturn': 1 })).toBeGreaterThan(0.3)
  })

  it('the system’s filter stands in the heating return of a combination: hot water never passes it', () => {
    const clogged = { 'systemFilter.openness': 0.15 }
    expect(reading(premixCombi, 'full', clogged, 'tapTemperature', { by: 'mean', from: 120 })).toBeCloseTo(
      reading(premixCombi, 'full', {}, 'tapTemperature', { by: 'mean', from: 120 }),
      1,
    )
    expect(reading(premixCombi, 'heating', clogged, 'waterFlow', { by: 'max' })).toBeLessThan(
      0.6 * reading(premixCombi, 'heating', {}, 'waterFlow', { by: 'max' }),
    )
  })

  it('a blocked trap lets it burn for its time, then puts it out', () => {
    const burnt = (after: number) =>
      reading(premixCombi, { heating: false, tap: Infinity, seconds: 300 }, { 'condensate.flooded': 1, 'condensate.floodsAfter': after }, 'flame', {
        by: 'mean',
      })
    expect(burnt(600)).toBeGreaterThan(0.8)
    expect(burnt(100)).toBeLessThan(0.5)
    expect(burnt(10)).toBeLessThan(0.2)
  })

  it('a dirty exchanger burns no more gas, and gives less of it to the water', () => {
    const of = (changes: Parameters, signal: SignalName) => reading(atmosCombi, 'highRate', changes, signal, { by: 'max' })
    expect(of({ 'exchanger.dirt': 1.8 }, 'gasRate')).toBeCloseTo(of({}, 'gasRate'), 2)
    expect(of({ 'exchanger.dirt': 1.8 }, 'burnerPower')).toBeLessThan(of({}, 'burnerPower') - 0.5)
    expect(of({ 'exchanger.dirt': 1.8 }, 'flueTemperature')).toBeGreaterThan(of({}, 'flueTemperature') + 30)
  })

  it('a lost earth is a flame not seen, on a pilot as well', () => {
    for (const id of ['premix-combi+combi-mains', 'regular-pilot+gravity-pumped']) {
      expect(reading(wired(id), 'heating', { 'boilerEarth.continuity': 0 }, 'flameCurrent', { by: 'max' }), id).toBe(0)
      expect(reading(wired(id), 'heating', {}, 'flameCurrent', { by: 'max' }), id).toBeGreaterThan(2)
    }
    expect(reading(regularPilot, 'heating', {}, 'flame', { by: 'max' })).toBe(1)
  })
})

describe('valves and wires, as they are found', () => {
  const boiler = wired('system-boiler+two-valves')

  it.each(['heatingValve', 'hotWaterValve'])('a %s stuck open calls the boiler with nothing asked', (valve) => {
    expect(reading(boiler, 'idle', { [`${valve}.freedom`]: 0, [`${valve}.start`]: 1 }, 'flame', { by: 'max' })).toBe(1)
    expect(reading(boiler, 'idle', { [`${valve}.heldOpen`]: 1 }, 'flame', { by: 'max' })).toBe(0)
  })

  it('a valve that lets by warms the radiators while only the cylinder heats', () => {
    const warm = (changes: Parameters) => reading(boiler, 'stored', changes, 'radiatorTemperature', { by: 'last' })
    expect(warm({})).toBeLessThan(18)
    expect(warm({ 'heatingValve.passing': 0.2 })).toBeGreaterThan(24)
  })

  it('joining the room thermostat’s wires tells the thermostat from all that stands behind it', () => {
    const call = (changes: Parameters) => reading(boiler, 'bridged', changes, 'heatCallVolts', { by: 'max' })
    expect(call({ 'roomStat.closes': 0 })).toBeGreaterThan(200)
    for (const fault of ['heatingValve.motor', 'heatingValve.freedom', 'heatingValve.endSwitch', 'heatingLiveCore.continuity', 'programmer.heatingOutput'])
      expect(call({ [fault]: 0 }), fault).toBeLessThan(100)
  })

  it('mains that leaks in over a night climbs to the relief valve, not to the pressure of a running tap', () => {
    expect(
      reading(premixCombi, { heating: false, tap: 0, seconds: 3600, every: 10 }, { 'plate.perforation': 0.05 }, 'pressure', { by: 'last' }),
    ).toBeGreaterThan(2.95)
  })

  it('a store whose thermostat never opens runs past its setting', () => {
    const store = (changes: Parameters) => reading(boiler, 'storeOn', changes, 'cylinderTemperature', { by: 'max' })
    expect(store({})).toBeLessThan(63)
    expect(store({ 'cylinderStat.stuckClosed': 1 })).toBeGreaterThan(65)
  })
})
