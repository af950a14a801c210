import type { Health, Problem } from '@dewpoint/contract'
import { createConnection, type Connection } from 'mysql2/promise'
import { afterAll, beforeAll, describe, expect, inject, it, vi } from 'vitest'
import { buildApp } from '../app.ts'
import { signedInAs, testApp } from '../testApp.ts'
import { asOwner } from '../../tools/database/mariadb.mjs'
import { connect, failureOf, inTransaction, retried, tables } from './index.ts'

const { running, reading, opened, post } = testApp('failures')
/** somebody else at the same database */
let other: Connection

beforeAll(async () => {
  other = await createConnection({ uri: inject('databaseUrl').replace(/\/dewpoint$/, '/dewpoint_failures'), multipleStatements: true })
})
afterAll(() => other.end())

/** an error as the client library throws it, as the query builder wraps it */
const thrown = (parts: object) => Object.assign(new Error('failed query'), { cause: Object.assign(new Error('x'), parts) })

describe('failures of the database', () => {
  // source of the numbers: MariaDB Knowledge Base, "MariaDB Error Codes"
  it.each([
    ['a deadlock', { errno: 1213 }, 'busy', true],
    ['a lock wait that took too long', { errno: 1205 }, 'busy', true],
    ['a node of a cluster that is not ready', { errno: 1047 }, 'unreachable', true],
    ['too many connections', { errno: 1040 }, 'busy', false],
    ['a server that only reads', { errno: 1290 }, 'readOnly', false],
    ['a full disk', { errno: 1021 }, 'full', false],
    ['a server that goes down', { errno: 1053 }, 'unreachable', true],
    ['a connection that broke', { code: 'PROTOCOL_CONNECTION_LOST' }, 'unreachable', true],
    ['a connection refused', { code: 'ECONNREFUSED' }, 'unreachable', false],
    ['what is left of a broken connection', { fatal: true }, 'unreachable', true],
    ['a wrong password', { errno: 1045 }, 'unreachable', false],
  ])('%s is told from a mistake of ours', (_name, parts, state, again) => {
    expect(failureOf(thrown(parts))).toEqual({ state, again })
  })

  it('a mistake of ours is none', () => {
    for (const mistake of [
      thrown({ errno: 1064, code: 'ER_PARSE_ERROR' }),
      thrown({ errno: 1062 }),
      new TypeError('x'),
      null,
      'text',
      thrown({ code: 'ENOENT' }),
    ])
      expect(failureOf(mistake)).toBeNull()
  })

  it('work is done again where that helps, a few times, and never where it does not', async () => {
    const passing = vi
      .fn<() => Promise<string>>()
      .mockRejectedValueOnce(thrown({ errno: 1213 }))
      .mockResolvedValue('done')
    expect(await retried(passing)).toBe('done')
    expect(passing).toHaveBeenCalledTimes(2)
    const lasting = vi.fn<() => Promise<string>>().mockRejectedValue(thrown({ errno: 1213 }))
    await expect(retried(lasting)).rejects.toThrow('failed query')
    expect(lasting).toHaveBeenCalledTimes(4)
    const ours = vi.fn<() => Promise<string>>().mockRejectedValue(thrown({ errno: 1064 }))
    await expect(retried(ours)).rejects.toThrow('failed query')
    expect(ours).toHaveBeenCalledTimes(1)
  })
})

describe('with a real database in trouble', () => {
  it('two transactions that block each other both land', async () => {
    const [a, b] = [await opened(), await opened()]
    const touch = (first: string, second: string, meet: () => Promise<void>) => {
      let met = false
      return inTransaction(running.database, async (tx) => {
        const name = async (id: string) =>
          tx
            .insert(tables.sites)
            .values({ id, name: 'x', address: '', note: '' })
            .onDuplicateKeyUpdate({ set: { name: 'both' } })
        await name(first)
        if (!met) await meet()
        met = true
        await name(second)
        return 'landed'
      })
    }
    let waiting = 0
    let bothHere: () => void
    const both = new Promise<void>((done) => (bothHere = done))
    const meet = () => {
      if (++waiting === 2) bothHere()
      return both
    }
    expect(await Promise.all([touch(a.site.id, b.site.id, meet), touch(b.site.id, a.site.id, meet)])).toEqual(['landed', 'landed'])
  })

  it('a row somebody holds on to is answered with 503 and when to come back, and the entry lands afterwards', async () => {
    const { id } = await opened()
    const hasty = connect(running.url, { statement: 1000 })
    const app = signedInAs(await buildApp({ database: hasty }), 'owner')
    await other.query('start transaction; select * from cases where id = ? for update', [id])
    const entry = reading()
    const send = () => app.inject({ method: 'POST', url: `/api/cases/${id}/entries`, payload: { entries: [entry] } })
    const held = await send()
    await other.query('rollback')
    expect([held.statusCode, held.json<Problem>().type, held.headers['retry-after']]).toEqual([503, '/problems/databaseBusy', '5'])
    expect((await send()).statusCode).toBe(200)
    await app.close()
    await hasty.close()
  })

  it('an answer that takes too long is given up, in words, and the entry lands afterwards', async () => {
    const { id } = await opened()
    const app = signedInAs(await buildApp({ database: running.database, handling: 300 }), 'owner')
    await other.query('start transaction; select * from cases where id = ? for update', [id])
    const entry = reading()
    const send = () => app.inject({ method: 'POST', url: `/api/cases/${id}/entries`, payload: { entries: [entry] } })
    const late = await send()
    await other.query('rollback')
    expect([late.statusCode, late.json<Problem>().type, late.headers['retry-after']]).toEqual([503, '/problems/tooSlow', '5'])
    await vi.waitFor(async () => expect((await send()).statusCode).toBe(200), 10_000)
    await app.close()
  })

  it('a pool without a free connection is not waited for, and health says busy', async () => {
    const narrow = connect(running.url, { connections: 1, connection: 1000 })
    const app = signedInAs(await buildApp({ database: narrow }), 'owner')
    let free: () => void = () => undefined
    let held = Promise.resolve()
    // a busy machine may take longer to connect than this pool waits
    await vi.waitFor(
      () =>
        new Promise<void>((begun, fail) => {
          held = narrow.transaction(
            () =>
              new Promise<void>((done) => {
                free = done
                begun()
              }),
          )
          held.catch(fail)
        }),
      20_000,
    )
    const answer = await app.inject('/api/cases')
    expect([answer.statusCode, answer.json<Problem>().type]).toEqual([503, '/problems/databaseBusy'])
    expect((await app.inject('/api/health')).json<Health>()).toEqual({ status: 'degraded', database: 'busy' })
    free()
    await held
    expect((await app.inject('/api/health')).json<Health>().status).toBe('ok')
    await app.close()
    await narrow.close()
  })

  it('one that takes no writes goes on answering what is asked, says that it keeps nothing, and health says so', async () => {
    const { id } = await opened()
    const entry = reading()
    await asOwner(inject('databaseSocket'), 'set global read_only = 1')
    try {
      const answer = await post(`/api/cases/${id}/entries`, { entries: [entry] })
      expect([answer.statusCode, answer.json<Problem>().type, answer.headers['retry-after']]).toEqual([503, '/problems/databaseReadOnly', '5'])
      expect((await running.app.inject(`/api/cases/${id}`)).statusCode).toBe(200)
      const health = await running.app.inject('/api/health')
      expect([health.statusCode, health.json<Health>().database]).toEqual([503, 'readOnly'])
    } finally {
      await asOwner(inject('databaseSocket'), 'set global read_only = 0')
    }
    expect((await post(`/api/cases/${id}/entries`, { entries: [entry] })).statusCode).toBe(200)
  })

  it('one with all its connections taken is told from one that is away', async () => {
    const owner = (sql: string) => asOwner(inject('databaseSocket'), sql)
    await owner(
      "create or replace user 'narrow'@'127.0.0.1' identified by 'x' with max_user_connections 1; grant all on dewpoint_failures.* to 'narrow'@'127.0.0.1'",
    )
    const url = running.url.replace(/dewpoint:[^@]+@/, 'narrow:x@')
    const only = await createConnection({ uri: url })
    const narrow = connect(url)
    const app = signedInAs(await buildApp({ database: narrow }), 'owner')
    try {
      const answer = await app.inject('/api/cases')
      expect([answer.statusCode, answer.json<Problem>().type]).toEqual([503, '/problems/databaseBusy'])
      expect((await app.inject('/api/health')).json<Health>()).toEqual({ status: 'degraded', database: 'busy' })
    } finally {
      await only.end()
      await app.close()
      await narrow.close()
      await owner("drop user 'narrow'@'127.0.0.1'")
    }
  })

  it('a statement that runs too long is stopped', async () => {
    const hasty = connect(running.url, { statement: 1000 })
    const { sql } = await import('drizzle-orm')
    const error: unknown = await hasty.execute(sql`select count(*) from seq_1_to_1000000 a, seq_1_to_1000000 b where a.seq <> b.seq`).then(
      () => null,
      (one: unknown) => one,
    )
    expect(failureOf(error)).toEqual({ state: 'busy', again: false })
    await hasty.close()
  })

  it('a connection that was killed is replaced without anybody noticing', async () => {
    const { id } = await opened()
    const [rows] = await other.query<never>(
      'select id from information_schema.processlist where user = current_user() or user = substring_index(current_user(), "@", 1)',
    )
    const [[own]] = (await other.query('select connection_id() as id')) as unknown as [{ id: number }[]]
    for (const { id: one } of rows as { id: number }[]) if (one !== own!.id) await other.query(`kill ${one}`).catch(() => undefined)
    expect((await running.app.inject(`/api/cases/${id}`)).statusCode).toBe(200)
    expect((await post(`/api/cases/${id}/entries`, { entries: [reading()] })).statusCode).toBe(200)
  })
})
