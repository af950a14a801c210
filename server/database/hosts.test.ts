import { createServer, type Server } from 'node:net'
import { sql } from 'drizzle-orm'
import type { Pool, PoolConnection } from 'mysql2/promise'
import { afterAll, describe, expect, inject, it, vi } from 'vitest'
import { freePort } from '../../tools/database/mariadb.mjs'
import { emptyDatabase, migrations } from '../testApp.ts'
import { addressesOf, overHosts } from './hosts.ts'
import { connect, inTransaction, migrateDatabase, tables } from './index.ts'

const thrown = (parts: object) => Object.assign(new Error('x'), parts)
const silentServers: Server[] = []
afterAll(() => silentServers.forEach((one) => one.close()))

/** a pool that does as it is told, and what was asked of it */
function pool(name: string) {
  const state = { fails: null as Error | null, status: [] as object[], looks: 0 }
  const connection = { name } as unknown as PoolConnection
  const made = {
    getConnection: () => (state.fails ? Promise.reject(state.fails) : Promise.resolve(connection)),
    query: () => {
      state.looks++
      return state.fails ? Promise.reject(state.fails) : Promise.resolve([state.status])
    },
  } as unknown as Pool
  return { state, made, connection }
}
const status = (ready: string, state: string) => [
  { Variable_name: 'wsrep_local_state', Value: state },
  { Variable_name: 'wsrep_ready', Value: ready },
]

describe('the hosts of an address', () => {
  it('stand between commas, with user, name and what follows for each', () => {
    expect(addressesOf('mysql://a:b@10.0.0.1:3306,10.0.0.2:3307/dewpoint?x=1')).toEqual([
      'mysql://a:b@10.0.0.1:3306/dewpoint?x=1',
      'mysql://a:b@10.0.0.2:3307/dewpoint?x=1',
    ])
    expect(addressesOf('mysql://a:b%40@[::1]:3306/x')).toEqual(['mysql://a:b%40@[::1]:3306/x'])
    expect(addressesOf('mysql://one, two/x')).toEqual(['mysql://one/x', 'mysql://two/x'])
  })
})

describe('over several hosts', () => {
  it('the first that is well is used; one that fails is left alone, and taken again when it is in step', async () => {
    const [one, two] = [pool('one'), pool('two')]
    let now = 1000
    const hosts = overHosts([one.made, two.made], () => now, 2000)
    expect((await hosts.acquire()).connection).toBe(one.connection)
    one.state.fails = thrown({ code: 'ECONNREFUSED' })
    expect((await hosts.acquire()).connection).toBe(two.connection)
    // it is back, and nobody has looked yet
    one.state.fails = null
    expect((await hosts.acquire()).connection).toBe(two.connection)
    expect(one.state.looks).toBe(0)
    // it joins, then gives its data to another, then is in step. Source of the states: Galera documentation, "wsrep_local_state"
    for (const [ready, state] of [
      ['OFF', '1'],
      ['ON', '2'],
    ] as const) {
      now += 2001
      one.state.status = status(ready, state)
      const looks = one.state.looks
      expect((await hosts.acquire()).connection).toBe(two.connection)
      await vi.waitFor(() => expect(one.state.looks).toBe(looks + 1))
      expect((await hosts.acquire()).connection).toBe(two.connection)
    }
    now += 2001
    one.state.status = status('ON', '4')
    await hosts.acquire()
    await vi.waitFor(async () => expect((await hosts.acquire()).connection).toBe(one.connection))
  })

  it('one that says while it works that it is not ready, or says nothing, is left alone; a mistake of ours or a lock is not held against it', async () => {
    for (const [error, used] of [
      [thrown({ errno: 1047 }), 'two'],
      [thrown({ code: 'PROTOCOL_CONNECTION_LOST' }), 'two'],
      [thrown({ code: 'PROTOCOL_SEQUENCE_TIMEOUT' }), 'two'],
      [thrown({ errno: 1213 }), 'one'],
      [thrown({ errno: 1064 }), 'one'],
    ] as const) {
      const [one, two] = [pool('one'), pool('two')]
      const hosts = overHosts([one.made, two.made])
      hosts.failed(one.made, error)
      expect((await hosts.acquire()).connection).toEqual({ name: used })
    }
  })

  it('where none is well each is asked, and what the last said is told', async () => {
    const [one, two] = [pool('one'), pool('two')]
    const hosts = overHosts([one.made, two.made])
    one.state.fails = thrown({ code: 'ECONNREFUSED' })
    two.state.fails = thrown({ code: 'ECONNRESET' })
    await expect(hosts.acquire()).rejects.toMatchObject({ code: 'ECONNRESET' })
    one.state.fails = null
    expect((await hosts.acquire()).connection).toBe(one.connection)
  })

  it('tables are made and entries kept where one host refuses and another never answers', async () => {
    const url = await emptyDatabase('hosts')
    const silent = createServer(() => undefined)
    silentServers.push(silent)
    const silentPort = await new Promise<number>((done) => silent.listen(0, '127.0.0.1', () => done((silent.address() as { port: number }).port)))
    const several = url.replace('@127.0.0.1:', `@127.0.0.1:${await freePort()},127.0.0.1:${silentPort},127.0.0.1:`)
    expect(await migrateDatabase(several, migrations)).toBeGreaterThan(5)
    const database = connect(several)
    await database.catchUp()
    const id = '01934a00-0000-7000-8000-000000000001'
    await inTransaction(database, (tx) => tx.insert(tables.sites).values({ id, name: 'Net Loft', address: '', note: '' }))
    expect(await database.select({ id: tables.sites.id }).from(tables.sites)).toEqual([{ id }])
    await database.close()
  }, 30_000)
})

describe('a transaction that could not begin', () => {
  it('gives up its connection: with one connection, one that was lost would never come back', async () => {
    const database = connect(inject('databaseUrl'), { connections: 1, connection: 1000 })
    // the connection is within another kind of transaction: beginning is refused, and the connection lives
    await database.execute(sql`xa start 'x'`)
    await expect(database.transaction(() => Promise.resolve())).rejects.toThrow('begin')
    expect((await database.transaction((tx) => tx.execute(sql`select 1 as one`)))[0]).toEqual([{ one: 1 }])
    await database.close()
  })
})
