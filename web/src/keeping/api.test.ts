import { problemTypes, type ProblemName } from '@dewpoint/contract'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { fetchCase, fetchCases, fetchFirm, fetchPeople, fetchSites, Refused, sendEntries, sendFirm, Unreachable } from './api.ts'

const id = '01934a00-0000-7000-8000-000000000001'
const news = { entries: [], received: {}, position: 0 }
const appended = { ...news, kept: [id], conflicts: [] }
const theCase = { ...news, id, openedAt: '2026-03-01T09:00:00.000Z', site: {}, appliance: {} }

let answer: () => Response | Promise<Response>
let asked: { path: string; init: RequestInit | undefined }[]
beforeEach(() => {
  asked = []
  vi.stubGlobal('fetch', async (path: string, init?: RequestInit) => {
    asked.push({ path, init })
    return answer()
  })
})
afterEach(() => vi.unstubAllGlobals())

const json = (body: unknown, status = 200, headers: Record<string, string> = {}) =>
  new Response(JSON.stringify(body), {
    status,
    headers: { 'content-type': status < 400 ? 'application/json; charset=utf-8' : 'application/problem+json', ...headers },
  })
const problem = (name: ProblemName, more: object = {}, headers: Record<string, string> = {}) => {
  const { status, title } = problemTypes[name]
  return json({ type: `/problems/${name}`, status, title, detail: 'what to do', ...more }, status, headers)
}
const outcome = (call: Promise<unknown>) =>
  call.then(
    () => 'answered',
    (error: unknown) => error,
  )

describe('an answer', () => {
  it('is taken where it has our own form', async () => {
    answer = () => json(theCase)
    expect(await fetchCase(id)).toEqual(theCase)
    answer = () => json(appended)
    expect(await sendEntries(id, [], 3)).toEqual(appended)
    expect(JSON.parse(String(asked[1]!.init!.body))).toEqual({ entries: [], since: 3 })
    answer = () => json({ people: ['Ines Quill'] })
    expect(await fetchPeople()).toEqual({ people: ['Ines Quill'] })
  })

  it.each([
    ['a page of a captive portal', () => new Response('<html>Welcome</html>', { headers: { 'content-type': 'text/html' } })],
    ['success in another form', () => json({ ok: true })],
    ['another case', () => json({ ...theCase, id: id.replace(/1$/, '2') })],
    ['JSON that breaks off', () => new Response('{"id":', { headers: { 'content-type': 'application/json' } })],
    ['nothing', () => new Response(null, { status: 204 })],
    ['a text that calls itself JSON', () => new Response('"ok"', { headers: { 'content-type': 'application/json' } })],
  ])('is not %s, whatever its status says', async (_what, given) => {
    answer = given
    const error = await outcome(fetchCase(id))
    expect(error).toBeInstanceOf(Unreachable)
    expect(error).toMatchObject({ forEverything: true, message: 'Something other than the Dewpoint server answered.' })
  })

  it('that does not come is told', async () => {
    answer = () => Promise.reject(new TypeError('Failed to fetch'))
    expect(await outcome(fetchFirm())).toMatchObject({ message: 'The server does not answer.', forEverything: true, wait: 0 })
  })
})

const last: readonly ProblemName[] = [
  ...(['malformed', 'noCase', 'conflict', 'changed', 'tooLarge', 'journalFull', 'invalid'] as const),
  ...(['notAllowed', 'wrongPassPhrase', 'wrongCode', 'wrongPasskey', 'passkeyNeeded', 'proveAgain', 'noPasskeys', 'tooManyTries'] as const),
]
describe('a refusal', () => {
  it.each(last)('%s is final: the same again gets the same', async (name) => {
    answer = () => problem(name, { fields: [{ field: 'costs', message: 'x' }] })
    const error = await outcome(sendFirm({ costs: { hourlyRate: 1, secondTrip: 1, wrongPart: 1 }, timeZone: 'UTC', revision: 0 }))
    expect(error).toBeInstanceOf(Refused)
    expect(error).toMatchObject({ kind: name, message: 'what to do', problem: { fields: [{ field: 'costs' }] } })
  })

  it.each((Object.keys(problemTypes) as ProblemName[]).filter((name) => !last.includes(name)))('%s passes: it is tried again', async (name) => {
    answer = () => problem(name)
    const error = await outcome(fetchCase(id))
    expect(error).toBeInstanceOf(Unreachable)
    expect((error as Error).message).toBe(`${problemTypes[name].title}.`)
  })

  it('whose status is not its own is nobody’s', async () => {
    answer = () => json({ type: '/problems/invalid', status: 422, title: 'x', detail: 'y' }, 502)
    expect(await outcome(fetchCase(id))).toMatchObject({ message: 'x.', forEverything: true })
    answer = () => json({ type: 'about:blank', status: 422, title: 'x', detail: 'y' }, 422)
    expect(await outcome(fetchCase(id))).toMatchObject({ message: 'Something other than the Dewpoint server answered.' })
  })

  it('with one thing may spare the next; a dead database spares nothing', async () => {
    const all = async (name: ProblemName) => {
      answer = () => problem(name)
      return ((await outcome(fetchCase(id))) as Unreachable).forEverything
    }
    expect([await all('tooSlow'), await all('databaseBusy'), await all('tooMany')]).toEqual([false, false, true])
  })

  it('says when to come back, and no later than in five minutes', async () => {
    const wait = async (after: string) => {
      answer = () => problem('tooMany', {}, { 'retry-after': after })
      return ((await outcome(fetchCase(id))) as Unreachable).wait
    }
    expect([await wait('7'), await wait('86400'), await wait('-3'), await wait('Wed, 21 Oct 2026 07:28:00 GMT')]).toEqual([7000, 300_000, 0, 0])
  })
})

describe('a question', () => {
  it('carries what is searched for as it was typed', async () => {
    answer = () => json({ cases: [], next: null })
    await fetchCases('Käse & Co', 'a_b')
    await fetchCases()
    answer = () => json({ sites: [], next: null })
    await fetchSites('a+b=c')
    const searched = asked.map(({ path }) => new URL(path, 'http://here').searchParams)
    expect(searched.map((one) => [one.get('search'), one.get('after')])).toEqual([
      ['Käse & Co', 'a_b'],
      [null, null],
      ['a+b=c', null],
    ])
  })
})
