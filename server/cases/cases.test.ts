import type { Case, CaseLine, NewCase, Problem } from '@dewpoint/contract'
import type { Entry } from '@dewpoint/core/casebook'
import type { FastifyInstance } from 'fastify'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { buildApp } from '../app.ts'
import { connect, migrateDatabase, type Database } from '../database/index.ts'

let database: Database
let app: FastifyInstance
let count = 0

const id = () => `01934a00-0000-7000-8000-${String(++count).padStart(12, '0')}`
const newCase = (): NewCase => ({
  id: id(),
  openedAt: '2026-03-01T09:00:00.000Z',
  site: { id: id(), name: 'Net Loft 3', address: 'Quay Lane', note: '' },
  appliance: { id: id(), system: 'premix-combi', label: 'Combination 28', installedOn: '2017-09-14' },
  controls: 'direct',
  settings: {},
})
const reading = (outcome = 'none'): Entry => ({
  id: id(),
  at: `2026-03-01T09:${String(count % 60).padStart(2, '0')}:00.000Z`,
  author: 'Engineer',
  schema: 1,
  type: 'reading',
  payload: { check: 'ask.hotWater', outcome },
})
const post = (url: string, payload: unknown) => app.inject({ method: 'POST', url, payload: payload as object })

async function opened(): Promise<NewCase> {
  const body = newCase()
  const answer = await post('/api/cases', body)
  expect(answer.statusCode).toBe(201)
  return body
}

beforeAll(async () => {
  database = connect(inject('databaseUrl'))
  await migrateDatabase(database, 'server/database/migrations')
  app = await buildApp({ database })
})
afterAll(async () => {
  await app.close()
  await database.close()
})

describe('cases', () => {
  it('is opened, listed and read back with its journal', async () => {
    const body = await opened()
    const entry = reading()
    await post(`/api/cases/${body.id}/entries`, { entries: [entry] })
    const found = (await app.inject(`/api/cases/${body.id}`)).json<Case>()
    expect(found.site.name).toBe('Net Loft 3')
    expect(found.entries).toEqual([entry])
    const { cases } = (await app.inject('/api/cases')).json<{ cases: CaseLine[] }>()
    expect(cases.find((one) => one.id === body.id)?.summary).toMatchObject({ readings: 1, closed: false })
  })

  it('takes the same case twice as one', async () => {
    const body = await opened()
    expect((await post('/api/cases', body)).statusCode).toBe(201)
    const { cases } = (await app.inject('/api/cases')).json<{ cases: CaseLine[] }>()
    expect(cases.filter((one) => one.id === body.id)).toHaveLength(1)
  })

  it('names the field that is wrong', async () => {
    const answer = await post('/api/cases', { ...newCase(), openedAt: 'yesterday' })
    expect(answer.statusCode).toBe(422)
    expect(answer.headers['content-type']).toContain('application/problem+json')
    expect(answer.json<Problem>().fields?.[0]?.field).toBe('openedAt')
  })

  it('answers an unknown case with what to do', async () => {
    const answer = await app.inject(`/api/cases/${id()}`)
    expect(answer.statusCode).toBe(404)
    expect(answer.json<Problem>().detail).toContain('list of cases')
  })
})

describe('entries', () => {
  it('are idempotent: a repeated append changes nothing', async () => {
    const { id: caseId } = await opened()
    const entry = reading()
    for (let time = 0; time < 3; time++) await post(`/api/cases/${caseId}/entries`, { entries: [entry] })
    expect((await app.inject(`/api/cases/${caseId}`)).json<Case>().entries).toHaveLength(1)
  })

  it('keep the first content of an id and report the second', async () => {
    const { id: caseId } = await opened()
    const entry = reading('none')
    await post(`/api/cases/${caseId}/entries`, { entries: [entry] })
    const answer = await post(`/api/cases/${caseId}/entries`, { entries: [{ ...entry, payload: { check: 'ask.hotWater', outcome: 'fine' } }] })
    expect(answer.json<{ conflicts: string[] }>().conflicts).toEqual([entry.id])
    expect((await app.inject(`/api/cases/${caseId}`)).json<Case>().entries[0]).toEqual(entry)
  })

  it('of two people writing at once all land', async () => {
    const { id: caseId } = await opened()
    const all = Array.from({ length: 12 }, () => reading())
    const answers = await Promise.all(all.map((entry) => post(`/api/cases/${caseId}/entries`, { entries: [entry] })))
    expect(answers.map((one) => one.statusCode)).toEqual(all.map(() => 200))
    const { cases } = (await app.inject('/api/cases')).json<{ cases: CaseLine[] }>()
    expect((await app.inject(`/api/cases/${caseId}`)).json<Case>().entries).toHaveLength(12)
    expect(cases.find((one) => one.id === caseId)?.summary.readings).toBe(12)
  })

  it('are refused by name of place and field, and nothing of the batch is kept', async () => {
    const { id: caseId } = await opened()
    const answer = await post(`/api/cases/${caseId}/entries`, { entries: [reading(), { ...reading(), payload: { check: 'look.gaugeCold', value: '1.2' } }] })
    expect(answer.statusCode).toBe(422)
    expect(answer.json<Problem>().fields?.map((one) => one.field)).toContain('entries[1].payload.value')
    expect((await app.inject(`/api/cases/${caseId}`)).json<Case>().entries).toHaveLength(0)
  })

  it('carry any letters, also in words of the customer', async () => {
    const { id: caseId } = await opened()
    const entry: Entry = { ...reading(), type: 'complaint', payload: { what: 'noHotWater', words: 'Käse, 25 °C, kΩ, “tap” 🫖' } } as Entry
    await post(`/api/cases/${caseId}/entries`, { entries: [entry] })
    expect((await app.inject(`/api/cases/${caseId}`)).json<Case>().entries).toEqual([entry])
  })

  it('of an unknown case, an empty list or no JSON are refused', async () => {
    expect((await post(`/api/cases/${id()}/entries`, { entries: [reading()] })).statusCode).toBe(404)
    expect((await post(`/api/cases/${id()}/entries`, { entries: [] })).statusCode).toBe(422)
    const broken = await app.inject({ method: 'POST', url: '/api/cases', payload: '{', headers: { 'content-type': 'application/json' } })
    expect(broken.statusCode).toBe(400)
    expect(broken.json<Problem>().type).toBe('/problems/malformed')
  })
})
