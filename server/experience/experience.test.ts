import type { NewCase, Past, Problem } from '@dewpoint/contract'
import type { Entry } from '@dewpoint/core/casebook'
import type { FastifyInstance } from 'fastify'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { buildApp } from '../app.ts'
import { connect, migrateDatabase, type Database } from '../database/index.ts'

let database: Database
let app: FastifyInstance
let count = 0

const id = () => `01934a00-0000-7000-8000-e${String(++count).padStart(11, '0')}`
const post = (url: string, payload: unknown) => app.inject({ method: 'POST', url, payload: payload as object })

/** A case of some appliance, opened on a day, with its journal. */
async function kept(appliance: { id: string; siteId: string }, day: string, lines: [Entry['type'], object][]): Promise<string> {
  const open: NewCase = {
    id: id(),
    openedAt: `${day}T09:00:00.000Z`,
    site: { id: appliance.siteId, name: 'Ropewalk 2', address: '', note: '' },
    appliance: { id: appliance.id, system: 'coil-combi', label: 'Combination 26', installedOn: '' },
    controls: 'direct',
    settings: {},
  }
  await post('/api/cases', open)
  const entries = lines.map(([type, payload], minute) => ({
    id: id(),
    at: `${day}T09:${String(minute).padStart(2, '0')}:00.000Z`,
    author: 'Engineer',
    schema: 1,
    type,
    payload,
  }))
  expect((await post(`/api/cases/${open.id}/entries`, { entries })).statusCode).toBe(200)
  return open.id
}
const past = async (of: string) => (await app.inject(`/api/cases/${of}/past`)).json<Past>()
const fanFitted: [Entry['type'], object][] = [
  ['complaint', { what: 'locksOut' }],
  ['decision', { kind: 'condemned', part: 'fan', fault: 'fan.seized', reason: 'stands still' }],
  ['repair', { remedy: 'fan.replace', faults: ['fan.seized'], result: 'worked' }],
  ['decision', { kind: 'closed', reason: 'proved' }],
]

beforeAll(async () => {
  database = connect(inject('databaseUrl'))
  await migrateDatabase(database, 'server/database/migrations')
  app = await buildApp({ database })
})
afterAll(async () => {
  await app.close()
  await database.close()
})

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
    const found = await past(now)
    expect(found.experience).toEqual({ cases: 2, proven: { 'fan.seized': 2 } })
    expect(found.appliance).toMatchObject([{ openedAt: '2025-03-01T09:00:00.000Z', complaints: ['locksOut'], faults: ['fan.seized'], closed: true }])
  })

  it('of an unknown case is a problem that says what to do', async () => {
    const answer = await app.inject('/api/cases/01934a00-0000-7000-8000-ffffffffffff/past')
    expect(answer.statusCode).toBe(404)
    expect(answer.json<Problem>().detail).toContain('list of cases')
  })
})

describe('the firm’s costs', () => {
  it('are kept, and refused field by field where they cannot be', async () => {
    expect((await post('/api/firm', { hourlyRate: 55, secondTrip: 80, wrongPart: 200 })).statusCode).toBe(200)
    expect((await post('/api/firm', { hourlyRate: 58, secondTrip: 80, wrongPart: 200 })).statusCode).toBe(200)
    expect((await app.inject('/api/firm')).json()).toEqual({ costs: { hourlyRate: 58, secondTrip: 80, wrongPart: 200 } })
    const refused = await post('/api/firm', { hourlyRate: -1, secondTrip: 80, wrongPart: 'much' })
    expect(refused.statusCode).toBe(422)
    expect(
      refused
        .json<Problem>()
        .fields?.map((one) => one.field)
        .sort(),
    ).toEqual(['hourlyRate', 'wrongPart'])
  })
})

describe('simulated pairs', () => {
  const url = '/api/pairs/0123456789abcdef'
  it('are shared, once each', async () => {
    const pair = {
      pair: 17,
      exceptions: [
        [3, 1.5],
        [9, null],
      ],
    }
    expect((await post(url, { pairs: [pair] })).json()).toEqual({ kept: 1 })
    await post(url, {
      pairs: [
        { pair: 17, exceptions: [] },
        { pair: 4, exceptions: [] },
      ],
    })
    expect((await app.inject(url)).json()).toEqual({ pairs: [{ pair: 4, exceptions: [] }, pair] })
    expect((await app.inject('/api/pairs/fedcba9876543210')).json()).toEqual({ pairs: [] })
  })

  it('of no catalogue, or broken, are refused', async () => {
    expect((await app.inject('/api/pairs/not-a-fingerprint')).statusCode).toBe(422)
    expect((await post(url, { pairs: [{ pair: -1, exceptions: [] }] })).statusCode).toBe(422)
  })
})
