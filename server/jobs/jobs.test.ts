import type { NewCase } from '@dewpoint/contract'
import { byName, newEntry, type Entry } from '@dewpoint/core/casebook'
import { createConnection, type RowDataPacket } from 'mysql2/promise'
import { afterAll, describe, expect, it } from 'vitest'
import { chances } from '../../tools/soak/chances.ts'
import { connect, tables, type Database } from '../database/index.ts'
import { learntBefore, readBefore } from '../learnt/queries.ts'
import { testApp } from '../testApp.ts'
import { allJobs } from './all.ts'
import { workOff } from './index.ts'
import type { Job } from './job.ts'
import { doStep, takeUp } from './queries.ts'

const { running, post, opened, id } = testApp('jobs')
const others: Database[] = []
/** as another server sees it */
const another = () => {
  const one = connect(running.url)
  others.push(one)
  return one
}
afterAll(() => Promise.all(others.map((one) => one.close())))

const ask = async (query: string) => {
  const connection = await createConnection({ uri: running.url })
  try {
    return (await connection.query<RowDataPacket[]>(query))[0]
  } finally {
    await connection.end()
  }
}

/** Writes 1 to `most` into the record, two a step. */
const counting = (name: string, most: number, meanwhile: (reached: number) => void = () => undefined, version = 1): Job => ({
  name,
  version,
  async step(tx, after) {
    const from = after === '' ? 0 : Number(after)
    if (from >= most) return { reached: null, done: 0 }
    for (const one of [from + 1, from + 2])
      await tx.insert(tables.audit).values({ id: id(), at: new Date(), person: null, device: null, kind: 'changed', of: name, subject: String(one), about: '' })
    meanwhile(from + 2)
    return { reached: String(from + 2), done: 2 }
  },
})
const written = async (name: string) =>
  (await ask(`select subject from audit where of_what = '${name}' order by cast(subject as int)`)).map((row) => Number(row.subject))
const upTo = (most: number) => Array.from({ length: most }, (_unused, index) => index + 1)

describe('work on everything that is kept', () => {
  it('is done once, whichever servers try, and again only in a later version', async () => {
    const list = [counting('once', 20)]
    const tried = await Promise.all([running.database, another(), another()].map((one) => workOff(one, list)))
    expect(tried.reduce((sum, one) => sum + one.done, 0)).toBe(20)
    expect(tried.filter((one) => one.finished).length).toBeGreaterThan(0)
    expect(await written('once')).toEqual(upTo(20))
    expect(await workOff(another(), list)).toEqual({ finished: true, done: 0 })
    expect(await workOff(running.database, [counting('once', 4, undefined, 2)])).toEqual({ finished: true, done: 4 })
  })

  it('goes on where it was interrupted, with nothing twice', async () => {
    const failing = counting('interrupted', 10, (reached) => {
      if (reached === 6) throw new Error('the server was killed')
    })
    await expect(workOff(running.database, [failing])).rejects.toThrow('was killed')
    expect(await written('interrupted')).toEqual(upTo(4))
    // whoever was killed gives nothing back: the next waits for the end of the lease
    const list = [counting('interrupted', 10)]
    expect(await workOff(another(), list)).toEqual({ finished: false, done: 0 })
    await ask("update jobs set leased_until = now(3) - interval 1 second where name = 'interrupted'")
    expect(await workOff(another(), list)).toEqual({ finished: true, done: 6 })
    expect(await written('interrupted')).toEqual(upTo(10))
  })

  it('is given back by a server that stops, and taken from one that fell silent, who then does nothing more', async () => {
    let wanted = 2
    const list = [counting('handed', 10)]
    expect(await workOff(running.database, list, () => wanted-- > 0)).toEqual({ finished: false, done: 4 })
    const [silent, next] = [id(), id()]
    expect(await takeUp(running.database, list[0]!, silent)).toBe('mine')
    expect(await takeUp(another(), list[0]!, next)).toBe('taken')
    await ask("update jobs set leased_until = now(3) - interval 1 second where name = 'handed'")
    expect(await takeUp(another(), list[0]!, next)).toBe('mine')
    expect(await doStep(running.database, list[0]!, silent)).toBe('lost')
    expect(await doStep(another(), list[0]!, next)).toEqual({ finished: false, done: 2 })
    expect(await written('handed')).toEqual(upTo(6))
  })
})

describe('what earlier cases teach, counted', () => {
  const faults = ['fan.seized', 'pump.seized', 'ntcFlow.drifted']
  const kinds = ['premix-combi', 'coil-combi']
  const below = chances(7)
  const write = async (body: NewCase, lines: [Entry['type'], object][]) => {
    const entries = lines.map(([type, payload]) => newEntry(type, payload as never, { id: id(), now: Date.now(), author: byName('Engineer'), seen: [] }))
    expect((await post(`/api/cases/${body.id}/entries`, { entries })).statusCode).toBe(200)
    return entries
  }
  const proved = (fault: string): [Entry['type'], object][] => [
    ['decision', { kind: 'condemned', part: 'fan', fault, reason: 'tested' }],
    ['repair', { remedy: 'fan.replace', faults: [fault], result: 'worked' }],
    ['decision', { kind: 'closed', reason: 'proved' }],
  ]
  async function agree(): Promise<number> {
    let most = 0
    for (const system of kinds)
      for (let one = 0; one < 8; one++) {
        const moment = new Date(Date.UTC(2025, below(14), 1 + below(28), below(24)))
        const read = await readBefore(running.database, system, moment)
        expect(await learntBefore(running.database, system, moment)).toEqual(read)
        most = Math.max(most, read.cases)
      }
    return most
  }

  it('is the same as read from the cases, while they are written, taken back and counted anew after an older version', async () => {
    const list: NewCase[] = []
    for (let one = 0; one < 40; one++) {
      const body = await opened({
        openedAt: new Date(Date.UTC(2025, below(12), 1 + below(28), below(24))).toISOString(),
        appliance: { id: id(), system: kinds[below(2)]!, label: 'Combination 26', installedOn: '' },
      })
      list.push(body)
      const [, repair] = await write(body, proved(faults[below(3)]!))
      if (below(4) === 0) await write(body, [['retract', { entry: repair!.id }]])
      else if (below(3) === 0) await write(body, proved(faults[below(3)]!))
    }
    expect(await agree()).toBeGreaterThan(8)
    // as a version left them that did not count, and one that kept less
    await ask("update cases set counted = ''")
    await ask('delete from learnt')
    await ask("update cases set searched = '', system = '', proven = '' where id like '%0'")
    await ask("delete from jobs where name in ('sites', 'cases', 'opinions')")
    const database = another()
    const working = workOff(database, allJobs)
    // somebody writes while it counts
    await Promise.all(list.slice(0, 12).map((body) => write(body, proved('gasValve.stuckShut'))))
    expect((await working).finished).toBe(true)
    expect(await ask('select id from cases where counted <> proven or proven = "" and searched = ""')).toEqual([])
    expect(await agree()).toBeGreaterThan(8)
    expect(await ask('select * from learnt where cases < 0')).toEqual([])
  })
})
