import { longestJournal, type AppendResult, type Case, type CaseLine, type CaseList, type News, type Problem } from '@dewpoint/contract'
import { byName, newEntry, upcast, type Entry, type Payload } from '@dewpoint/core/casebook'
import { eq } from 'drizzle-orm'
import { describe, expect, it } from 'vitest'
import { tables } from '../database/index.ts'
import { testApp } from '../testApp.ts'

const { running, id, newCase, reading, get, post, opened } = testApp('cases')
const lineOf = async (caseId: string) => (await get<CaseList>('/api/cases?limit=100')).cases.find((one) => one.id === caseId)

describe('cases', () => {
  it('is listed whole also while an older version’s summary waits to be folded anew', async () => {
    const body = await opened()
    await post(`/api/cases/${body.id}/entries`, { entries: [reading()] })
    const whole = (await lineOf(body.id))!.summary
    const old = { complaints: [], entries: 1, readings: 1, condemned: [], repairs: 0, closed: false, proven: [], lastAt: whole.lastAt }
    await running.database
      .update(tables.cases)
      .set({ summary: old as unknown as typeof whole, foldedTo: null })
      .where(eq(tables.cases.id, body.id))
    expect((await lineOf(body.id))!.summary).toEqual(whole)
  })

  it('is opened, listed and read back with its journal', async () => {
    const body = await opened()
    const entry = reading()
    await post(`/api/cases/${body.id}/entries`, { entries: [entry] })
    const found = await get<Case>(`/api/cases/${body.id}`)
    expect(found.site.name).toBe('Net Loft 3')
    expect(found.entries).toEqual([entry])
    expect(found.position).toBe(1)
    expect(Date.parse(found.received[entry.id]!)).toBeGreaterThan(Date.now() - 60_000)
    expect(await lineOf(body.id)).toMatchObject({ summary: { readings: 1, closed: false }, position: 1 })
  })

  it('tells in the list who goes when, how urgent it is, and how it ended, until it is opened again', async () => {
    const body = await opened()
    const seen: Entry[] = []
    const write = async <T extends 'booking' | 'decision'>(type: T, payload: Payload<T>) => {
      const entry = newEntry(type, payload, { id: id(), now: Date.UTC(2026, 2, 1, 10), author: byName('Office'), seen })
      seen.push(entry)
      await post(`/api/cases/${body.id}/entries`, { entries: [entry] })
      return (await lineOf(body.id))!.summary
    }
    await write('booking', { urgency: 'today', engineer: 'Ines Quill', note: 'side door' })
    expect((await write('booking', { from: '2026-03-01T12:00:00.000Z' })).booking).toEqual({
      ...{ urgency: 'today', engineer: 'Ines Quill', from: '2026-03-01T12:00:00.000Z' },
    })
    expect(await write('decision', { kind: 'closed', reason: 'flue seal leaks', ending: 'unsafe' })).toMatchObject({ closed: true, ending: 'unsafe' })
    expect(await write('decision', { kind: 'reopened', reason: 'seals came' })).toMatchObject({ closed: false, ending: null })
  })

  it('takes the same case twice as one, and says so', async () => {
    const body = await opened()
    expect((await post('/api/cases', body)).statusCode).toBe(200)
    const { cases } = await get<CaseList>('/api/cases?limit=100')
    expect(cases.filter((one) => one.id === body.id)).toHaveLength(1)
  })

  it('sent by ten devices at once is opened once', async () => {
    const body = newCase()
    const answers = await Promise.all(Array.from({ length: 10 }, () => post('/api/cases', body)))
    expect(answers.map((one) => one.statusCode).sort()).toEqual([...Array.from({ length: 9 }, () => 200), 201])
  })

  it.each([
    ['case', (body: ReturnType<typeof newCase>) => ({ ...body, openedAt: '2026-03-01T10:00:00.000Z' })],
    ['case', (body: ReturnType<typeof newCase>) => ({ ...body, settings: { hourlyRate: 70 } })],
    ['site', (body: ReturnType<typeof newCase>) => ({ ...body, id: id(), site: { ...body.site, name: 'Somewhere else' } })],
    ['appliance', (body: ReturnType<typeof newCase>) => ({ ...body, id: id(), appliance: { ...body.appliance, system: 'coil-combi' } })],
    ['appliance', (body: ReturnType<typeof newCase>) => ({ ...body, id: id(), site: { ...body.site, id: id() } })],
  ])('a %s sent again with other content is refused with what is there, and nothing of it is kept', async (what, change) => {
    const body = await opened()
    const sent = change(body)
    const answer = await post('/api/cases', sent)
    expect(answer.statusCode).toBe(409)
    const { present } = answer.json<Problem>()
    expect(Object.keys(present!)).toEqual([what])
    expect(present).toMatchObject(
      what === 'case'
        ? { case: { openedAt: body.openedAt, settings: {} } }
        : what === 'site'
          ? { site: body.site }
          : { appliance: { ...body.appliance, siteId: body.site.id } },
    )
    if (sent.id !== body.id) expect((await running.app.inject(`/api/cases/${sent.id}`)).statusCode).toBe(404)
  })

  it('names the field that is wrong', async () => {
    const answer = await post('/api/cases', { ...newCase(), openedAt: 'yesterday' })
    expect(answer.statusCode).toBe(422)
    expect(answer.headers['content-type']).toContain('application/problem+json')
    expect(answer.json<Problem>().fields?.[0]?.field).toBe('openedAt')
  })

  it.each([
    ['openedAt', { openedAt: '2026-02-30T09:00:00Z' }],
    ['settings', { settings: { colour: 'red' } }],
    ['settings.hourlyRate', { settings: { hourlyRate: -4 } }],
    ['settings', { settings: 7 }],
    ['appliance.installedOn', { appliance: { ...newCase().appliance, installedOn: '2019-02-29' } }],
    ['site.note', { site: { ...newCase().site, note: 'half \ud83d', phone: '' } }],
  ])('refuses %s that cannot be', async (field, change) => {
    const answer = await post('/api/cases', { ...newCase(), ...change })
    expect(answer.statusCode).toBe(422)
    expect(answer.json<Problem>().fields?.map((one) => one.field)).toContain(field)
  })

  it('answers an unknown case, and what cannot be one, with what to do', async () => {
    for (const unknown of [id(), 'x', '%F0%9F%AB%96', "1' or '1'='1"]) {
      const answer = await running.app.inject(`/api/cases/${encodeURIComponent(unknown)}`)
      expect([answer.statusCode, answer.json<Problem>().type]).toEqual([404, '/problems/noCase'])
      expect(answer.json<Problem>().detail).toContain('list of cases')
    }
  })
})

describe('the list of cases', () => {
  it('gives every case once, newest first, however short its stretches', async () => {
    const place = `Chain Street ${id().slice(-4)}`
    // three at one moment: their ids part them
    const days = ['2026-01-03', '2026-01-01', '2026-01-02', '2026-01-02', '2026-01-02', '2026-01-05', '2026-01-04']
    const mine: string[] = []
    for (const day of days) {
      const body = newCase()
      mine.push((await opened({ openedAt: `${day}T09:00:00.000Z`, site: { ...body.site, name: place } })).id)
    }
    const seen: CaseLine[] = []
    let next: string | null = ''
    for (let stretch = 0; next !== null && stretch < 9; stretch++) {
      const answer: CaseList = await get(`/api/cases?limit=2&search=${encodeURIComponent(place)}${next === '' ? '' : `&after=${encodeURIComponent(next)}`}`)
      seen.push(...answer.cases)
      next = answer.next
    }
    expect(next).toBeNull()
    expect(seen.map((one) => one.id).sort()).toEqual(mine.sort())
    expect(seen.map((one) => one.openedAt)).toEqual(
      seen
        .map((one) => one.openedAt)
        .sort()
        .reverse(),
    )
  })

  it('finds by any part of name, address or boiler, and takes signs of patterns as they are', async () => {
    const body = await opened({ site: { id: id(), name: '100% Wharf_side', address: 'Tar\\Lane 7', note: '', phone: '' } })
    const finds = async (words: string) => (await get<CaseList>(`/api/cases?search=${encodeURIComponent(words)}`)).cases.map((one) => one.id)
    for (const words of ['0% wha', 'F_S', 'tar\\l', '  100%  ', 'tår']) expect(await finds(words)).toEqual([body.id])
    for (const words of ['%wharf', 'f%s', 'zzz']) expect(await finds(words)).toEqual([])
    expect(await finds('bination 2')).toContain(body.id)
    // letters of several bytes, whole and in their order
    const far = await opened({ site: { id: id(), name: 'Λιμάνι 灯台', address: 'Straße 4', note: '', phone: '' } })
    for (const words of ['灯', '灯台', 'ΛΙΜΆΝΙ', 'λιμ', 'aße']) expect([words, await finds(words)]).toEqual([words, [far.id]])
    for (const words of ['台灯', '灯灯']) expect(await finds(words)).toEqual([])
  })

  it.each(['limit=0', 'limit=101', 'limit=x', 'after=nowhere', 'search=a&search=b', 'order=name', `search=${'x'.repeat(81)}`, 'search=%00'])(
    'refuses %s',
    async (query) => {
      expect((await running.app.inject(`/api/cases?${query}`)).statusCode).toBe(422)
    },
  )
})

describe('entries', () => {
  it('are idempotent: a repeated append changes nothing, and says each time that they are kept', async () => {
    const { id: caseId } = await opened()
    const entry = reading()
    for (let time = 0; time < 3; time++) {
      const answer = (await post(`/api/cases/${caseId}/entries`, { entries: [entry, entry] })).json<AppendResult>()
      expect([answer.kept, answer.conflicts, answer.position]).toEqual([[entry.id], [], 1])
    }
    expect((await get<Case>(`/api/cases/${caseId}`)).entries).toHaveLength(1)
  })

  it('keep the first content of an id, and show it to whoever sends another', async () => {
    const { id: caseId } = await opened()
    const [entry, other] = [reading('none'), reading('fine')]
    await post(`/api/cases/${caseId}/entries`, { entries: [entry] })
    const answer = await post(`/api/cases/${caseId}/entries`, { entries: [{ ...entry, payload: { check: 'ask.hotWater', outcome: 'fine' } }, other] })
    expect(answer.json<AppendResult>()).toMatchObject({ kept: [other.id], conflicts: [entry] })
    expect((await get<Case>(`/api/cases/${caseId}`)).entries).toEqual([entry, other])
  })

  it('are answered with what is new since the client looked, not with the whole journal', async () => {
    const { id: caseId } = await opened()
    const [first, second, third] = [reading(), reading(), reading()]
    await post(`/api/cases/${caseId}/entries`, { entries: [first] })
    const two = (await post(`/api/cases/${caseId}/entries`, { entries: [second], since: 1 })).json<AppendResult>()
    expect([two.entries, two.position]).toEqual([[second], 2])
    await post(`/api/cases/${caseId}/entries`, { entries: [third], since: 2 })
    expect(await get<News>(`/api/cases/${caseId}/entries?since=1`)).toMatchObject({ entries: [second, third], position: 3 })
    expect(await get<News>(`/api/cases/${caseId}/entries?since=3`)).toEqual({ entries: [], received: {}, position: 3 })
    // a server restored from a backup knows less than the client: it begins anew
    expect((await get<News>(`/api/cases/${caseId}/entries?since=99`)).entries).toHaveLength(3)
  })

  it('of many people writing at once all land, each at a place of its own', async () => {
    const { id: caseId } = await opened()
    const all = Array.from({ length: 24 }, () => reading())
    const answers = await Promise.all(all.map((entry) => post(`/api/cases/${caseId}/entries`, { entries: [entry] })))
    expect(answers.map((one) => one.statusCode)).toEqual(all.map(() => 200))
    expect(answers.map((one) => one.json<AppendResult>().position).sort((a, b) => a - b)).toEqual(all.map((_one, index) => index + 1))
    expect((await get<Case>(`/api/cases/${caseId}`)).entries).toHaveLength(24)
    expect((await lineOf(caseId))?.summary.readings).toBe(24)
  })

  it('beyond what a case can hold are refused, and nothing of that append is kept; what is there stays kept', async () => {
    const { id: caseId } = await opened()
    await running.database
      .update(tables.cases)
      .set({ position: longestJournal - 1 })
      .where(eq(tables.cases.id, caseId))
    const append = (...sent: Entry[]) => post(`/api/cases/${caseId}/entries`, { entries: sent })
    const [last, beyond] = [reading(), reading()]
    const refused = await append(last, beyond)
    expect([refused.statusCode, refused.json<Problem>().type]).toEqual([422, '/problems/journalFull'])
    expect(refused.json<Problem>().detail).toContain('Open another case')
    for (let time = 0; time < 2; time++) expect((await append(last)).json<AppendResult>().kept).toEqual([last.id])
    expect((await append(beyond)).statusCode).toBe(422)
    expect((await get<Case>(`/api/cases/${caseId}`)).entries).toEqual([last])
  })

  it('are read in the order of their clocks, whatever their times', async () => {
    const { id: caseId } = await opened()
    const first = reading('none')
    // a device a day behind that has seen the first
    const late = { ...reading('fine', [first]), at: '2026-02-28T09:00:00.000Z' } as Entry
    await post(`/api/cases/${caseId}/entries`, { entries: [late] })
    await post(`/api/cases/${caseId}/entries`, { entries: [first] })
    expect((await get<Case>(`/api/cases/${caseId}`)).entries).toEqual([first, late])
  })

  it('of an older client are raised when they are read, and are the same when they are sent again', async () => {
    const { id: caseId } = await opened()
    const { clock: _clock, ...old } = { ...reading(), schema: 1 }
    for (let time = 0; time < 2; time++)
      expect((await post(`/api/cases/${caseId}/entries`, { entries: [old] })).json<AppendResult>()).toMatchObject({ kept: [old.id], conflicts: [] })
    expect((await get<Case>(`/api/cases/${caseId}`)).entries).toEqual([upcast(old)])
  })

  it('are refused by name of place and field, and nothing of the batch is kept', async () => {
    const { id: caseId } = await opened()
    const answer = await post(`/api/cases/${caseId}/entries`, { entries: [reading(), { ...reading(), payload: { check: 'look.gaugeCold', value: '1.2' } }] })
    expect(answer.statusCode).toBe(422)
    expect(answer.json<Problem>().fields?.map((one) => one.field)).toContain('entries[1].payload.value')
    expect((await get<Case>(`/api/cases/${caseId}`)).entries).toHaveLength(0)
  })

  it('carry any letters, also in words of the customer', async () => {
    const { id: caseId } = await opened()
    const entry: Entry = { ...reading(), type: 'complaint', payload: { what: 'noHotWater', words: 'Käse, 25 °C, kΩ, “tap” 🫖' } } as Entry
    await post(`/api/cases/${caseId}/entries`, { entries: [entry] })
    expect((await get<Case>(`/api/cases/${caseId}`)).entries).toEqual([entry])
  })

  it('of an unknown case, an empty list, too many, or no JSON are refused', async () => {
    expect((await post(`/api/cases/${id()}/entries`, { entries: [reading()] })).json<Problem>().type).toBe('/problems/noCase')
    const { id: caseId } = await opened()
    const many = Array.from({ length: 101 }, () => reading())
    for (const body of [
      { entries: [] },
      { entries: many },
      { entries: 'x' },
      {},
      [],
      null,
      { entries: [reading()], since: -1 },
      { entries: [reading()], colour: 1 },
    ])
      expect((await post(`/api/cases/${caseId}/entries`, body ?? 'null', { headers: { 'content-type': 'application/json' } })).statusCode).toBe(422)
    const broken = await running.app.inject({ method: 'POST', url: '/api/cases', payload: '{', headers: { 'content-type': 'application/json' } })
    expect([broken.statusCode, broken.json<Problem>().type]).toEqual([400, '/problems/malformed'])
    const form = await running.app.inject({
      method: 'POST',
      url: '/api/cases',
      payload: 'a=1',
      headers: { 'content-type': 'application/x-www-form-urlencoded' },
    })
    expect([form.statusCode, form.json<Problem>().type]).toEqual([415, '/problems/unsupported'])
  })

  it('too large for a route are refused before they are read', async () => {
    const { id: caseId } = await opened()
    const large = { entries: [{ ...reading(), payload: { check: 'ask.hotWater', outcome: 'none', note: 'x'.repeat(600_000) } }] }
    const answer = await post(`/api/cases/${caseId}/entries`, large)
    expect([answer.statusCode, answer.json<Problem>().type]).toEqual([413, '/problems/tooLarge'])
    expect((await post('/api/cases', { ...newCase(), filling: 'x'.repeat(20_000) })).statusCode).toBe(413)
  })
})
