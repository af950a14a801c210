import type { CodeGiven, Member, OwnChanges, Problem, Session } from '@dewpoint/contract'
import { whyWeak } from '@dewpoint/contract/strength'
import { byName } from '@dewpoint/core/casebook'
import { and, eq } from 'drizzle-orm'
import type { InjectOptions } from 'fastify'
import { describe, expect, it } from 'vitest'
import { buildApp } from '../app.ts'
import { tables } from '../database/index.ts'
import { fingerprint } from '../gate/index.ts'
import { signedInAs, testApp } from '../testApp.ts'
import { newCode, typedCode } from './codes.ts'
import { isPassPhrase, keptOf } from './passPhrase.ts'
import { beginTry, endTries, isFirst, keepCode, useCode } from './queries.ts'

const { running, as, get } = testApp('session')
const good = 'copper kettle harbour lantern'
const other = 'seven plums under a tarpaulin'

/** A browser: it keeps the token it was given. */
function browser() {
  const jar = { cookie: '' }
  const ask = async (url: string, payload?: object, more: InjectOptions = {}) => {
    const answer = await running.bare.inject({
      url,
      ...(payload && { method: 'POST' as const, payload }),
      ...more,
      headers: { ...(jar.cookie && { cookie: jar.cookie }), ...more.headers },
    })
    const [given] = [answer.headers['set-cookie']].flat()
    if (given !== undefined) jar.cookie = given.split(';')[0]!
    return answer
  }
  return { jar, ask, session: async () => (await ask('/api/session')).json<Session>() }
}

/** Somebody of the firm who has chosen a pass phrase on a browser of their own. */
async function joined(name: string, role: Member['role'], passPhrase = good) {
  const given = (await as('owner').post('/api/people', { name, role })).json<CodeGiven>()
  const own = browser()
  const answer = await own.ask('/api/session/code', { code: given.code, passPhrase, label: 'Telephone' })
  expect([answer.statusCode, answer.body]).toEqual([200, expect.anything()])
  return { ...own, id: given.person.id }
}
const type = (answer: { json: <T>() => T }) => answer.json<Problem>().type

describe('the first owner', () => {
  it('begins with the code of the terminal, once, and is nobody before', async () => {
    expect(await isFirst(running.database)).toBe(true)
    const [first, second] = [newCode(), newCode()]
    const until = new Date(Date.now() + 1000 * 60)
    await keepCode(running.database, fingerprint(first), null, new Date(), until)
    await keepCode(running.database, fingerprint(second), null, new Date(), until)
    const one = browser()
    expect(await one.session()).toMatchObject({ person: null, first: true })
    // an older one is worth nothing, nor is one of somebody's own
    for (const code of [first, 'AAAA-BBBB-CCCC-DDDD'])
      expect(type(await one.ask('/api/session/code', { code, name: 'Greta Sallow', passPhrase: good }))).toBe('/problems/wrongCode')
    expect((await one.ask('/api/session/code', { code: second, passPhrase: good })).json<Problem>().fields).toMatchObject([{ field: 'name' }])
    const came = await one.ask('/api/session/code', {
      code: ` ${second.toLowerCase().replaceAll('-', ' ')} `,
      name: 'Greta Sallow',
      passPhrase: good,
      label: 'Office',
    })
    expect(came.json<Session>()).toMatchObject({ person: { name: 'Greta Sallow', role: 'owner', id: byName('Greta Sallow').id }, first: false })
    expect(type(await browser().ask('/api/session/code', { code: second, name: 'Somebody', passPhrase: good }))).toBe('/problems/wrongCode')
    expect((await one.ask('/api/people')).statusCode).toBe(200)
    // whoever holds another first code comes too late
    const third = newCode()
    await keepCode(running.database, fingerprint(third), null, new Date(), until)
    const late = { token: 'x', device: undefined, label: '', now: new Date() }
    expect(await useCode(running.database, fingerprint(third), 'Late', await keptOf(good), late)).toBe('notGood')
  })

  it('is not waited for by a code that has run out', async () => {
    const code = newCode()
    await keepCode(running.database, fingerprint(code), null, new Date(), new Date(Date.now() - 1))
    expect(type(await browser().ask('/api/session/code', { code, name: 'Late Comer', passPhrase: good }))).toBe('/problems/wrongCode')
  })
})

describe('signing in', () => {
  it('by name and pass phrase gives a token no script reads, another one each time, and the one before is worth nothing', async () => {
    await joined('Ada Hook', 'engineer')
    const one = browser()
    const answer = await one.ask('/api/session', { name: ' ada hook ', passPhrase: good, label: 'Tablet' })
    expect(answer.json<Session>()).toMatchObject({ person: { name: 'Ada Hook', role: 'engineer' }, device: { label: 'Tablet' } })
    const [cookie] = [answer.headers['set-cookie']].flat()
    expect(cookie).toMatch(/^dewpoint=[\w-]{43}; Max-Age=\d+; Path=\/; HttpOnly; SameSite=Strict$/)
    const before = one.jar.cookie
    await one.ask('/api/session', { name: 'Ada Hook', passPhrase: good })
    expect(one.jar.cookie).not.toBe(before)
    expect((await running.bare.inject({ url: '/api/cases', headers: { cookie: before } })).statusCode).toBe(401)
    expect((await one.ask('/api/cases')).statusCode).toBe(200)
    // the same device, named again
    expect((await get<{ devices: object[] }>('/api/devices')).devices.filter((line) => (line as { label: string }).label === 'Tablet')).toHaveLength(1)
  })

  it('over https is marked so', async () => {
    await joined('Mab Orrin', 'engineer')
    const app = await buildApp({ database: running.database, publicAddress: 'https://dewpoint.example' })
    const answer = await app.inject({
      method: 'POST',
      url: '/api/session',
      payload: { name: 'Mab Orrin', passPhrase: good },
      headers: { host: 'dewpoint.example', origin: 'https://dewpoint.example' },
    })
    expect([answer.headers['set-cookie']].flat()[0]).toMatch(/^__Host-dewpoint=[\w-]{43};.*; Secure; /)
    expect(answer.headers['strict-transport-security']).toBe('max-age=31536000')
    await app.close()
  })

  it('says the same of a name nobody has and of a wrong pass phrase, and of somebody who has left', async () => {
    const { id } = await joined('Tib Marsh', 'office')
    const told = async (name: string, passPhrase: string) => {
      const { type: kind, detail } = (await browser().ask('/api/session', { name, passPhrase })).json<Problem>()
      return [kind, detail]
    }
    const wrong = await told('Tib Marsh', other)
    expect(wrong[0]).toBe('/problems/wrongPassPhrase')
    expect(await told('Nobody Here', good)).toEqual(wrong)
    await as('owner').post(`/api/people/${id}`, { left: true })
    expect(await told('Tib Marsh', good)).toEqual(wrong)
  })

  it('is slowed down after five tries by a name, for that name alone, whatever it is tried with, and not for good', async () => {
    await joined('Oz Fenn', 'engineer')
    await joined('Pim Rusk', 'engineer')
    const statuses: number[] = []
    // however it is written: capitals and accents are no other person's
    for (const [at, passPhrase] of [other, other, other, other, other, other, good].entries())
      statuses.push((await browser().ask('/api/session', { name: ['Oz Fenn', 'oz fenn', 'Öz Fénn'][at % 3], passPhrase })).statusCode)
    expect(statuses).toEqual([403, 403, 403, 403, 403, 429, 429])
    expect((await browser().ask('/api/session', { name: 'Pim Rusk', passPhrase: good })).statusCode).toBe(200)
    const key = fingerprint('a key of its own')
    const at = (seconds: number) => new Date(Date.UTC(2026, 2, 1, 9) + seconds * 1000)
    const waits: number[] = []
    for (let count = 0; count < 6; count++) waits.push(await beginTry(running.database, key, at(0)))
    expect(waits).toEqual([0, 0, 0, 0, 0, 5])
    expect([await beginTry(running.database, key, at(6)), await beginTry(running.database, key, at(6))]).toEqual([0, 10])
    for (let count = 0, now = 60; count < 20; count++, now += 3600) await beginTry(running.database, key, at(now))
    expect(await beginTry(running.database, key, at(60 + 19 * 3600))).toBe(900)
    await endTries(running.database, [key], at(0))
    expect(await beginTry(running.database, key, at(0))).toBe(0)
  })

  it('of a whole office behind one address is slowed by nobody who gets in', async () => {
    await joined('Roo Stack', 'office')
    const statuses = new Set<number>()
    for (let count = 0; count < 70; count++) statuses.add((await browser().ask('/api/session', { name: 'Roo Stack', passPhrase: good })).statusCode)
    expect([...statuses]).toEqual([200])
  })

  it('many at once is no more than one after the other', async () => {
    const key = fingerprint('all at once')
    const waits = await Promise.all(Array.from({ length: 12 }, () => beginTry(running.database, key, new Date())))
    expect(waits.filter((one) => one === 0)).toHaveLength(5)
  })

  it('with what cannot be is refused by its field', async () => {
    const { ask } = browser()
    for (const [url, body, field] of [
      ['/api/session', { name: 'A', passPhrase: good }, 'name'],
      ['/api/session', { name: 'Ada Hook' }, 'passPhrase'],
      ['/api/session', { name: 'Ada Hook', passPhrase: 'x'.repeat(129) }, 'passPhrase'],
      ['/api/session', { name: 'Ada Hook', passPhrase: good, role: 'owner' }, ''],
      ['/api/session/code', { code: 'x'.repeat(41), passPhrase: good }, 'code'],
      ['/api/session/code', { code: 'AAAA', passPhrase: 'short one' }, 'passPhrase'],
      ['/api/session/demo', { person: '1' }, 'person'],
      ['/api/session/as', { person: 7 }, undefined],
      ['/api/session', { name: { toString: 'x' }, passPhrase: [] }, undefined],
    ] as const) {
      const answer = await ask(url, body)
      expect([url, answer.statusCode < 500]).toEqual([url, true])
      if (field !== undefined) {
        expect(answer.statusCode).toBe(422)
        expect(answer.json<Problem>().fields?.map((one) => one.field)).toContain(field)
      }
    }
    // nobody is there without a pass phrase but in a demo
    expect((await ask('/api/session/demo', { person: byName('Engineer').id })).statusCode).toBe(403)
  })
})

describe('a shared telephone', () => {
  it('has several signed in; each acts as themselves, and signs out alone', async () => {
    const one = await joined('Ivo Crane', 'engineer')
    await joined('Nan Pool', 'office', other)
    await one.ask('/api/session', { name: 'Nan Pool', passPhrase: other })
    const session = await one.session()
    expect([session.person?.name, session.onDevice.map((who) => who.name)]).toEqual(['Nan Pool', ['Ivo Crane', 'Nan Pool']])
    const ivo = session.onDevice[0]!.id
    // by what the request says, without being told before: written offline, sent later
    expect((await one.ask('/api/firm', {}, { headers: { 'x-dewpoint-person': ivo } })).statusCode).toBe(403)
    expect((await one.session()).person?.name).toBe('Ivo Crane')
    expect((await one.ask('/api/session/as', { person: session.onDevice[1]!.id })).json<Session>().person?.name).toBe('Nan Pool')
    expect((await one.ask('/api/session/as', { person: byName('Engineer').id })).statusCode).toBe(401)
    const out = (await one.ask('/api/session/out', {})).json<Session>()
    expect([out.person?.name, out.onDevice.length]).toEqual(['Ivo Crane', 1])
    const last = await one.ask('/api/session/out', {})
    expect(last.json<Session>().person).toBeNull()
    expect([last.headers['set-cookie']].flat()[0]).toMatch(/^dewpoint=; .*Expires=Thu, 01 Jan 1970/)
  })
})

describe('signing out', () => {
  it('everywhere ends every device of that person and of nobody else', async () => {
    const one = await joined('Kit Vane', 'engineer')
    const two = browser()
    await two.ask('/api/session', { name: 'Kit Vane', passPhrase: good })
    const third = await joined('Lil Dabb', 'engineer')
    await one.ask('/api/session/out', { everywhere: true })
    expect([(await two.ask('/api/cases')).statusCode, (await third.ask('/api/cases')).statusCode]).toEqual([401, 200])
  })

  it('also follows another pass phrase, on the other devices, and a code for a forgotten one', async () => {
    const one = await joined('Una Brill', 'engineer')
    const two = browser()
    await two.ask('/api/session', { name: 'Una Brill', passPhrase: good })
    expect(type(await one.ask('/api/session/pass-phrase', { old: other, passPhrase: other }))).toBe('/problems/wrongPassPhrase')
    expect((await one.ask('/api/session/pass-phrase', { old: good, passPhrase: 'una brill una brill' })).statusCode).toBe(422)
    expect((await one.ask('/api/session/pass-phrase', { old: good, passPhrase: other })).statusCode).toBe(200)
    expect([(await one.ask('/api/cases')).statusCode, (await two.ask('/api/cases')).statusCode]).toEqual([200, 401])
    const { code } = (await as('owner').post(`/api/people/${one.id}/code`)).json<CodeGiven>()
    expect((await two.ask('/api/session/code', { code, passPhrase: good })).statusCode).toBe(200)
    expect((await one.ask('/api/cases')).statusCode).toBe(401)
  })

  it('comes by itself to a device that was not there for a month', async () => {
    const one = await joined('Wyn Slack', 'engineer')
    const { createConnection } = await import('mysql2/promise')
    const connection = await createConnection({ uri: running.url, timezone: 'Z' })
    await connection.query('update devices set seen_at = ? where person = ?', [new Date(Date.now() - 31 * 86_400_000), one.id])
    await connection.end()
    expect(type(await one.ask('/api/cases'))).toBe('/problems/signIn')
    // nor does a colleague who signs in there bring them back
    await joined('Eli Strand', 'engineer')
    await one.ask('/api/session', { name: 'Eli Strand', passPhrase: good })
    expect((await one.session()).onDevice.map((who) => who.name)).toEqual(['Eli Strand'])
  })
})

describe('what changes of how somebody signs in', () => {
  it('is told to them on their other devices, with who did it, and to nobody else', async () => {
    const one = await joined('Cato Reed', 'engineer')
    const changes = async (who: { ask: ReturnType<typeof browser>['ask'] }) => (await who.ask('/api/session/changes')).json<OwnChanges>().changes
    // what they did themselves on this device they know
    expect(await changes(one)).toEqual([])
    const second = browser()
    await second.ask('/api/session', { name: 'Cato Reed', passPhrase: good, label: 'Van' })
    expect(await changes(second)).toMatchObject([{ what: 'withCode', device: 'Telephone', by: null }])
    await second.ask('/api/session/pass-phrase', { old: good, passPhrase: other })
    await as('owner').post(`/api/people/${one.id}/code`)
    await one.ask('/api/session', { name: 'Cato Reed', passPhrase: other, label: 'Telephone' })
    expect(await changes(one)).toMatchObject([
      { what: 'code', by: 'Engineer' },
      { what: 'passPhrase', device: 'Van', by: null },
    ])
    const bystander = await joined('Dora Vane', 'owner')
    expect(await changes(bystander)).toEqual([])
    // what is long past is told no more
    await running.database
      .update(tables.audit)
      .set({ at: new Date(Date.now() - 31 * 86_400_000) })
      .where(eq(tables.audit.subject, one.id))
    expect(await changes(one)).toEqual([])
    expect((await browser().ask('/api/session/changes')).statusCode).toBe(401)
  })
})

describe('who changes who gets in', () => {
  /** as if they had proved who they are at another time, on one device */
  const provedAt = async (person: string, device: string, at: Date) =>
    void (await running.database
      .update(tables.signIns)
      .set({ provedAt: at })
      .where(and(eq(tables.signIns.person, person), eq(tables.signIns.device, device))))

  it('says once more that it is them, where that was not a short while ago; on this device, and for a while', async () => {
    const owner = await joined('Wilf Tansy', 'owner')
    const elsewhere = browser()
    await elsewhere.ask('/api/session', { name: 'Wilf Tansy', passPhrase: good })
    const [here, there] = [(await owner.session()).device!.id, (await elsewhere.session()).device!.id]
    const member = { name: 'Hal Reedmace', role: 'learner' }
    const minutes = (many: number) => new Date(Date.now() - many * 60_000)
    // also where a clock was wrong when they proved it
    for (const at of [minutes(16), minutes(-600), new Date(0)]) {
      await provedAt(owner.id, here, at)
      for (const url of ['/api/people', `/api/people/${owner.id}`, `/api/people/${owner.id}/code`, `/api/devices/${there}/end`]) {
        const answer = await owner.ask(url, member)
        expect([url, answer.statusCode, type(answer)]).toEqual([url, 403, '/problems/proveAgain'])
      }
    }
    expect((await elsewhere.ask('/api/people', member)).statusCode).toBe(201)
    // what is nobody's access goes on as ever
    expect((await owner.ask('/api/cases')).statusCode).toBe(200)
    expect((await owner.ask('/api/session/prove', {})).json<Problem>().fields).toMatchObject([{ field: 'passPhrase' }])
    expect(type(await owner.ask('/api/session/prove', { passPhrase: other }))).toBe('/problems/wrongPassPhrase')
    expect(type(await owner.ask('/api/people', { ...member, name: 'Ada Fern' }))).toBe('/problems/proveAgain')
    expect((await owner.ask('/api/session/prove', { passPhrase: good })).json()).toEqual({ proved: true })
    expect((await owner.ask('/api/people', { ...member, name: 'Ada Fern' })).statusCode).toBe(201)
    await provedAt(owner.id, here, minutes(14))
    expect((await owner.ask(`/api/devices/${there}/end`, {})).statusCode).toBe(200)
  })

  it('may try as often as at the door, and no more', async () => {
    const owner = await joined('Nell Tarn', 'owner')
    const answers: string[] = []
    for (let index = 0; index < 7; index++) answers.push(type(await owner.ask('/api/session/prove', { passPhrase: `wrong ${index}` })))
    expect(answers.slice(0, 5)).toEqual(Array(5).fill('/problems/wrongPassPhrase'))
    expect(answers.at(-1)).toBe('/problems/tooManyTries')
    expect(type(await browser().ask('/api/session', { name: 'Nell Tarn', passPhrase: good }))).toBe('/problems/tooManyTries')
  })
})

describe('the demo', () => {
  it('lets in its made-up people, and nobody else, with one tap', async () => {
    const [person] = (await get<{ people: Member[] }>('/api/people')).people.filter((one) => one.name === 'Test learner')
    const demo = await buildApp({ database: running.database, demo: [person!] })
    const tap = (id: string) => demo.inject({ method: 'POST', url: '/api/session/demo', payload: { person: id, label: 'x' } })
    expect((await tap(person!.id)).json<Session>()).toMatchObject({ person: { name: 'Test learner' }, demo: [{ name: 'Test learner' }] })
    expect((await tap(byName('Engineer').id)).statusCode).toBe(403)
    expect((await signedInAs(demo, 'owner').inject('/api/session')).json<Session>().demo).toHaveLength(1)
    // the made-up have nothing to prove it with; anybody else has
    const prove = async (role: 'learner' | 'owner') =>
      (await signedInAs(demo, role).inject({ method: 'POST', url: '/api/session/prove', payload: {} })).statusCode
    expect([await prove('learner'), await prove('owner')]).toEqual([200, 422])
    await demo.close()
  })
})

describe('a pass phrase', () => {
  it('is kept as argon2id with a salt of its own; letters put together otherwise are the same', async () => {
    // parameters as the OWASP Password Storage Cheat Sheet has them
    const [one, two] = [await keptOf(good), await keptOf(good)]
    expect(one).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/)
    expect(one).not.toBe(two)
    expect(await isPassPhrase(await keptOf('käse und brot im hafen'), 'käse und brot im hafen')).toBe(true)
    expect([await isPassPhrase(one, `${good} `), await isPassPhrase(null, good), await isPassPhrase('no hash', good)]).toEqual([false, false, false])
  })

  it('that is guessed easily is told, however long it is', () => {
    for (const weak of ['passwordpassword', 'aaaaaaaaaaaaaaaa', 'qwertyuiop12', 'dewpointdewpoint', 'ines quill ines'])
      expect(whyWeak(weak, 'Ines Quill')).not.toBeNull()
    expect([whyWeak(good, 'Ines Quill'), whyWeak('x'.repeat(128), 'Ines Quill')]).toEqual([null, expect.anything()])
  })

  it('code is read however it is typed', () => {
    const code = newCode()
    expect(code).toMatch(/^([A-HJKMNP-Z2-9]{4}-){3}[A-HJKMNP-Z2-9]{4}$/)
    expect(typedCode(code.toLowerCase().replaceAll('-', ''))).toBe(code)
  })
})
