import type { PartState } from '@dewpoint/core/diagnosis'
import { stockCatalogues } from '@dewpoint/trade'
import { describe, expect, it } from 'vitest'
import { percent } from '../suspects/colours.ts'
import { pointsOf, waterMap } from './waterMap.ts'

const part = (id: string, state: PartState['state'], of?: string): PartState => ({ id, label: id, probability: 0.1, state, provenBy: [], ...(of && { of }) })
const place = (id: string, parts: PartState[]) => waterMap(parts).places.find((one) => one.id === id)

describe('the water map', () => {
  it('is bad where any part of a place is, good only where all are', () => {
    const motor = (state: PartState['state']) => part('diverterMotor', state, 'diverter')
    const cartridge = (state: PartState['state']) => part('diverterCartridge', state, 'diverter')
    expect(place('diverter', [motor('good'), cartridge('good')])).toMatchObject({ state: 'good', says: 'proven good' })
    expect(place('diverter', [motor('good'), cartridge('untested')])).toMatchObject({ state: 'untested', says: 'not proved' })
    expect(place('diverter', [motor('bad'), cartridge('good')])).toMatchObject({ state: 'bad', says: 'diverterMotor' })
  })

  it('leaves out what a boiler does not have', () => {
    expect(waterMap([part('pump', 'untested')]).places.map((one) => one.id)).toEqual(['pump'])
    expect(waterMap([]).places).toEqual([])
  })

  it('calls a store a store, and sets no label over another', () => {
    const labels = (system: string) =>
      waterMap(stockCatalogues[system]!.parts.map((one) => ({ ...one, probability: 0, state: 'untested' as const, provenBy: [] }))).places.map(
        (one) => one.label,
      )
    expect(labels('electric-flow')).toEqual(expect.arrayContaining(['Store', 'Store valve', 'Radiators']))
    expect(labels('system-boiler')).toEqual(expect.arrayContaining(['Cylinder', 'Hot-water valve']))
    // so wide is a letter about, as it is drawn
    for (const { system, parts } of Object.values(stockCatalogues)) {
      const boxes = waterMap(parts.map((one) => ({ ...one, probability: 0, state: 'untested' as const, provenBy: [] }))).places.map(({ label, side, x, y }) => {
        const wide = label.length * 5.4
        const middle = y + (side === 'left' ? 0 : side === 'above' ? -19 : 19)
        return { label, from: side === 'left' ? x - 14 - wide : x - wide / 2, to: side === 'left' ? x - 14 : x + wide / 2, top: middle - 6, bottom: middle + 6 }
      })
      for (const [index, a] of boxes.entries())
        for (const b of boxes.slice(index + 1))
          expect(a.from < b.to && b.from < a.to && a.top < b.bottom && b.top < a.bottom, `${system.id}: ${a.label} over ${b.label}`).toBe(false)
    }
  })

  it('takes no part for another because it begins alike', () => {
    // a cylinder’s thermostat is not on the water’s way, nor the pump’s core
    expect(place('cylinder', [part('cylinderStat', 'bad')])).toBeUndefined()
    expect(place('pump', [part('pumpCore', 'bad')])).toBeUndefined()
    expect(place('vessel', [part('vesselCharge', 'bad', 'vessel')])).toMatchObject({ state: 'bad' })
  })

  it('has a place for the vessel, the pump and the exchanger of every boiler that has them', () => {
    for (const { system, parts } of Object.values(stockCatalogues)) {
      const things = new Set(parts.map((one) => one.of ?? one.id))
      const shown = waterMap(parts.map((one) => ({ ...one, probability: 0, state: 'untested' as const, provenBy: [] }))).places.map((one) => one.id)
      for (const id of ['exchanger', 'pump', 'vessel']) if (things.has(id)) expect(shown, system.id).toContain(id)
    }
  })
})

it('a share never claims certainty', () => {
  expect([0, 0.004, 0.005, 0.994, 0.996, 1].map(percent)).toEqual(['<1%', '<1%', '1%', '99%', '>99%', '>99%'])
})

describe('points to read at', () => {
  const ids = (system: string, demand: 'heating' | 'hotWater') => pointsOf(stockCatalogues[system]!.checks, demand).map((one) => [one.id, ...one.checks])

  it('are those of the demand that runs, and of this boiler', () => {
    expect(ids('premix-combi', 'hotWater')).toEqual([
      ['flowHotWater', 'display.flowHot', 'measure.heatingFlowOnTap'],
      ['in', 'measure.platePrimaryIn'],
      ['out', 'measure.platePrimaryOut'],
    ])
    expect(ids('system-boiler', 'hotWater')).toEqual([
      ['in', 'measure.coilFlow'],
      ['out', 'measure.coilReturn'],
    ])
    expect(ids('system-boiler', 'heating').map(([id]) => id)).toEqual(['flowHeating', 'returnHeating'])
  })

  it('every check named is one of some boiler, read as a number', () => {
    const known = new Map(Object.values(stockCatalogues).flatMap(({ checks }) => checks.map((one) => [one.id, one.result.kind])))
    const named = Object.values(stockCatalogues).flatMap(({ parts, checks }) => [
      ...waterMap(parts.map((one) => ({ ...one, probability: 0, state: 'untested' as const, provenBy: [] }))).places.flatMap((one) => one.checks ?? []),
      ...(['heating', 'hotWater'] as const).flatMap((demand) => pointsOf(checks, demand).flatMap((one) => one.checks)),
    ])
    expect(new Set(named).size).toBeGreaterThan(12)
    for (const id of named) expect(known.get(id), id).toBe('number')
  })
})
