import { createConnection, type Connection, type RowDataPacket } from 'mysql2/promise'
import { afterAll, beforeAll, beforeEach, describe, expect, inject, it } from 'vitest'
import { testApp } from '../testApp.ts'
import { connect, inTwoSteps, type Database } from './index.ts'

testApp('steps')
const url = inject('databaseUrl').replace(/\/dewpoint$/, '/dewpoint_steps')
/** somebody else at the same database */
let other: Connection
/** with one connection: one that is not given back, or in the middle of something, is missed at once */
let database: Database

beforeAll(async () => {
  other = await createConnection({ uri: url })
  await other.query('create table counters (name varchar(20) primary key, count int not null, at datetime(3) not null)')
  database = connect(url, { connections: 1, statement: 2000 })
})
beforeEach(() => other.query("replace into counters values ('a', 1, '2026-03-01 09:00:00.500'), ('b', 1, '2026-03-01 09:00:00')"))
afterAll(async () => {
  await database.close()
  await other.end()
})

const look = { text: 'select name, count, at from counters where name in (?) order by name for update', values: [['a', 'b']] }
const add = (name: string, count: number) => ({ text: 'update counters set count = ? where name = ?', values: [count, name] })
const seen = async () =>
  ((await other.query('select name, count from counters order by name')) as [RowDataPacket[], unknown])[0].map((one) => one.count as number)

describe('a transaction in two steps', () => {
  it('gives what it began with, moments as such, and what it ends with is there at once and as a whole', async () => {
    const rows = await inTwoSteps(database, async (steps) => {
      const found = await steps.begin<{ name: string; count: number; at: Date }>(look)
      expect(await seen()).toEqual([1, 1])
      await steps.end([add('a', 2), add('b', 3)])
      return found
    })
    expect(rows).toEqual([
      { name: 'a', count: 1, at: new Date('2026-03-01T09:00:00.500Z') },
      { name: 'b', count: 1, at: new Date('2026-03-01T09:00:00.000Z') },
    ])
    expect(await seen()).toEqual([2, 3])
  })

  it('whose end fails in the middle is still under way, without what failed and what came after, and can be ended otherwise', async () => {
    await inTwoSteps(database, async (steps) => {
      await steps.begin(look)
      await expect(steps.end([{ text: "insert into counters values ('a', 9, now())", values: [] }, add('b', 9)])).rejects.toMatchObject({
        code: 'ER_DUP_ENTRY',
      })
      expect(await seen()).toEqual([1, 1])
      await steps.end([add('b', 4)])
    })
    expect(await seen()).toEqual([1, 4])
  })

  it('that goes wrong is taken back, and its connection is the next one’s', async () => {
    await expect(
      inTwoSteps(database, async (steps) => {
        await steps.begin(look)
        await expect(steps.end([add('a', 5), { text: 'update nowhere set count = 1', values: [] }])).rejects.toMatchObject({ code: 'ER_NO_SUCH_TABLE' })
        throw new Error('a mistake')
      }),
    ).rejects.toThrow('a mistake')
    expect(await seen()).toEqual([1, 1])
    await inTwoSteps(database, async (steps) => {
      await steps.begin(look)
      await steps.end([add('a', 6)])
    })
    expect(await seen()).toEqual([6, 1])
  })

  it('that met another is begun anew as a whole', async () => {
    let times = 0
    await inTwoSteps(database, async (steps) => {
      const [first] = await steps.begin<{ count: number }>(look)
      if (++times === 1) throw Object.assign(new Error('deadlock'), { errno: 1213 })
      await steps.end([add('a', first!.count + 1)])
    })
    expect([times, await seen()]).toEqual([2, [2, 1]])
  })

  it('that waits too long for what another holds gives up, and goes when it is let go', async () => {
    await other.query('start transaction')
    await other.query("select * from counters where name = 'a' for update")
    const hasty = connect(url, { connections: 1, statement: 1000 })
    const work = inTwoSteps(hasty, async (steps) => {
      await steps.begin(look)
      await steps.end([add('a', 7)])
    })
    await expect(work).rejects.toMatchObject({ errno: expect.any(Number) as number })
    await other.query('rollback')
    await inTwoSteps(hasty, async (steps) => {
      await steps.begin(look)
      await steps.end([add('a', 8)])
    })
    expect(await seen()).toEqual([8, 1])
    await hasty.close()
  })
})
