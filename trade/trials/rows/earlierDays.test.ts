import { scriptedJournal, type Entry } from '@dewpoint/core/casebook'
import { diagnose, placeOfOutcome } from '@dewpoint/core/diagnosis'
import { readSystemFile, writeSystemFile } from '@dewpoint/core/formats'
import type { BoilerSystem } from '@dewpoint/core/system'
import { describe, expect, it } from 'vitest'
import { catalogueOf } from '../../catalogue.ts'
import { catalogues, stockCatalogues, wiredCatalogues } from '../../index.ts'
import { loadSignatures } from '../../shipped.ts'
import { premixCombi, regularPilot, systemBoiler } from '../../systems/index.ts'

const think = (entries: Entry[], system = 'premix-combi') => diagnose(catalogues[system]!, loadSignatures(catalogues[system]!), entries)
const of = (result: ReturnType<typeof think>, key: string) => result.suspects.find((one) => one.key === key)?.probability ?? 0

describe('an outcome that was told apart later', () => {
  it.each(Object.values(stockCatalogues).map((one) => [one.system.id, one] as const))('in %s means outcomes there are', (_id, { checks }) => {
    for (const check of checks) {
      if (check.result.kind !== 'outcome') continue
      const { outcomes, once = [] } = check.result
      for (const { id, means } of once) {
        expect(means.length, check.id).toBeGreaterThan(1)
        for (const one of means)
          expect(
            outcomes.map((known) => known.id),
            `${check.id} ${id}`,
          ).toContain(one)
        expect(placeOfOutcome(check, id)).toBeGreaterThanOrEqual(outcomes.length)
      }
    }
  })

  it('counts for each of those it may have been: one code for every sensor', () => {
    const { complain, answer } = scriptedJournal()
    const shown = (code: string) => think([complain('locksOut'), answer('display.faultCode', code)])
    const before = shown('sensor')
    for (const fault of ['flowThermistor.open', 'hotWaterThermistor.open', 'overheat.open']) expect(of(before, fault), fault).toBeGreaterThan(0.1)
    expect(of(before, 'fan.seized')).toBeLessThan(0.01)
    const now = shown('flowSensor')
    expect(of(now, 'flowThermistor.open') + of(now, 'flowThermistor.short') + of(now, 'flowThermistorLead.open')).toBeGreaterThan(0.6)
    expect(of(now, 'hotWaterThermistor.open')).toBeLessThan(0.02)
  })

  it('no spark, or in the wrong place: both still stand', () => {
    const { complain, answer } = scriptedJournal()
    const before = [complain('locksOut'), answer('display.faultCode', 'flame')]
    const result = think([...before, answer('look.sparkGap', 'no')])
    for (const fault of ['ignition.noSpark', 'ignition.tracking', 'ignition.generatorDead'])
      expect(of(result, fault), fault).toBeGreaterThan(1.5 * of(think(before), fault))
  })
})

/** A system as it was written down before its parts gained parameters. */
function ofEarlierDays(system: BoilerSystem): BoilerSystem {
  const gained: Record<string, string[]> = {
    diverter: ['wet'],
    vessel: ['corePasses', 'connection'],
    fillingLoop: ['handles', 'automatic'],
    condensate: ['floodsAfter'],
    plate: ['mainsOpenness'],
    pump: ['shaft'],
    board: ['polaritySensitive', 'demandStuck', 'alive', 'throttleBand', 'throttleTo', 'fanCommandDrive'],
    heatingValve: ['start', 'passing'],
    hotWaterValve: ['start', 'passing'],
    ignition: ['generator', 'tracks'],
  }
  return {
    ...system,
    components: system.components
      .filter(({ id }) => !['fanLead', 'diverterLead', 'boilerColdValve'].includes(id))
      .map((one) => ({ ...one, parameters: Object.fromEntries(Object.entries(one.parameters).filter(([name]) => !gained[one.id]?.includes(name))) })),
  }
}

describe('a system from a file of earlier days', () => {
  it.each([premixCombi, systemBoiler, regularPilot])('$id is read, runs, and keeps every fault it had', (system) => {
    const read = readSystemFile(writeSystemFile({ ...ofEarlierDays(system), id: 'earlier-days' }), {})
    if (!read.ok) throw new Error(JSON.stringify(read.problems))
    const faults = new Set(catalogueOf(read.system).faults.map((one) => one.id))
    const had = ['vessel.corePassing', 'fillingLoop.leftOpen', 'pump.seized', 'ignition.noSpark', 'water.low', 'gas.meterShut']
    for (const fault of had) expect(faults, fault).toContain(fault)
    if (system === premixCombi) for (const fault of ['diverterMotor.wet', 'plate.scaled', 'condensate.blocked']) expect(faults, fault).toContain(fault)
    if (system === systemBoiler) expect(faults).toContain('heatingValve.seized')
  })
})

describe('a model', () => {
  it('has every row its stock system has, for parts and layout it shares', () => {
    for (const [model, stock] of [
      ['quay-24', 'premix-combi'],
      ['mole-system-18', 'system-boiler'],
    ] as const) {
      const ids = (list: readonly { id: string }[]) => list.map((one) => one.id).sort()
      for (const part of ['faults', 'checks', 'remedies', 'complaints'] as const)
        expect(ids(catalogues[model]![part]), `${model} ${part}`).toEqual(ids(catalogues[stock]![part]))
    }
  })

  it('has its own figures in steps and severities', () => {
    const quay = catalogues['quay-24']!
    expect(quay.checks.find((one) => one.id === 'measure.lowestFanSpeed')!.how.join(' ')).toContain('1450 rev/min')
    expect(quay.faults.find((one) => one.id === 'board.minimumSpeedHigh')!.patch['board.minimumFanSpeed']).toEqual([1450 * 1.25, 1450 * 2.5])
  })
})

describe('a voltage of the mains', () => {
  const { complain, measure } = scriptedJournal()
  const read = (volts: number) => think([complain('noHeating'), measure('measure.pumpSupply', volts, 'V')])

  it('says the same anywhere within the live band, and anywhere within the dead one', () => {
    for (const [one, other] of [
      [230, 215],
      [0, 9],
    ] as const)
      expect(Math.abs(of(read(one), 'pump.seized') - of(read(other), 'pump.seized'))).toBeLessThan(0.02)
    expect(of(read(230), 'pump.seized')).toBeGreaterThan(4 * of(read(9), 'pump.seized'))
  })

  it('is compared on its own range where the call is no mains: 24 V are not the same as none', () => {
    const call = (id: string) =>
      wiredCatalogues()
        .find((one) => one.system.id === id)!
        .checks.find((one) => one.id === 'measure.heatCall')!.result
    expect(call('premix-combi+combi-mains')).toMatchObject({ bands: [50, 200] })
    expect(call('premix-combi+combi-volt-free')).toMatchObject({ width: 1.5, range: [0, 45] })
    expect(call('premix-combi+combi-volt-free')).not.toHaveProperty('bands')
  })
})
