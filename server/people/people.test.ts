import { spawnSync } from 'node:child_process'
import type { AuditList, CodeGiven, Members, Problem, Session } from '@dewpoint/contract'
import { byName, newEntry } from '@dewpoint/core/casebook'
import { describe, expect, it } from 'vitest'
import { testApp } from '../testApp.ts'

const { running, as, get, id, opened, post } = testApp('people')
const add = async (body: object) => (await as('owner').post('/api/people', body)).json<CodeGiven>()
const named = async (name: string) => (await get<Members>('/api/people')).people.find((one) => one.name === name)

describe('the people of the firm', () => {
  it('are told to the owner in full, to others by name and role', async () => {
    await add({ name: 'Ada Hook', role: 'engineer' })
    const full = await named('Ada Hook')
    expect(full).toEqual({ id: expect.any(String) as string, name: 'Ada Hook', role: 'engineer', signsIn: false, left: false, seenAt: null })
    const others = (await as('engineer').get('/api/people')).json<Members>()
    expect(others.people.every((one) => one.seenAt === null && !one.signsIn)).toBe(true)
    expect(others.people.map((one) => one.name)).toContain('Ada Hook')
  })

  it('who wrote before people signed in keep what they wrote, if they are the same', async () => {
    const { id: caseId } = await opened()
    const entries = ['Wren Tallow', 'Old Hand', 'Wren Tallow'].map((name, at) =>
      newEntry('finding', { what: `Seen ${at}` }, { id: id(), now: Date.UTC(2026, 2, 1, 9, at), author: byName(name), seen: [] }),
    )
    expect((await post(`/api/cases/${caseId}/entries`, { entries })).statusCode).toBe(200)
    const { byNameOnly } = await get<Members>('/api/people')
    expect(byNameOnly).toEqual([
      { name: 'Old Hand', entries: 1 },
      { name: 'Wren Tallow', entries: 2 },
    ])
    expect((await add({ name: 'Wren Tallow', role: 'engineer', same: true })).person.id).toBe(byName('Wren Tallow').id)
    expect((await add({ name: 'Old Hand', role: 'engineer', same: false })).person.id).not.toBe(byName('Old Hand').id)
    // from now on nobody else writes as the one who signs in
    const later = newEntry('finding', { what: 'Seen later' }, { id: id(), now: Date.UTC(2026, 2, 1, 10), author: byName('Wren Tallow'), seen: [] })
    const refused = await post(`/api/cases/${caseId}/entries`, { entries: [later] })
    expect([refused.statusCode, refused.json<Problem>().type, refused.json<Problem>().fields?.[0]?.field]).toEqual([
      403,
      '/problems/notYours',
      'entries[0].author',
    ])
  })

  it('are told apart by their names', async () => {
    await add({ name: 'Tess Bow', role: 'office' })
    for (const name of ['Tess Bow', 'tess bow'])
      expect((await as('owner').post('/api/people', { name, role: 'engineer' })).json<Problem>().type).toBe('/problems/conflict')
    const { person } = await add({ name: 'Tess Bow the younger', role: 'office' })
    expect((await as('owner').post(`/api/people/${person.id}`, { name: 'Tess Bow' })).statusCode).toBe(409)
    expect((await as('owner').post(`/api/people/${person.id}`, { name: 'Tess Bow the younger', role: 'learner' })).statusCode).toBe(200)
    expect((await named('Tess Bow the younger'))?.role).toBe('learner')
  })

  it('always have an owner who can sign in', async () => {
    const owner = await named('Engineer')
    for (const change of [{ role: 'engineer' }, { left: true }]) {
      const answer = await as('owner').post(`/api/people/${owner!.id}`, change)
      expect([answer.statusCode, answer.json<Problem>().detail]).toEqual([422, expect.stringContaining('Somebody has to be the owner')])
    }
  })

  it('who have left sign in no more, at once, and come back', async () => {
    const learner = await named('Test learner')
    await as('owner').post(`/api/people/${learner!.id}`, { left: true })
    expect((await as('learner').get('/api/firm')).statusCode).toBe(401)
    expect((await as('owner').post(`/api/people/${learner!.id}/code`)).statusCode).toBe(404)
    await as('owner').post(`/api/people/${learner!.id}`, { left: false })
    expect((await as('owner').post(`/api/people/${learner!.id}/code`)).statusCode).toBe(200)
  })

  it('cannot be what nobody is', async () => {
    for (const [body, field] of [
      [{ name: 'X', role: 'engineer' }, 'name'],
      [{ name: 'Some Body', role: 'admin' }, 'role'],
      [{ role: 'engineer' }, 'name'],
      [{ name: 'x'.repeat(121), role: 'engineer' }, 'name'],
    ] as const) {
      const answer = await as('owner').post('/api/people', body)
      expect([answer.statusCode, answer.json<Problem>().fields?.map((one) => one.field)]).toEqual([422, [field]])
    }
    for (const other of ['x', '%00', '01934a00-0000-7000-8000-ffffffffffff'])
      expect((await as('owner').post(`/api/people/${other}`, { role: 'office' })).statusCode).toBe(404)
  })
})

describe('the author of an entry', () => {
  it('is signed in on the device it comes from: nobody writes as somebody else', async () => {
    const { id: caseId } = await opened()
    const write = (author: { id: string; name: string }) => newEntry('finding', { what: 'x' }, { id: id(), now: Date.UTC(2026, 2, 1, 9), author, seen: [] })
    const engineer = byName('Test engineer')
    const send = (role: 'engineer' | 'office', author: { id: string; name: string }) =>
      as(role).post(`/api/cases/${caseId}/entries`, { entries: [write(author)] })
    expect((await send('engineer', engineer)).statusCode).toBe(200)
    for (const [role, author] of [
      ['office', engineer],
      ['engineer', { ...engineer, name: 'Test office' }],
      ['engineer', { id: '01934a00-0000-7000-8000-0000000000ff', name: 'Nobody' }],
      ['engineer', { id: engineer.id, name: 'Nobody' }],
    ] as const)
      expect((await send(role, author)).json<Problem>().type).toBe('/problems/notYours')
    // under a name of before it still is: it was written without signal
    await as('owner').post(`/api/people/${engineer.id}`, { name: 'Test Engineer Married' })
    expect((await send('engineer', engineer)).statusCode).toBe(200)
    expect((await send('engineer', { ...engineer, name: 'Test Engineer Married' })).statusCode).toBe(200)
  })
})

describe('a code at the machine itself', () => {
  const command = (...args: string[]) => {
    const { status, stdout, stderr } = spawnSync(process.execPath, ['server/dist/code.js', ...args], {
      env: { ...process.env, DATABASE_URL: running.url },
      encoding: 'utf8',
    })
    return { status, said: stdout + stderr }
  }

  it('lets an owner in again whom nobody else can give one, and is told in the record', async () => {
    const owner = await add({ name: 'Greta Sallow', role: 'owner' })
    const { status, said } = command('greta sallow')
    expect([status, said]).toEqual([0, expect.stringContaining('Code for Greta Sallow')])
    const code = /([A-Z2-9]{4}-){3}[A-Z2-9]{4}/.exec(said)![0]
    const use = (typed: string) =>
      running.bare.inject({ method: 'POST', url: '/api/session/code', payload: { code: typed, passPhrase: 'copper kettle harbour lantern', label: 'Van' } })
    // the one of before is worth nothing any more
    expect((await use(owner.code)).statusCode).toBe(403)
    expect((await use(code)).json<Session>().person).toMatchObject({ name: 'Greta Sallow', role: 'owner' })
    expect((await use(code)).statusCode).toBe(403)
    const { lines } = await get<AuditList>('/api/audit')
    expect(lines).toContainEqual(expect.objectContaining({ kind: 'people', person: null, about: 'Greta Sallow: new code' }))
  })

  it('is for somebody of the firm, by name', () => {
    expect(command()).toEqual({ status: 2, said: expect.stringMatching(/Say for whom.*In the firm are .*Greta Sallow/) as string })
    expect(command('Nobody Here')).toEqual({ status: 2, said: expect.stringContaining('Nobody in the firm is called “Nobody Here”') as string })
  })
})
