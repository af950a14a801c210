import { request as httpRequest, type IncomingMessage } from 'node:http'
import type { LiveNews, Problem } from '@dewpoint/contract'
import { byName } from '@dewpoint/core/casebook'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { buildApp } from '../app.ts'
import { eraseCustomer } from '../customers/queries.ts'
import { connect } from '../database/index.ts'
import { testApp, tokenOf } from '../testApp.ts'
import { watchChanges } from './watcher.ts'

const { running, as, get, opened, post, reading } = testApp('live')
/** two servers on one database, as behind a proxy */
const servers: { address: string; close: () => Promise<unknown> }[] = []
beforeAll(async () => {
  for (let count = 0; count < 2; count++) {
    const database = connect(running.url)
    const app = await buildApp({ database })
    servers.push({ address: await app.listen({ host: '127.0.0.1', port: 0 }), close: () => app.close().then(() => database.close()) })
  }
})
afterAll(async () => {
  for (const one of servers) await one.close().catch(() => undefined)
})

/** Listens as somebody of a role: what was told so far, and how to stop. */
async function listening(server: number, role: 'owner' | 'office' | 'engineer' | 'learner', path = '/api/live') {
  const told: LiveNews[] = []
  let text = ''
  const answer = await new Promise<IncomingMessage>((done, fail) => {
    const outgoing = httpRequest(`${servers[server]!.address}${path}`, { headers: { cookie: `dewpoint=${tokenOf(role)}` } }, done)
    outgoing.on('error', fail)
    outgoing.end()
  })
  let over = false
  answer.setEncoding('utf8')
  answer.on('close', () => (over = true))
  answer.on('data', (part: string) => {
    text += part
    for (let at = text.indexOf('\n\n'); at >= 0; at = text.indexOf('\n\n')) {
      const block = text.slice(0, at)
      text = text.slice(at + 2)
      if (block.startsWith('data: ')) told.push(JSON.parse(block.slice(6)) as LiveNews)
    }
  })
  return { told, answer, isOver: () => over, begun: () => until(() => told.some((news) => news.begun === true)), stop: () => answer.destroy() }
}
const until = (holds: () => boolean, timeout = 15_000) => vi.waitFor(() => expect(holds()).toBe(true), { timeout, interval: 20 })
const changed = (told: LiveNews[], id: string) => told.flatMap((one) => one.changed ?? []).filter((one) => one.id === id)

describe('what one server takes', () => {
  it('is told by another on the same database, once, to everybody who listens', async () => {
    const { id } = await opened()
    const [one, two] = [await listening(0, 'office'), await listening(1, 'engineer')]
    expect(one.answer.headers['content-type']).toBe('text/event-stream')
    // the first look tells nobody of what was there
    await Promise.all([one.begun(), two.begun()])
    expect([one.told, two.told]).toEqual([[{ begun: true }], [{ begun: true }]])
    await post(`/api/cases/${id}/entries`, { entries: [reading()] })
    await until(() => changed(one.told, id).length > 0 && changed(two.told, id).length > 0)
    await post(`/api/cases/${id}/entries`, { entries: [reading(), reading()] })
    await until(() => changed(two.told, id).length > 1)
    const other = await opened()
    await until(() => changed(two.told, other.id).length > 0)
    expect([changed(two.told, id), changed(two.told, other.id)]).toEqual([
      [
        { id, position: 1 },
        { id, position: 3 },
      ],
      [{ id: other.id, position: 0 }],
    ])
    for (const stream of [one, two]) stream.stop()
  })

  it('is told also when the person is taken out of a case', async () => {
    const { id, site } = await opened()
    const one = await listening(1, 'office')
    await one.begun()
    await eraseCustomer(running.database, site.id, new Date())
    await until(() => changed(one.told, id).some((news) => news.erased))
    expect(changed(one.told, id).at(-1)).toEqual({ id, position: 0, erased: true })
    one.stop()
  })

  it('is told also where the time of the entry, its writer’s clock or the order of commits says otherwise', async () => {
    const { id } = await opened({ openedAt: '2020-01-01T00:00:00.000Z' })
    const one = await listening(1, 'office')
    await one.begun()
    // a transaction that began earlier and ends later than another
    const { createConnection } = await import('mysql2/promise')
    const slow = await createConnection({ uri: running.url })
    await slow.query('begin')
    await slow.query('update cases set position = 7, changed_at = now(3) where id = ?', [id])
    const other = await opened()
    await until(() => changed(one.told, other.id).length === 1)
    const seven = () => changed(one.told, id).filter(({ position }) => position === 7).length
    expect(seven()).toBe(0)
    await slow.query('commit')
    await slow.end()
    await until(() => seven() === 1)
    one.stop()
  })
})

describe('a server that could not look for too long', () => {
  it('tells whoever listens to ask for what is new: it may be out of its sight', async () => {
    const state = { away: false, asked: 0 }
    const flaky = new Proxy(running.database, {
      get: (target, key) => {
        if (key === 'select') state.asked++
        if (key === 'select' && state.away) throw new Error('the database is away')
        return Reflect.get(target, key, target) as unknown
      },
    })
    const patience = 80
    const watcher = watchChanges(flaky, 5, patience)
    const told: LiveNews[] = []
    watcher.listen({ caseId: null, person: 'x', tell: (news) => told.push(news) })
    const begun = () => told.filter((news) => news.begun).length
    await until(() => begun() >= 1)
    state.away = true
    const [since, asked] = [performance.now(), state.asked]
    await until(() => performance.now() - since > patience && state.asked > asked + 2)
    const before = begun()
    state.away = false
    await until(() => begun() > before)
    watcher.stop()
  })
})

describe('who looks at a case', () => {
  it('is told to the others there, not of themselves, through several servers, until they go', async () => {
    const { id } = await opened()
    const one = await listening(0, 'office', `/api/live?case=${id}`)
    const two = await listening(1, 'engineer', `/api/live?case=${id}`)
    await until(() => one.told.some((news) => news.present?.length === 1) && two.told.some((news) => news.present?.length === 1))
    expect(one.told.flatMap((news) => news.present ?? [])).toEqual([byName('Test engineer')])
    expect(two.told.flatMap((news) => news.present ?? [])).toEqual([byName('Test office')])
    two.stop()
    await until(() => one.told.at(-1)?.present?.length === 0)
    one.stop()
  })
})

describe('a stream', () => {
  it('is for those who work with customers, of a case as it is named, and of so many pages', async () => {
    expect((await as('learner').get('/api/live')).json<Problem>().type).toBe('/problems/notAllowed')
    expect((await running.bare.inject('/api/live')).statusCode).toBe(401)
    for (const query of ['case=x', 'case=1&case=2', `case=${'x'.repeat(100)}`]) expect((await as('owner').get(`/api/live?${query}`)).statusCode).toBe(422)
    const many = await Promise.all(Array.from({ length: 8 }, () => listening(0, 'owner')))
    const refused = await listening(0, 'owner')
    expect(refused.answer.statusCode).toBe(429)
    for (const one of many) one.stop()
    await until(() => many.every((one) => one.isOver()))
    const again = await listening(0, 'owner')
    expect(again.answer.statusCode).toBe(200)
    again.stop()
  })

  it('ends when the server is stopped, so that nobody waits for it', async () => {
    const database = connect(running.url)
    const app = await buildApp({ database })
    servers.push({ address: await app.listen({ host: '127.0.0.1', port: 0 }), close: () => Promise.resolve() })
    const one = await listening(servers.length - 1, 'office')
    await app.close()
    await until(() => one.isOver())
    await database.close()
  })

  it('ends when whoever listens is signed out from afar', async () => {
    const one = await listening(0, 'engineer')
    const device = (await get<{ devices: { id: string; label: string }[] }>('/api/devices')).devices.find((line) => line.label === 'Device of the engineer')!
    await post(`/api/devices/${device.id}/end`, {})
    await until(() => one.isOver(), 30_000)
  })
})
