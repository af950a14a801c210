import type { ApplianceHistory, KnownAppliance, SiteList } from '@dewpoint/contract'
import { byName, newEntry, type Entry, type EntryType, type Payload } from '@dewpoint/core/casebook'
import { describe, expect, it } from 'vitest'
import { testApp } from '../testApp.ts'

const { running, id, newCase, get, post, opened } = testApp('sites')
const found = async (search: string) => (await get<SiteList>(`/api/sites?search=${encodeURIComponent(search)}`)).sites.map((one) => one.name)

describe('places', () => {
  it('are found by any part of name, street or telephone number, however the number is typed', async () => {
    const site = { id: id(), name: 'Harbour Bakery', address: '2 Kiln Street', note: '', phone: '0555 010-220' }
    await opened({ site })
    for (const words of ['bak', 'kiln', 'KILN st', '010', '0555 010', '0555010220', '(0555) 010 2'])
      expect(await found(words), words).toEqual(['Harbour Bakery'])
    for (const words of ['0555 011', 'kil st', '%', '_']) expect(await found(words), words).toEqual([])
  })

  it('known without a number take the first one somebody gives, and no other silently', async () => {
    const body = await opened({ site: { id: id(), name: 'Tide House', address: '', note: '', phone: '' } })
    const again = { ...newCase(), site: { ...body.site, phone: '0555 333' }, appliance: body.appliance }
    expect((await post('/api/cases', again)).statusCode).toBe(201)
    expect(await found('0555 333')).toEqual(['Tide House'])
    // a device that knows of no number says nothing against it
    expect((await post('/api/cases', { ...newCase(), site: body.site, appliance: body.appliance })).statusCode).toBe(201)
    const other = { ...newCase(), site: { ...body.site, phone: '0555 444' }, appliance: body.appliance }
    expect((await post('/api/cases', other)).statusCode).toBe(409)
    expect(await found('0555 333')).toEqual(['Tide House'])
  })

  it('a number that is none is refused by its field', async () => {
    const answer = await post('/api/cases', { ...newCase(), site: { id: id(), name: 'X', phone: 'ask at the bar' } })
    expect(answer.statusCode).toBe(422)
    expect(answer.json<{ fields: { field: string }[] }>().fields[0]!.field).toBe('site.phone')
  })
})

describe('what is known of a boiler', () => {
  const write = (caseId: string, minute: number, fact: string, value: string | number, seen: Entry[] = []) => {
    const entry = newEntry('fact', { fact, value }, { id: id(), now: Date.UTC(2026, 2, 1, 9, minute), author: byName('Engineer'), seen })
    return post(`/api/cases/${caseId}/entries`, { entries: [entry] }).then(() => entry)
  }

  it('is of each fact what was said last on any of its cases, without what was taken back', async () => {
    const first = await opened()
    const second = { ...newCase(), openedAt: '2026-03-02T09:00:00.000Z', site: first.site, appliance: first.appliance }
    await post('/api/cases', second)
    await write(first.id, 1, 'systemVolume', 80)
    await write(first.id, 2, 'serial', 'K-1')
    const volume = await write(second.id, 3, 'systemVolume', 105)
    const known = () => get<KnownAppliance>(`/api/appliances/${first.appliance.id}`)
    expect((await known()).visits.map((one) => one.id)).toEqual([second.id, first.id])
    expect(Object.fromEntries((await known()).facts.map(({ fact, value }) => [fact, value]))).toEqual({ systemVolume: 105, serial: 'K-1' })
    const back = newEntry('retract', { entry: volume.id }, { id: id(), now: Date.UTC(2026, 2, 1, 9, 4), author: byName('Engineer'), seen: [volume] })
    await post(`/api/cases/${second.id}/entries`, { entries: [back] })
    expect((await known()).facts.find(({ fact }) => fact === 'systemVolume')!.value).toBe(80)
  })

  it('its history has every case, latest first, with what tells of it, without what was taken back or is of the office', async () => {
    const first = await opened()
    const second = { ...newCase(), openedAt: '2026-03-02T09:00:00.000Z', site: first.site, appliance: first.appliance }
    await post('/api/cases', second)
    const seen: Entry[] = []
    const note = <T extends EntryType>(type: T, payload: Payload<T>) => {
      const entry = newEntry(type, payload, { id: id(), now: Date.UTC(2026, 2, 1, 9, 10 + seen.length), author: byName('Engineer'), seen })
      seen.push(entry)
      return entry
    }
    note('reading', { check: 'look.gaugeCold', value: 0.4, unit: 'bar' })
    const wrong = note('repair', { remedy: 'water.lower', parts: [] })
    note('retract', { entry: wrong.id })
    note('repair', { remedy: 'water.topUp', parts: [] })
    note('booking', { engineer: 'Bo Larkspur' })
    expect((await post(`/api/cases/${first.id}/entries`, { entries: seen })).statusCode).toBe(200)
    const { cases, appliance, site } = await get<ApplianceHistory>(`/api/appliances/${first.appliance.id}/history`)
    expect([appliance.label, site.name, cases.map((one) => one.id)]).toEqual(['Combination 28', 'Net Loft 3', [second.id, first.id]])
    expect(cases.map((one) => one.entries.map((entry) => entry.type))).toEqual([[], ['reading', 'repair']])
  })

  it('of one that is not there, nothing answers', async () => {
    for (const other of [id(), 'x', '%00'])
      for (const path of ['', '/history']) expect((await running.app.inject(`/api/appliances/${other}${path}`)).statusCode).toBe(404)
  })
})
