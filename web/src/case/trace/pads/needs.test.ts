import { byName, newEntry, type Entry, type Payload } from '@dewpoint/core/casebook'
import { standingActs } from '@dewpoint/core/diagnosis'
import { catalogues } from '@dewpoint/trade'
import { describe, expect, it } from 'vitest'
import { needsOf, stillSo } from './needs.ts'

const combi = catalogues['premix-combi']!
let count = 0
const entry = (type: 'reading' | 'repair' | 'action', payload: object): Entry =>
  newEntry(type, payload as Payload<typeof type>, {
    id: `01934a00-0000-7000-8000-${String(++count).padStart(12, '0')}`,
    now: 1_700_000_000_000 + count * 60_000,
    author: byName('Engineer'),
    seen: [],
  })
const so = (...live: Entry[]) => stillSo(live, standingActs(combi, live))

describe('what a check needs', () => {
  it('is what its situation says', () => {
    const needs = (id: string) => needsOf(combi.checks.find((one) => one.id === id)!)
    expect(needs('measure.vesselCharge')).toEqual(['drained'])
    expect(needs('measure.flowThermistor')).toEqual(['powerOff'])
    expect(needs('look.gaugeCold')).toEqual([])
  })

  it('stands as it was said with the reading before, until a demand is run or something is repaired', () => {
    const off = entry('reading', { check: 'measure.flowThermistor', value: 2, unit: 'kΩ', situation: { demand: 'none', powerOff: true } })
    const on = entry('reading', { check: 'measure.fanSupply', value: 230, unit: 'V', situation: { demand: 'hotWater' } })
    const asked = entry('reading', { check: 'ask.heating', outcome: 'fine' })
    expect(so(off).powerOff).toBe(true)
    expect(so(off, asked).powerOff).toBe(true)
    expect(so(off, on).powerOff).toBe(false)
    expect(so(off, entry('repair', { remedy: 'fan.replace', result: 'worked' })).powerOff).toBe(false)
    expect(so()).toEqual({ drained: false, powerOff: false })
  })

  it('stands while the act that says so is not undone', () => {
    const isolated = entry('action', { action: 'powerOff' })
    expect(so(isolated).powerOff).toBe(true)
    expect(so(isolated, entry('action', { action: 'powerOff', undone: true })).powerOff).toBe(false)
  })
})
