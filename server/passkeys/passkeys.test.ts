import type { AuditList, Passkeys, PasskeyOffer, Problem, Session } from '@dewpoint/contract'
import { byName } from '@dewpoint/core/casebook'
import { describe, expect, it } from 'vitest'
import { fingerprint } from '../gate/index.ts'
import { keepCode } from '../session/queries.ts'
import { keptOf } from '../session/passPhrase.ts'
import { tables } from '../database/index.ts'
import { eq } from 'drizzle-orm'
import { testApp } from '../testApp.ts'
import { testAuthenticator } from './testAuthenticator.ts'

const { running, as } = testApp('passkeys')
const host = { headers: { host: 'localhost:5280' } }
const phrase = 'copper kettle harbour lantern'
const engineer = byName('Test engineer').id

const give = async (person: string, passPhrase: string | null) =>
  void (await running.database
    .update(tables.people)
    .set({ passPhrase: passPhrase === null ? null : await keptOf(passPhrase) })
    .where(eq(tables.people.id, person)))
const mine = (role: 'engineer' | 'office' | 'learner' = 'engineer') => as(role, host)
const challengeOf = (answer: { json: <T>() => T }) => (answer.json<PasskeyOffer>().options as { challenge: string }).challenge
/** asks to make one, a short while after they signed in */
async function offered(role: 'engineer' | 'office' | 'learner' = 'engineer') {
  const answer = await mine(role).post('/api/passkeys/offer')
  expect([answer.statusCode, answer.body.length > 0]).toEqual([200, true])
  return answer
}
async function made(key = testAuthenticator()) {
  const challenge = challengeOf(await offered())
  const answer = await mine().post('/api/passkeys', { label: 'Telephone', answer: key.make({ challenge }) })
  expect(answer.statusCode).toBe(200)
  return key
}
const nobody = (url: string, payload: object = {}, headers: Record<string, string> = {}) =>
  running.bare.inject({ method: 'POST', url, payload, headers: { host: 'localhost:5280', ...headers } })
const asked = async () => challengeOf(await nobody('/api/session/passkey/offer'))
/** as if the engineer had proved who they are long ago */
const longAgo = async () =>
  void (await running.database
    .update(tables.signIns)
    .set({ provedAt: new Date(0) })
    .where(eq(tables.signIns.person, engineer)))
const told = (answer: { statusCode: number; json: <T>() => T }) => [answer.statusCode, answer.json<Problem>().type]

describe('a passkey', () => {
  it('is made by whoever proves who they are, shown to them alone, and signs them in on another device', async () => {
    await give(engineer, phrase)
    await longAgo()
    expect(told(await mine().post('/api/passkeys/offer', {}))).toEqual([403, '/problems/proveAgain'])
    expect((await mine().post('/api/session/prove', { passPhrase: phrase })).statusCode).toBe(200)
    const key = await made()
    const list = (await mine().get('/api/passkeys')).json<Passkeys>().passkeys
    expect(list).toMatchObject([{ label: 'Telephone', usedAt: null }])
    expect((await mine('office').get('/api/passkeys')).json<Passkeys>().passkeys).toEqual([])

    const answer = await nobody('/api/session/passkey', { label: 'Van', answer: key.use({ challenge: await asked() }) })
    expect(answer.statusCode).toBe(200)
    expect(answer.json<Session>()).toMatchObject({ person: { id: engineer, role: 'engineer' }, device: { label: 'Van' } })
    const cookie = String(answer.headers['set-cookie']).split(';')[0]!
    expect((await running.bare.inject({ url: '/api/cases', headers: { host: 'localhost:5280', cookie } })).statusCode).toBe(200)
    expect((await mine().get('/api/passkeys')).json<Passkeys>().passkeys[0]!.usedAt).not.toBeNull()
    const { lines } = (await as('owner').get('/api/audit')).json<AuditList>()
    expect(lines.map((one) => `${one.kind} ${one.about}`)).toEqual(
      expect.arrayContaining(['signedIn Test engineer, with a passkey', 'people Test engineer: new passkey']),
    )
  })

  it('is refused where anything about it is not as it was asked for: each thing is asked once, for one person, and not for long', async () => {
    await give(engineer, phrase)
    const key = await made()
    const stranger = testAuthenticator()
    const sign = async (payload: object) => told(await nobody('/api/session/passkey', { label: '', answer: payload }))
    const wrong = [403, '/problems/wrongPasskey']
    expect(await sign(stranger.use({ challenge: await asked() }))).toEqual(wrong)
    expect(await sign(key.use({ challenge: 'bm90IGFza2Vk' }))).toEqual(wrong)
    expect(await sign(key.use({ challenge: await asked(), origin: 'http://other.example' }))).toEqual(wrong)
    expect(await sign(key.use({ challenge: await asked(), party: 'other.example' }))).toEqual(wrong)
    expect(await sign(key.use({ challenge: await asked(), type: 'webauthn.create' }))).toEqual(wrong)
    expect(await sign(key.use({ challenge: await asked(), verified: false }))).toEqual(wrong)
    // what somebody is to make one with signs nobody in
    expect(await sign(key.use({ challenge: challengeOf(await offered()) }))).toEqual(wrong)
    const good = key.use({ challenge: await asked() })
    const forged = { ...good, response: { ...good.response, signature: stranger.use({ challenge: 'YQ' }).response.signature } }
    expect(await sign(forged)).toEqual(wrong)

    const once = key.use({ challenge: await asked(), counter: 50 })
    expect((await nobody('/api/session/passkey', { answer: once })).statusCode).toBe(200)
    expect(await sign(once)).toEqual(wrong)
    // one that was copied counts what the other has counted already
    expect(await sign(key.use({ challenge: await asked(), counter: 50 }))).toEqual(wrong)
    const many = key.use({ challenge: await asked(), counter: 51 })
    const answers = await Promise.all(Array.from({ length: 5 }, () => nobody('/api/session/passkey', { answer: many })))
    expect(answers.filter((one) => one.statusCode === 200)).toHaveLength(1)

    const old = await asked()
    await running.database
      .update(tables.challenges)
      .set({ until: new Date(Date.now() - 1000) })
      .where(eq(tables.challenges.key, fingerprint(old)))
    expect(await sign(key.use({ challenge: old }))).toEqual(wrong)
  })

  it('that was asked for by one is kept for nobody else, and not without a finger, a face or a PIN', async () => {
    await give(engineer, phrase)
    await give(byName('Test office').id, phrase)
    const fresh = testAuthenticator()
    const theirs = challengeOf(await offered('office'))
    expect(told(await mine().post('/api/passkeys', { answer: fresh.make({ challenge: theirs }) }))).toEqual([403, '/problems/wrongPasskey'])
    const challenge = challengeOf(await offered())
    expect(told(await mine().post('/api/passkeys', { answer: fresh.make({ challenge, verified: false }) }))).toEqual([403, '/problems/wrongPasskey'])
    const key = await made()
    // the same again, by somebody else
    expect(told(await mine('office').post('/api/passkeys', { answer: key.make({ challenge: challengeOf(await offered('office')) }) }))).toEqual([
      422,
      '/problems/invalid',
    ])
  })

  it('says that it is still whoever is signed in, and for nobody else', async () => {
    await give(engineer, phrase)
    const key = await made()
    await longAgo()
    const remove = () => mine().post(`/api/passkeys/${fingerprint(key.id)}/remove`)
    const prove = async (role: 'engineer' | 'office', challenge: string) => mine(role).post('/api/session/passkey/prove', { answer: key.use({ challenge }) })
    expect(told(await remove())).toEqual([403, '/problems/proveAgain'])
    expect(told(await prove('office', await asked()))).toEqual([403, '/problems/wrongPasskey'])
    expect(told(await prove('engineer', 'bm90IGFza2Vk'))).toEqual([403, '/problems/wrongPasskey'])
    expect(told(await remove())).toEqual([403, '/problems/proveAgain'])
    expect((await prove('engineer', await asked())).json()).toEqual({ proved: true })
    expect((await remove()).statusCode).toBe(200)
  })

  it('can be asked for besides the pass phrase, which alone then lets nobody in, until it is enough again', async () => {
    await give(engineer, phrase)
    await give(byName('Test office').id, phrase)
    const only = async (value: unknown, role: 'engineer' | 'office' = 'engineer') => mine(role).post('/api/passkeys/only', { only: value })
    const door = async () => nobody('/api/session', { name: 'Test engineer', passPhrase: phrase })
    expect(told(await only(true, 'office'))).toEqual([422, '/problems/invalid'])
    expect(told(await only('yes'))).toEqual([422, '/problems/invalid'])
    for (const { id } of (await mine().get('/api/passkeys')).json<Passkeys>().passkeys) await mine().post(`/api/passkeys/${id}/remove`)
    const key = await made()
    expect((await only(true)).json<Passkeys>()).toMatchObject({ only: true, passkeys: [{}] })
    expect(told(await door())).toEqual([403, '/problems/passkeyNeeded'])
    expect(told(await nobody('/api/session', { name: 'Test engineer', passPhrase: 'something else altogether' }))).toEqual([403, '/problems/wrongPassPhrase'])
    expect(told(await mine().post('/api/session/prove', { passPhrase: phrase }))).toEqual([403, '/problems/passkeyNeeded'])
    expect((await nobody('/api/session/passkey', { answer: key.use({ challenge: await asked() }) })).statusCode).toBe(200)
    // the last one stays as long as nothing else lets them in
    expect(told(await mine().post(`/api/passkeys/${fingerprint(key.id)}/remove`))).toEqual([422, '/problems/invalid'])
    await longAgo()
    expect(told(await only(false))).toEqual([403, '/problems/proveAgain'])
    expect((await mine().post('/api/session/passkey/prove', { answer: key.use({ challenge: await asked() }) })).statusCode).toBe(200)
    expect((await only(false)).json<Passkeys>().only).toBe(false)
    expect((await door()).statusCode).toBe(200)
    expect((await only(true)).statusCode).toBe(200)
    // told on their other devices
    const { lines } = (await as('owner').get('/api/audit')).json<AuditList>()
    expect(lines.map((one) => one.about)).toEqual(
      expect.arrayContaining(['Test engineer: only with a passkey', 'Test engineer: pass phrase enough again', 'Test engineer, with the pass phrase alone']),
    )
  })

  it('is removed by whose it is; with a new pass phrase by code all of them go, and it is enough; who has left gets in with none', async () => {
    await give(engineer, phrase)
    const [one, other] = [await made(), await made()]
    const list = async () => (await mine().get('/api/passkeys')).json<Passkeys>().passkeys
    const id = fingerprint(one.id)
    expect(told(await mine('office').post(`/api/passkeys/${id}/remove`))).toEqual([404, '/problems/notFound'])
    expect((await mine().post(`/api/passkeys/${id}/remove`)).statusCode).toBe(200)
    expect((await list()).map((each) => each.id)).not.toContain(id)
    expect((await nobody('/api/session/passkey', { answer: one.use({ challenge: await asked() }) })).statusCode).toBe(403)

    const people = tables.people
    await running.database.update(people).set({ leftAt: new Date() }).where(eq(people.id, engineer))
    expect((await nobody('/api/session/passkey', { answer: other.use({ challenge: await asked() }) })).statusCode).toBe(403)
    await running.database.update(people).set({ leftAt: null }).where(eq(people.id, engineer))
    expect((await nobody('/api/session/passkey', { answer: other.use({ challenge: await asked() }) })).statusCode).toBe(200)

    expect((await mine().get('/api/passkeys')).json<Passkeys>().only).toBe(true)
    const now = new Date()
    await keepCode(running.database, fingerprint('ABCD-2345'), engineer, now, new Date(now.getTime() + 60_000))
    expect((await nobody('/api/session/code', { code: 'abcd-2345', passPhrase: 'four quite other words here' })).statusCode).toBe(200)
    expect((await nobody('/api/session', { name: 'Test engineer', passPhrase: 'four quite other words here' })).statusCode).toBe(200)
    expect((await nobody('/api/session/passkey', { answer: other.use({ challenge: await asked() }) })).statusCode).toBe(403)
  })

  it('needs the name Dewpoint is opened by, and an answer a browser gives', async () => {
    for (const name of ['127.0.0.1:80', '[::1]:80'])
      expect(told(await nobody('/api/session/passkey/offer', {}, { host: name }))).toEqual([422, '/problems/noPasskeys'])
    for (const answer of [null, 7, {}, { id: 'x' }, { ...testAuthenticator().use({ challenge: 'YQ' }), id: '<script>' }, { id: 'x'.repeat(9000) }])
      expect(told(await nobody('/api/session/passkey', { answer }))).toEqual([422, '/problems/invalid'])
  })
})
