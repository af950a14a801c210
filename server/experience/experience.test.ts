import type { NewCase, Past, Problem } from '@dewpoint/contract'
import { byName, newEntry, type Entry } from '@dewpoint/core/casebook'
import { describe, expect, it } from 'vitest'
import { testApp } from '../testApp.ts'

const { as, running, id, get, post } = testApp('experience')

/** A case of some appliance, opened on a day, with its journal. */
async function kept(appliance: { id: string; siteId: string }, day: string, lines: [Entry['type'], object][]): Promise<string> {
  const open: NewCase = {
    id: id(),
    openedAt: `${day}T09:00:00.000Z`,
    site: { id: appliance.siteId, name: 'Ropewalk 2', address: '', note: '', phone: '' },
    appliance: { id: appliance.id, system: 'coil-combi', label: 'Combination 26', installedOn: '' },
    controls: 'direct',
    settings: {},
  }
  await post('/api/cases', open)
  const entries = lines.map(([type, payload], minute) =>
    newEntry(type, payload as never, { id: id(), now: Date.parse(open.openedAt) + minute * 60_000, author: byName('Engineer'), seen: [] }),
  )
  expect((await post(`/api/cases/${open.id}/entries`, { entries })).statusCode).toBe(200)
  return open.id
}
const fanFitted: [Entry['type'], object][] = [
  ['complaint', { what: 'locksOut' }],
  ['decision', { kind: 'condemned', part: 'fan', fault: 'fan.seized', reason: 'stands still' }],
  ['repair', { remedy: 'fan.replace', faults: ['fan.seized'], result: 'worked' }],
  ['decision', { kind: 'closed', reason: 'proved' }],
]

describe('the past of a case', () => {
  it('counts what closed cases of its kind proved, tells this boiler’s own apart, and nothing of later ones or of what was never proved', async () => {
    const here = { id: id(), siteId: id() }
    const elsewhere = { id: id(), siteId: id() }
    await kept(here, '2025-03-01', fanFitted)
    await kept(elsewhere, '2025-04-01', fanFitted)
    // suspected only, mended in vain, and never closed
    await kept(elsewhere, '2025-05-01', [['decision', { kind: 'condemned', part: 'fan', fault: 'fan.seized', reason: 'perhaps' }], fanFitted[3]!])
    await kept(elsewhere, '2025-06-01', [fanFitted[1]!, ['repair', { remedy: 'fan.replace', faults: ['fan.seized'], result: 'failed' }], fanFitted[3]!])
    await kept(elsewhere, '2025-07-01', fanFitted.slice(0, 3))
    const now = await kept(here, '2026-01-01', [['complaint', { what: 'locksOut' }]])
    await kept(elsewhere, '2026-02-01', fanFitted)
    const found = await get<Past>(`/api/cases/${now}/past`)
    expect(found.experience).toEqual({ cases: 2, proven: { 'fan.seized': 2 }, stated: {}, opinions: [] })
    expect(found.appliance).toMatchObject([{ openedAt: '2025-03-01T09:00:00.000Z', complaints: ['locksOut'], faults: ['fan.seized'], closed: true }])
  })

  it('of an unknown case is a problem that says what to do', async () => {
    for (const unknown of ['01934a00-0000-7000-8000-ffffffffffff', '%00']) {
      const answer = await running.app.inject(`/api/cases/${unknown}/past`)
      expect(answer.statusCode).toBe(404)
      expect(answer.json<Problem>().detail).toContain('list of cases')
    }
  })
})

describe('own experience of a kind of boiler', () => {
  const say = (body: object, system = 'atmos-combi') => post(`/api/experience/${system}`, body)
  const other = (body: object) => as('engineer').post('/api/experience/atmos-combi', body)

  it('is one opinion a person: their mean counts, one said again takes the place of the first, one taken back is gone', async () => {
    const fault = 'turbineAdapter.leaking'
    expect((await say({ fault, inTen: 8 })).json()).toEqual({
      stated: { [fault]: 0.8 },
      opinions: [{ fault, inTen: 8, author: byName('Engineer').id, authorName: 'Engineer' }],
    })
    await other({ fault, inTen: 2 })
    const again = await say({ fault, inTen: 6 })
    expect(again.json<{ stated: object }>().stated).toEqual({ [fault]: 0.4 })
    const here = await kept({ id: id(), siteId: id() }, '2026-03-01', [['complaint', { what: 'noHotWater' }]])
    // of another kind of boiler, nothing was said
    expect((await get<Past>(`/api/cases/${here}/past`)).experience.stated).toEqual({})
    expect((await other({ fault, inTen: null })).json<{ stated: object }>().stated).toEqual({ [fault]: 0.6 })
  })

  it('is refused where it cannot be, with what to do', async () => {
    const good = { fault: 'fan.seized', inTen: 3 }
    for (const [body, field] of [
      [{ ...good, inTen: 11 }, 'inTen'],
      [{ ...good, inTen: 2.5 }, 'inTen'],
      [{ ...good, inTen: undefined }, 'inTen'],
      [{ ...good, author: 'Somebody else' }, ''],
      [{ ...good, fault: 'no.such' }, 'fault'],
      [{ ...good, fault: 'x'.repeat(400) }, 'fault'],
    ] as const) {
      const answer = await say(body)
      expect(answer.statusCode).toBe(422)
      expect(answer.json<Problem>().fields?.map((one) => one.field)).toEqual([field])
    }
    expect((await say(good, '%00')).statusCode).toBe(422)
    expect((await say([])).statusCode).toBe(422)
  })
})
