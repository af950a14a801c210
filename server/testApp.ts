import type { NewCase } from '@dewpoint/contract'
import { newEntry, type Entry } from '@dewpoint/core/casebook'
import type { FastifyInstance, InjectOptions } from 'fastify'
import { createConnection } from 'mysql2/promise'
import { afterAll, beforeAll, inject } from 'vitest'
import { buildApp, type AppOptions } from './app.ts'
import { connect, migrateDatabase, type Database } from './database/index.ts'

/** Where the migrations are. */
export const migrations = 'server/database/migrations'

/** An empty database of a test file’s own, beside the others; its address. */
export async function emptyDatabase(name: string): Promise<string> {
  const connection = await createConnection({ uri: inject('databaseUrl') })
  await connection.query(`drop database if exists dewpoint_${name}`)
  await connection.query(`create database dewpoint_${name} character set utf8mb4 collate utf8mb4_unicode_ci`)
  await connection.end()
  return inject('databaseUrl').replace(/\/dewpoint$/, `/dewpoint_${name}`)
}

/** A server on a database of its own, for the tests of one file. */
export function testApp(name: string, options: Partial<AppOptions> = {}) {
  const running = {} as { app: FastifyInstance; database: Database; url: string }
  beforeAll(async () => {
    running.url = await emptyDatabase(name)
    await migrateDatabase(running.url, migrations)
    running.database = connect(running.url)
    running.app = await buildApp({ database: running.database, requestsPerMinute: 1_000_000, ...options })
  })
  afterAll(async () => {
    await running.app.close()
    await running.database.close()
  })
  const { id, newCase, reading } = samples()
  const get = <T>(url: string) => running.app.inject(url).then((answer) => answer.json<T>())
  const post = (url: string, payload: unknown, more: InjectOptions = {}) => running.app.inject({ method: 'POST', url, payload: payload as object, ...more })
  const opened = async (change: Partial<NewCase> = {}): Promise<NewCase> => {
    const body = { ...newCase(), ...change }
    const answer = await post('/api/cases', body)
    if (answer.statusCode !== 201) throw new Error(`the case was not opened: ${answer.body}`)
    return body
  }
  return { running, id, newCase, reading, get, post, opened }
}

/** Cases and entries to send, each with ids of its own. */
export function samples() {
  let count = 0
  const id = () => `01934a00-0000-7000-8000-${String(++count).padStart(12, '0')}`
  const newCase = (): NewCase => ({
    id: id(),
    openedAt: '2026-03-01T09:00:00.000Z',
    site: { id: id(), name: 'Net Loft 3', address: 'Quay Lane', note: '', phone: '' },
    appliance: { id: id(), system: 'premix-combi', label: 'Combination 28', installedOn: '2017-09-14' },
    controls: 'direct',
    settings: {},
  })
  const reading = (outcome = 'none', seen: Entry[] = []): Entry =>
    newEntry('reading', { check: 'ask.hotWater', outcome }, { id: id(), now: Date.UTC(2026, 2, 1, 9, 0, count), author: 'Engineer', seen })
  return { id, newCase, reading }
}
