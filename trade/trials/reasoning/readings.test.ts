import { type Entry, scriptedJournal } from '@dewpoint/core/casebook'
import { diagnose, placeOfOutcome, plantOf, readChecks, readsOf, simulatedChecks, type Diagnosis } from '@dewpoint/core/diagnosis'
import { readTimeline, simulate } from '@dewpoint/core/plant'
import { withValues } from '@dewpoint/core/system'
import { describe, expect, it } from 'vitest'
import { catalogues } from '../../index.ts'
import { loadSignatures } from '../../shipped.ts'

/** The trade’s own tables, row by row: each must be expressible and come out right. Common practice throughout. */

function think(system: string, entries: Entry[]): Diagnosis {
  const catalogue = catalogues[system]!
  return diagnose(catalogue, loadSignatures(catalogue), entries)
}
const keys = (result: Diagnosis, count = 3) => result.suspects.slice(0, count).map((one) => one.key)
const partOf = (result: Diagnosis, id: string) => result.parts.find((one) => one.id === id)?.probability ?? 0
const drained = { demand: 'none' as const, drained: true }

describe('what a display shows', () => {
  it.each(['premix-combi', 'system-boiler', 'electric-flow'])('of a dead %s is nothing: neither a figure nor a status', (system) => {
    const catalogue = catalogues[system]!
    const shown = catalogue.checks.filter((one) => readsOf(one).some((read) => 'given' in read && read.given === 'displayOn')).map(({ id }) => id)
    expect(shown.length).toBeGreaterThan(0)
    const checks = simulatedChecks(catalogue)
    const read = (...faults: string[]) => {
      const set = faults.map((fault) => catalogue.faults.findIndex((one) => one.id === fault))
      const values = readChecks(catalogue, plantOf(catalogue, set, 0))
      return shown.map((id) => values[checks.findIndex((one) => one.id === id)]!)
    }
    expect(read().filter(Number.isNaN)).toEqual([])
    for (const dark of ['board.fuseBlown', 'board.displayDead']) expect(read(dark).filter((value) => !Number.isNaN(value))).toEqual([])
  })

  it.each(['premix-combi', 'system-boiler', 'electric-flow'])('is not asked for on a %s once it is dark', (system) => {
    const { checks } = catalogues[system]!
    const onDisplay = checks.filter((one) => one.blindBy)
    expect(onDisplay.map(({ id }) => id)).toContain('display.faultCode')
    expect(checks.filter((one) => readsOf(one).some((read) => 'given' in read) && !one.blindBy)).toEqual([])
    const lamp = checks.find(({ id }) => id === 'look.display')!
    for (const { blindBy } of onDisplay) expect([blindBy!.check, placeOfOutcome(lamp, blindBy!.outcome)]).toEqual([lamp.id, 1])
    const { complain, answer } = scriptedJournal()
    const { next } = think(system, [complain('nothing'), answer('look.display', 'no')])
    expect(next.length).toBeGreaterThan(3)
    expect(next.filter(({ check }) => onDisplay.some(({ id }) => id === check))).toEqual([])
  })
})

describe('reading the gauge over time', () => {
  it('cold fine, climbs toward 3 on heating, drips outside, low next morning: the vessel', () => {
    const { answer, measure } = scriptedJournal()
    const result = think('premix-combi', [
      answer('ask.climbsHot', 'high'),
      answer('ask.dripsWhen', 'hot'),
      answer('ask.lowEveryMorning', 'yes'),
      measure('look.gaugeCold', 1.1, 'bar'),
    ])
    const vessel = ['vessel', 'vesselCore', 'vesselDiaphragm', 'vesselSize', 'vesselCharge', 'vesselPipe'].reduce((sum, id) => sum + partOf(result, id), 0)
    expect(vessel).toBeGreaterThan(0.8)
  })

  it('climbs by itself overnight, boiler cold: filling loop letting by or plate perforated, until the loop is off', () => {
    const { answer, measure } = scriptedJournal()
    const before = [answer('ask.climbsOvernight', 'yes'), measure('try.standOvernight', 0.6, 'bar')]
    const result = think('premix-combi', before)
    for (const fault of ['fillingLoop.lettingBy', 'plate.perforated']) expect(keys(result, 6)).toContain(fault)
    const off = think('premix-combi', [...before, measure('try.standLoopOff', 0, 'bar')])
    expect(keys(off, 1)).toEqual(['fillingLoop.lettingBy'])
    const still = think('premix-combi', [...before, measure('try.standLoopOff', 0.6, 'bar')])
    expect(keys(still, 1)).toEqual(['plate.perforated'])
  })

  it('the same with a cylinder: its coil', () => {
    const { answer, measure } = scriptedJournal()
    const result = think('system-boiler', [
      answer('ask.climbsOvernight', 'yes'),
      measure('try.standOvernight', 0.6, 'bar'),
      measure('try.standLoopOff', 0.6, 'bar'),
    ])
    expect(keys(result, 1)).toEqual(['cylinder.coilPerforated'])
  })

  it('falls slowly, outside pipe dry: a leak on the system or in the casing', () => {
    const { answer, measure } = scriptedJournal()
    const result = think('premix-combi', [
      measure('try.standOvernight', -0.5, 'bar'),
      measure('look.gaugeCold', 0.7, 'bar'),
      answer('ask.topUps', 'yes'),
      answer('ask.dripsOutside', 'no'),
      measure('look.pipeOutside', 0, 'l'),
    ])
    expect(partOf(result, 'relief')).toBeLessThan(0.05)
    const leaks = ['pipework', 'unions', 'hoses', 'airVent', 'pump', 'plate', 'diverterSpindle', 'exchangerBody', 'vesselShell'].reduce(
      (sum, id) => sum + partOf(result, id),
      0,
    )
    expect(leaks).toBeGreaterThan(0.85)
  })

  it('falls slowly, outside pipe wet: the relief valve passing', () => {
    const { answer, measure } = scriptedJournal()
    const result = think('premix-combi', [
      measure('try.standOvernight', -0.5, 'bar'),
      measure('look.gaugeCold', 0.7, 'bar'),
      answer('ask.topUps', 'yes'),
      answer('ask.dripsWhen', 'always'),
      measure('look.pipeOutside', 0.1, 'l'),
    ])
    expect(partOf(result, 'relief')).toBeGreaterThan(0.85)
  })

  it('falls only while hot: a joint that opens hot; only while cold: a joint that opens cold', () => {
    const { measure, answer } = scriptedJournal()
    const before = [measure('look.gaugeCold', 0.7, 'bar'), answer('ask.topUps', 'yes'), answer('ask.dripsOutside', 'no'), answer('look.dampCasing', 'no')]
    const hot = think('premix-combi', [...before, measure('try.standOvernight', 0, 'bar'), measure('try.fallsHot', -0.6, 'bar')])
    // short of water it is, whatever let it go; of what lets it go that one leads
    expect(keys(hot, 3).filter((key) => key !== 'water.low')[0]).toBe('pipework.leakHot')
    const cold = think('premix-combi', [...before, measure('try.standOvernight', -0.5, 'bar'), measure('try.fallsHot', 0, 'bar')])
    expect(cold.suspects[0]!.key).toBe('pipework.leakCold')
  })

  it('does not move when a lot of water is let out: the gauge', () => {
    const { measure } = scriptedJournal()
    const result = think('premix-combi', [measure('try.letOut', 0, 'bar')])
    expect(keys(result, 1)).toEqual(['gauge.stuck'])
  })

  it('tells a flat vessel from a small one', () => {
    const { answer, measure } = scriptedJournal()
    const before = [answer('ask.climbsHot', 'high'), answer('ask.lowEveryMorning', 'yes')]
    const flat = think('premix-combi', [...before, measure('measure.vesselCharge', 0.1, 'bar', drained)])
    expect(partOf(flat, 'vessel') + partOf(flat, 'vesselCore') + partOf(flat, 'vesselDiaphragm')).toBeGreaterThan(0.8)
    const small = think('premix-combi', [
      ...before,
      measure('measure.vesselCharge', 1, 'bar', drained),
      measure('look.vesselPlate', 6.5, 'l'),
      measure('look.systemVolume', 210, 'l'),
      answer('ask.sinceInstalled', 'yes'),
    ])
    expect(keys(small, 1)).toEqual(['vessel.tooSmall'])
  })
})

describe('hot water that is wrong', () => {
  const fine = ['ask.heating', 'fine'] as const

  it('none, heating fine: turbine, diverter, thermistor, wiring stand to be told apart', () => {
    const { complain, answer } = scriptedJournal()
    const result = think('premix-combi', [complain('noHotWater'), answer(...fine)])
    const standing = result.suspects.map((one) => one.key).join(' ')
    for (const part of ['turbine', 'diverter']) expect(standing).toContain(part)
    const parts = result.parts.filter((one) => one.probability > 0.01).map((one) => one.id)
    for (const part of ['turbine', 'diverterCartridge', 'diverterMotor', 'turbineLead', 'board']) expect(parts).toContain(part)
  })

  it('lukewarm at every tap: restrictor, scaled plate, passing diverter, low gas, crossover stand; the cold feed shut tells a crossover', () => {
    const { complain, answer } = scriptedJournal()
    const before = [complain('lukewarm'), answer(...fine)]
    const standing = think('premix-combi', before)
      .parts.filter((one) => one.probability > 0.01)
      .map((one) => one.id)
    for (const part of ['restrictor', 'plate', 'diverterCartridge', 'gas', 'mixer']) expect(standing).toContain(part)
    expect(think('premix-combi', [...before, answer('try.shutColdFeed', 'runs')]).verdict?.part).toBe('mixer')
    expect(partOf(think('premix-combi', [...before, answer('try.shutColdFeed', 'stops')]), 'mixer')).toBeLessThan(0.05)
  })

  it('hot-cold-hot on an atmospheric burner: plate, low burner pressure set too high, thermistor; the cheap two are offered before the plate', () => {
    const { complain, answer, measure } = scriptedJournal()
    const before = [complain('hotColdHot'), answer('display.dropOut', 'yes')]
    const result = think('atmos-combi', before)
    const standing = result.suspects.map((one) => one.key)
    for (const key of ['plate.heatingSideBlocked', 'flowThermistor.readsHigh']) expect(standing).toContain(key)
    expect(result.verdict).toBeNull()
    expect(result.next.slice(0, 3).map((one) => one.check)).not.toContain('look.plateOpened')
    const set = think('atmos-combi', [...before, answer('try.swingFullTap', 'onlyLow'), measure('measure.lowPressureSetting', 7, 'mbar')])
    // a modulator that sticks high reads so too, and one look at whether it follows tells
    expect(
      set.suspects
        .slice(0, 2)
        .map((one) => one.key)
        .sort(),
    ).toEqual(['gasValve.lowPressureHigh', 'gasValve.modulatorStuckHigh'])
    expect(set.verdict).toBeNull()
    const follows = think('atmos-combi', [
      ...before,
      answer('try.swingFullTap', 'onlyLow'),
      measure('measure.lowPressureSetting', 7, 'mbar'),
      answer('try.modulator', 'follows'),
    ])
    expect(follows.verdict?.part).toBe('gasValveSetting')
  })

  it('radiators warm while only a tap runs: the diverter', () => {
    const { complain } = scriptedJournal()
    const result = think('premix-combi', [complain('radiatorsInSummer')])
    for (const key of keys(result, 3)) expect(key).toMatch(/^diverter/)
    expect(partOf(result, 'diverterCartridge') + partOf(result, 'diverterMotor')).toBeGreaterThan(0.4)
  })

  it('now and then, with damp above the plug: the wet actuator and the leak that wets it', () => {
    const { complain, answer } = scriptedJournal()
    const result = think('premix-combi', [
      complain('noHotWater'),
      answer(...fine),
      answer('ask.comesAndGoes', 'yes'),
      answer('look.diverterPlug', 'yes'),
      answer('look.dampDiverter', 'yes'),
    ])
    expect(result.suspects[0]!.faults).toContain('diverterMotor.wet')
    expect(result.causes.flatMap((one) => one.lookFor).join(' ')).toContain('spindle')
  })

  it('from a cylinder: coil, thermostat, valve and programmer stand', () => {
    const { complain, answer } = scriptedJournal()
    const standing = think('system-boiler', [complain('noStoredHotWater'), answer('ask.heating', 'fine')])
      .parts.filter((one) => one.probability > 0.01)
      .map((one) => one.id)
    for (const part of ['hotWaterValveHead', 'cylinderStat', 'programmer', 'hotWaterWire']) expect(standing).toContain(part)
  })

  it('from a store: mixing valve, coil and elements stand', () => {
    const { complain } = scriptedJournal()
    const standing = think('electric-flow', [complain('lukewarmStored')])
      .parts.filter((one) => one.probability > 0.01)
      .map((one) => one.id)
    for (const part of ['mixingValve', 'storeCoil', 'elements']) expect(standing).toContain(part)
  })

  it('the restrictor’s flow follows output: about 10 l/min at 24 kW and 35 K', () => {
    const { system } = catalogues['atmos-combi']!
    const timeline = simulate(system, withValues(system, {}), { heating: false, tap: Infinity, seconds: 300 })
    // 24 kW ÷ (4.19 kJ/kgK × 35 K) = 9.8 l/min. Source: specific heat of water, common tables
    expect(readTimeline(timeline, 'tapFlow', { by: 'max' })).toBeCloseTo((24 / (4.19 * 35)) * 60, 0)
  })
})

describe('stored hot water under pressure', () => {
  it('runs into the tundish as it heats: charge lost; at all times: reducing valve or its own seat', () => {
    const { answer } = scriptedJournal()
    const hot = think('system-boiler', [answer('look.tundish', 'hot'), answer('ask.tundish', 'hot')])
    expect(partOf(hot, 'cylinderVessel') + partOf(hot, 'cylinderVesselDiaphragm') + partOf(hot, 'airGap')).toBeGreaterThan(0.6)
    const always = think('system-boiler', [answer('look.tundish', 'always'), answer('ask.tundish', 'always')])
    expect(partOf(always, 'expansionRelief')).toBeGreaterThan(0.6)
  })
})

describe('24 V zones', () => {
  it('all cold: what the zones share; one cold with a warm neighbour: its own thermostat, wire or head', () => {
    const { complain } = scriptedJournal()
    const all = think('zone-24v', [complain('allZonesCold')])
    for (const own of ['zone2Stat', 'heatingValveHead', 'zone2ValveHead']) expect(partOf(all, own)).toBeLessThan(0.05)
    for (const shared of ['transformer', 'transformerFuse']) expect(partOf(all, shared)).toBeGreaterThan(2 * partOf(think('zone-24v', []), shared))
    const one = think('zone-24v', [complain('oneZoneCold')])
    for (const shared of ['transformer', 'transformerFuse', 'pump', 'fan', 'board']) expect(partOf(one, shared)).toBeLessThan(0.03)
    expect(
      partOf(one, 'heatingValveHead') +
        partOf(one, 'heatingValveBody') +
        partOf(one, 'roomStat') +
        partOf(one, 'roomStatBatteries') +
        partOf(one, 'heatingWire'),
    ).toBeGreaterThan(0.6)
  })
})
