import { may, roles, type Problem } from '@dewpoint/contract'
import { describe, expect, it } from 'vitest'
import { fingerprint } from './index.ts'
import { testApp, tokenOf } from '../testApp.ts'

const { running, as, opened, reading } = testApp('gate')

const nowhere = '01934a00-0000-7000-8000-ffffffffffff'
/** Every route of the API that somebody may, with who may. What a route answers besides does not matter here. */
const routes: [method: 'GET' | 'POST', url: string, who: readonly string[]][] = [
  ['GET', '/api/cases', ['owner', 'office', 'engineer']],
  ['POST', '/api/cases', ['owner', 'office', 'engineer']],
  ['GET', `/api/cases/${nowhere}`, ['owner', 'office', 'engineer']],
  ['GET', `/api/cases/${nowhere}/entries`, ['owner', 'office', 'engineer']],
  ['POST', `/api/cases/${nowhere}/entries`, ['owner', 'office', 'engineer']],
  ['GET', `/api/cases/${nowhere}/past`, ['owner', 'office', 'engineer']],
  ['GET', `/api/cases/${nowhere}/report.pdf`, ['owner', 'office', 'engineer']],
  ['POST', '/api/experience/premix-combi', ['owner', 'office', 'engineer']],
  ['GET', '/api/sites', ['owner', 'office', 'engineer']],
  ['GET', `/api/appliances/${nowhere}`, ['owner', 'office', 'engineer']],
  ['GET', `/api/appliances/${nowhere}/history`, ['owner', 'office', 'engineer']],
  ['POST', '/api/photos', ['owner', 'office', 'engineer']],
  ['GET', `/api/photos/${'0'.repeat(64)}`, ['owner', 'office', 'engineer']],
  ['GET', '/api/parts', ['owner', 'office', 'engineer']],
  ['POST', '/api/parts', ['owner', 'office', 'engineer']],
  ['GET', '/api/firm', roles],
  ['POST', '/api/firm', ['owner', 'office']],
  ['GET', '/api/pairs/0123456789abcdef', roles],
  ['POST', '/api/pairs/0123456789abcdef', roles],
  ['GET', '/api/people', ['owner', 'office', 'engineer']],
  ['POST', '/api/people', ['owner']],
  ['POST', `/api/people/${nowhere}`, ['owner']],
  ['POST', `/api/people/${nowhere}/code`, ['owner']],
  ['GET', '/api/devices', roles],
  ['POST', `/api/devices/${nowhere}/end`, roles],
  ['POST', '/api/devices/hand-in', ['owner', 'office', 'engineer']],
  ['POST', '/api/devices/wiped', ['owner', 'office', 'engineer']],
  ['GET', '/api/devices/hand-ins', ['owner']],
  ['POST', `/api/devices/hand-ins/${nowhere}`, ['owner']],
  ['GET', '/api/audit', ['owner']],
  ['GET', '/api/live?case=x', ['owner', 'office', 'engineer']],
  ['POST', '/api/session/as', roles],
  ['POST', '/api/session/pass-phrase', roles],
  ['GET', '/api/session/changes', roles],
  ['POST', '/api/session/prove', roles],
  ['POST', '/api/session/passkey/prove', roles],
  ['GET', '/api/passkeys', roles],
  ['POST', '/api/passkeys', roles],
  ['POST', '/api/passkeys/offer', roles],
  ['POST', '/api/passkeys/only', roles],
  ['POST', `/api/passkeys/${nowhere}/remove`, roles],
]

describe('who may', () => {
  it.each(routes)('%s %s', async (method, url, who) => {
    const answer = await running.bare.inject({ method, url, ...(method === 'POST' && { payload: {} }) })
    expect([answer.statusCode, answer.json<Problem>().type]).toEqual([401, '/problems/signIn'])
    for (const role of roles) {
      const { statusCode, body } = method === 'GET' ? await as(role).get(url) : await as(role).post(url)
      expect([role, statusCode !== 403]).toEqual([role, who.includes(role)])
      expect(statusCode).toBeLessThan(500)
      if (statusCode === 403) expect(JSON.parse(body)).toMatchObject({ type: '/problems/notAllowed' })
    }
  })

  it('cannot be left out of a route', async () => {
    const { buildApp } = await import('../app.ts')
    const app = await buildApp({ database: running.database })
    expect(() => app.get('/api/unsaid', () => 'x')).toThrow('/api/unsaid does not say who may')
    await app.close()
    expect(may(undefined, roles)).toBe(false)
  })
})

describe('an address', () => {
  it.each([
    '/%61pi/cases',
    '/ap%69/sites',
    '/%61%70%69/audit',
    '/api%2fcases',
    '//api/cases',
    '/API/cases',
    '/api/cases/',
    '/./api/cases',
    '/x/../api/cases',
    'http://localhost/api/cases',
  ])('written as %s lets nobody in', async (url) => {
    await opened()
    const answer = await running.bare.inject({ url })
    expect([401, 404]).toContain(answer.statusCode)
    expect(answer.body).not.toContain('Net Loft')
  })
})

describe('a token', () => {
  it('is not what is kept of it, and one that is made up opens nothing', async () => {
    expect(fingerprint(tokenOf('owner'))).not.toContain(tokenOf('owner'))
    for (const cookie of [
      'dewpoint=',
      'dewpoint=x',
      `dewpoint=${'a'.repeat(43)}`,
      `dewpoint=${fingerprint(tokenOf('owner'))}`,
      `dewpoint=${"' or 1=1 -- ".padEnd(43, 'x')}`,
    ]) {
      const answer = await running.bare.inject({ url: '/api/cases', headers: { cookie } })
      expect(answer.statusCode).toBe(401)
      expect(answer.body).not.toContain('select')
    }
  })

  it('answers for nobody who is not signed in on its device', async () => {
    const other = (await as('owner').get('/api/session')).json<{ person: { id: string } }>().person.id
    expect((await as('engineer', { headers: { cookie: `dewpoint=${tokenOf('engineer')}`, 'x-dewpoint-person': other } }).get('/api/cases')).statusCode).toBe(
      401,
    )
  })
})

describe('another site', () => {
  it('writes nothing here, and what it cannot read is not kept on the way', async () => {
    const cookie = `dewpoint=${tokenOf('owner')}`
    const { id } = await opened()
    const payload = { entries: [reading()] }
    const send = (headers: object) => running.bare.inject({ method: 'POST', url: `/api/cases/${id}/entries`, payload, headers: { cookie, ...headers } })
    for (const headers of [
      { origin: 'https://evil.example' },
      { origin: 'null' },
      { origin: 'http://localhost.evil.example' },
      { origin: 'http://localhost:81' },
      { 'sec-fetch-site': 'cross-site' },
      { 'sec-fetch-site': 'same-site' },
    ]) {
      const answer = await send(headers)
      expect([answer.statusCode, answer.json<Problem>().type]).toEqual([403, '/problems/crossSite'])
    }
    const fine = await send({ origin: 'http://localhost:5280', 'sec-fetch-site': 'same-origin', host: 'localhost:5280' })
    expect([fine.statusCode, fine.headers['cache-control']]).toEqual([200, 'no-store'])
  })
})
