import type { AuditList, Case, Devices, HandIns, HandInSettled, Problem } from '@dewpoint/contract'
import { byName, newEntry } from '@dewpoint/core/casebook'
import { describe, expect, it } from 'vitest'
import { testApp } from '../testApp.ts'

const { as, get, id, newCase, opened } = testApp('devices')
const deviceOf = async (role: 'engineer' | 'office' | 'owner') =>
  (await get<Devices>('/api/devices')).devices.find((one) => one.label === `Device of the ${role}`)!
const entry = (what: string) => newEntry('finding', { what }, { id: id(), now: Date.UTC(2026, 2, 1, 9), author: byName('Test engineer'), seen: [] })

describe('a device', () => {
  it('is seen by its people and the owner, and ended by nobody else', async () => {
    const device = await deviceOf('engineer')
    expect(device).toMatchObject({ here: false, people: [{ name: 'Test engineer' }], endedAt: null, wipedAt: null })
    expect((await as('office').get('/api/devices')).json<Devices>().devices.map((one) => [one.label, one.here])).toEqual([['Device of the office', true]])
    for (const role of ['office', 'learner'] as const) expect((await as(role).post(`/api/devices/${device.id}/end`)).statusCode).toBe(404)
    for (const other of ['x', '01934a00-0000-7000-8000-ffffffffffff']) expect((await as('owner').post(`/api/devices/${other}/end`)).statusCode).toBe(404)
    expect((await as('engineer').get('/api/cases')).statusCode).toBe(200)
  })

  it('signed out from afar reads and writes nothing more, hands in what it had, says that it is empty, and its entries are put in by the owner', async () => {
    const { id: caseId } = await opened()
    const device = await deviceOf('engineer')
    expect((await as('owner').post(`/api/devices/${device.id}/end`)).json<Devices>().devices.find((one) => one.id === device.id)?.endedAt).not.toBeNull()
    for (const path of ['/api/cases', `/api/cases/${caseId}`, '/api/firm', '/api/session', '/api/devices'])
      expect((await as('engineer').get(path)).json<Problem>().type).toBe('/problems/deviceEnded')
    expect((await as('engineer').post(`/api/cases/${caseId}/entries`, { entries: [entry('late')] })).statusCode).toBe(401)

    const open = newCase()
    const [mine, lost] = [entry('handed in'), entry('of a case that is gone')]
    const items = [
      { kind: 'open', body: open },
      { kind: 'entry', caseId, entry: mine },
      { kind: 'entry', caseId: '01934a00-0000-7000-8000-ffffffffffff', entry: lost },
      { kind: 'entry', caseId, entry: { not: 'an entry' } },
    ]
    for (let again = 0; again < 2; again++) expect((await as('engineer').post('/api/devices/hand-in', { items })).json()).toEqual({ kept: 4 })
    const wiped = await as('engineer').post('/api/devices/wiped')
    expect([wiped.json(), [wiped.headers['set-cookie']].flat()[0]]).toEqual([{ ended: true }, expect.stringMatching(/^dewpoint=; .*Expires=Thu, 01 Jan 1970/)])
    expect((await deviceOf('engineer')).wipedAt).not.toBeNull()

    const { handIns } = await get<HandIns>('/api/devices/hand-ins')
    expect(handIns).toMatchObject([{ device: 'Device of the engineer', entries: 3, openings: 1 }])
    const settled = await as('owner').post(`/api/devices/hand-ins/${handIns[0]!.id}`, { take: true })
    expect(settled.json<HandInSettled>()).toMatchObject({ kept: 2, refused: [expect.stringContaining('Test engineer'), 'An entry that is not whole.'] })
    expect((await get<Case>(`/api/cases/${caseId}`)).entries).toMatchObject([{ id: mine.id, authorName: 'Test engineer' }])
    expect((await get<Case>(`/api/cases/${open.id}`)).id).toBe(open.id)
    expect((await get<HandIns>('/api/devices/hand-ins')).handIns).toEqual([])
    expect((await as('owner').post(`/api/devices/hand-ins/${handIns[0]!.id}`, { take: true })).statusCode).toBe(404)
    const told = (await get<AuditList>('/api/audit')).lines.filter((one) => one.kind === 'device').map((one) => one.about)
    expect(told).toEqual(expect.arrayContaining(['Device of the engineer: signed out from afar', 'Device of the engineer: has emptied itself', 'put in: 2']))
  })

  it('that is not ended is not taken for one', async () => {
    expect((await as('office').post('/api/devices/wiped')).json()).toEqual({ ended: false })
    expect((await deviceOf('office')).wipedAt).toBeNull()
    expect((await as('office').post('/api/devices/hand-in', { items: Array.from({ length: 401 }, () => ({})) })).statusCode).toBe(422)
    expect((await as('office').post('/api/devices/hand-in', { items: 'x' })).statusCode).toBe(422)
  })
})
