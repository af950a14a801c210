import type { NewCase, Role } from '@dewpoint/contract'
import { byName, newEntry, type Entry } from '@dewpoint/core/casebook'
import type { FastifyInstance, InjectOptions } from 'fastify'
import { createConnection } from 'mysql2/promise'
import { addMadeUp, signIn } from './session/queries.ts'
import { fingerprint } from './gate/index.ts'
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

/** What the device of somebody of a role is known by, in tests. */
export const tokenOf = (role: Role) => role.padEnd(43, '-')
/** Somebody of each role. Whoever writes in the tests is the owner. */
const testPeople = (['owner', 'office', 'engineer', 'learner'] as const).map((role) => ({
  ...byName(role === 'owner' ? 'Engineer' : `Test ${role}`),
  role,
}))

/** Signs somebody of each role in on a device of their own. */
export async function signInAll(database: Database): Promise<void> {
  const now = new Date()
  await addMadeUp(database, testPeople, now)
  for (const { id, role } of testPeople)
    await signIn(database, { person: id, token: fingerprint(tokenOf(role)), device: undefined, label: `Device of the ${role}`, now })
}

/** The server as somebody of a role meets it: a request that carries no token of its own is theirs. */
export function signedInAs(app: FastifyInstance, role: Role): FastifyInstance {
  const inject = (asked: string | InjectOptions) => {
    const options = typeof asked === 'string' ? { url: asked } : asked
    return app.inject({ ...options, headers: { cookie: `dewpoint=${tokenOf(role)}`, ...options.headers } })
  }
  return new Proxy(app, { get: (target, key) => (key === 'inject' ? inject : (Reflect.get(target, key, target) as unknown)) })
}

/** A server on a database of its own, for the tests of one file; whoever asks is the owner. */
export function testApp(name: string, options: Partial<AppOptions> = {}) {
  const running = {} as { app: FastifyInstance; bare: FastifyInstance; database: Database; url: string }
  beforeAll(async () => {
    running.url = await emptyDatabase(name)
    await migrateDatabase(running.url, migrations)
    running.database = connect(running.url)
    await signInAll(running.database)
    running.bare = await buildApp({ database: running.database, requestsPerMinute: 1_000_000, ...options })
    running.app = signedInAs(running.bare, 'owner')
  })
  afterAll(async () => {
    await running.bare.close()
    await running.database.close()
  })
  const { id, newCase, reading } = samples()
  const get = <T>(url: string) => running.app.inject(url).then((answer) => answer.json<T>())
  const post = (url: string, payload: unknown, more: InjectOptions = {}) => running.app.inject({ method: 'POST', url, payload: payload as object, ...more })
  /** asks as somebody of another role */
  const as = (role: Role, more: InjectOptions = {}) => {
    const app = () => signedInAs(running.bare, role)
    return {
      get: (url: string) => app().inject({ url, ...more }),
      post: (url: string, payload: unknown = {}) => app().inject({ method: 'POST', url, payload: payload as object, ...more }),
    }
  }
  const opened = async (change: Partial<NewCase> = {}): Promise<NewCase> => {
    const body = { ...newCase(), ...change }
    const answer = await post('/api/cases', body)
    if (answer.statusCode !== 201) throw new Error(`the case was not opened: ${answer.body}`)
    return body
  }
  return { running, id, newCase, reading, get, post, as, opened }
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
    newEntry('reading', { check: 'ask.hotWater', outcome }, { id: id(), now: Date.UTC(2026, 2, 1, 9, 0, count), author: byName('Engineer'), seen })
  return { id, newCase, reading }
}
