// @vitest-environment happy-dom
import 'fake-indexeddb/auto'
import { byName, newEntry, standing, type Entry } from '@dewpoint/core/casebook'
import { IDBFactory } from 'fake-indexeddb'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type * as deviceModule from '../keeping/device/device.ts'
import type * as outboxModule from '../keeping/outbox/outbox.ts'
import type * as storeModule from './caseStore.ts'
import { problem, testId, testOpening, testReading, testServer } from '../keeping/tests/testServer.ts'
import { soon } from '../shared/tests/soon.ts'

const diagnose = vi.fn<(system: string, controls: string, entries: Entry[]) => Promise<unknown>>()
const suspects = vi.fn<() => Promise<unknown>>()
vi.mock('../workers/reasoning.ts', () => ({
  reasoning: { diagnose: (system: string, controls: string, entries: Entry[]) => diagnose(system, controls, entries), suspects: () => suspects() },
}))

type Store = ReturnType<typeof storeModule.useCase>
let server: ReturnType<typeof testServer>
let store: Store
let outbox: ReturnType<typeof outboxModule.useOutbox>
let device: typeof deviceModule

async function reloadPage(): Promise<void> {
  vi.resetModules()
  setActivePinia(createPinia())
  device = await import('../keeping/device/device.ts')
  outbox = (await import('../keeping/outbox/outbox.ts')).useOutbox()
  store = (await import('./caseStore.ts')).useCase()
}

beforeEach(async () => {
  vi.stubGlobal('indexedDB', new IDBFactory())
  vi.stubGlobal('BroadcastChannel', undefined)
  localStorage.clear()
  localStorage.setItem('dewpoint.me', JSON.stringify({ ...byName('Ines Quill'), role: 'engineer' }))
  diagnose.mockReset().mockResolvedValue({ suspects: [] })
  suspects.mockReset().mockResolvedValue(null)
  server = testServer()
  vi.stubGlobal('fetch', server.fetch)
  await reloadPage()
})
afterEach(() => {
  vi.unstubAllGlobals()
  vi.useRealTimers()
})

/** A case on the server with some entries. */
function onServer(...entries: Entry[]): string {
  const body = testOpening()
  server.opened.set(body.id, body)
  server.journals.set(body.id, entries)
  return body.id
}
const off = () => server.answersInstead(() => () => Promise.reject(new TypeError('Failed to fetch')))
const words = () => store.live.map((one) => (one.type === 'reading' ? one.payload.outcome : one.type))

/** Holds an answer of the server back until it is let go. */
function holding(matches: (path: string) => boolean) {
  let letGo: () => void = () => undefined
  const held = new Promise<void>((done) => (letGo = done))
  let inside = false
  server.answersInstead((path, body) => {
    if (inside || !matches(path)) return undefined
    return async () => {
      await held
      inside = true
      const answer = await server.fetch(path, body === undefined ? {} : { method: 'POST', body: JSON.stringify(body) })
      inside = false
      return answer
    }
  })
  return letGo
}

describe('a case that is left before it has loaded', () => {
  it('does not appear over the one opened instead, nor does its trouble', async () => {
    const [slow, quick] = [onServer(testReading('none')), onServer(testReading('fine'))]
    const letGo = holding((path) => path === `/api/cases/${slow}`)
    const first = store.open(slow)
    await soon(() => expect(server.asked.some((one) => one.path === `/api/cases/${slow}`)).toBe(true))
    await store.open(quick)
    letGo()
    await first
    expect([store.current?.id, words(), store.trouble]).toEqual([quick, ['fine'], null])
  })

  it('with an error says nothing about the next', async () => {
    const quick = onServer(testReading('fine'))
    const gone = testId()
    const letGo = holding((path) => path === `/api/cases/${gone}`)
    const first = store.open(gone)
    await soon(() => expect(server.asked.some((one) => one.path === `/api/cases/${gone}`)).toBe(true))
    await store.open(quick)
    letGo()
    await first
    expect([store.current?.id, store.trouble]).toEqual([quick, null])
  })

  it('there and back quickly shows the last one asked for', async () => {
    const [a, b] = [onServer(testReading('none')), onServer(testReading('fine'))]
    await Promise.all([store.open(a), store.open(b), store.open(a)])
    expect([store.current?.id, words()]).toEqual([a, ['none']])
  })

  it('does not teach the next one its past', async () => {
    const [slow, quick] = [onServer(), onServer()]
    const letGo = holding((path) => path === `/api/cases/${slow}/past`)
    const askedOf = (id: string) => server.asked.filter((one) => one.path === `/api/cases/${id}/past`).length
    await store.open(slow)
    await soon(() => expect(askedOf(slow)).toBe(1))
    await store.open(quick)
    await soon(() => expect(store.past).not.toBeNull())
    const known = store.past
    letGo()
    // asked for a second time from within: the answer is on its way
    await soon(() => expect(askedOf(slow)).toBe(2))
    await new Promise((done) => setTimeout(done))
    expect(store.past).toBe(known)
  })

  it('leaves no diagnosis under way behind', async () => {
    const [a, b] = [onServer(testReading('none')), onServer(testReading('fine'))]
    let answerA: (result: unknown) => void = () => undefined
    diagnose.mockImplementationOnce(() => new Promise((done) => (answerA = done)))
    await store.open(a)
    await soon(() => expect(diagnose).toHaveBeenCalledTimes(1))
    diagnose.mockImplementation(() => new Promise(() => undefined))
    await store.open(b)
    answerA({ suspects: [{ key: 'of the other case', probability: 1 }] })
    await new Promise((done) => setTimeout(done))
    expect(store.diagnosis).toBeNull()
  })
})

describe('the suspects', () => {
  const told = (key: string) => ({ suspects: [{ key, probability: 1 }], several: null })

  it('move before everything else about an entry is worked out, with what they were before it', async () => {
    diagnose.mockResolvedValue(told('before'))
    await store.open(onServer(testReading('none')))
    await soon(() => expect(store.workedOut).toBe(true))
    suspects.mockResolvedValue(told('at once'))
    let whole: (result: unknown) => void = () => undefined
    diagnose.mockImplementation(() => new Promise((done) => (whole = done)))
    await store.write('reading', { check: 'ask.heating', outcome: 'cold' })
    await soon(() => expect(store.strip).toMatchObject({ suspects: [{ key: 'at once' }], current: true }))
    expect([store.workedOut, store.diagnosis?.suspects[0]?.key, store.before]).toEqual([false, 'before', { before: 1 }])
    whole(told('in full'))
    await soon(() => expect(store.strip).toMatchObject({ suspects: [{ key: 'in full' }], current: true }))
    expect(store.before).toEqual({ before: 1 })
  })

  it('of an entry that is no longer the latest are not shown as if they were', async () => {
    diagnose.mockResolvedValue(told('before'))
    await store.open(onServer(testReading('none')))
    await soon(() => expect(store.workedOut).toBe(true))
    diagnose.mockImplementation(() => new Promise(() => undefined))
    let late: (result: unknown) => void = () => undefined
    suspects.mockImplementationOnce(() => new Promise((done) => (late = done)))
    await store.write('reading', { check: 'ask.heating', outcome: 'cold' })
    await store.write('reading', { check: 'ask.heating', outcome: 'fine' })
    late(told('late'))
    await new Promise((done) => setTimeout(done))
    expect(store.strip).toMatchObject({ suspects: [{ key: 'before' }], current: false })
  })

  it('that cannot be told first are told with everything else', async () => {
    suspects.mockRejectedValue(new Error('broke off'))
    diagnose.mockResolvedValue(told('in full'))
    await store.open(onServer(testReading('none')))
    await soon(() => expect(store.strip).toMatchObject({ suspects: [{ key: 'in full' }], current: true }))
    expect(store.thoughtTrouble).toBeNull()
  })
})

describe('entries', () => {
  it('written while the server is away are there after a reload, marked, and sent later', async () => {
    const id = onServer(testReading('none'))
    await store.open(id)
    off()
    await store.write('reading', { check: 'ask.heating', outcome: 'cold' })
    const mine = store.entries.at(-1)!
    await soon(() => expect(outbox.standingOf(mine.id)).toBe('waiting'))
    await reloadPage()
    await store.open(id)
    expect(words()).toEqual(['none', 'cold'])
    expect(outbox.standingOf(mine.id)).toBe('waiting')
    server.works()
    await outbox.flush()
    expect([server.journals.get(id)?.length, outbox.standingOf(mine.id)]).toEqual([2, null])
  })

  it('that this device holds and the server lost are sent again when the case is read', async () => {
    const [first, second] = [testReading('none'), testReading('fine')]
    const id = onServer(first, second)
    await store.open(id)
    // restored from a backup of before
    server.journals.set(id, [first])
    await reloadPage()
    await store.open(id)
    await soon(() => expect(server.journals.get(id)?.map((one) => one.id)).toEqual([first.id, second.id]))
    expect(words()).toEqual(['none', 'fine'])
  })

  it('sort after what was seen, also on a device whose clock is a day behind, and say when that time cannot be true', async () => {
    const seen = newEntry('advice', { what: 'x', answer: 'given' }, { id: testId(), now: Date.UTC(2026, 2, 2, 9), author: byName('Bo Larkspur'), seen: [] })
    const later = newEntry(
      'advice',
      { what: 'y', answer: 'given' },
      { id: testId(), now: Date.UTC(2026, 2, 2, 9, 2), author: byName('Bo Larkspur'), seen: [seen] },
    )
    const id = onServer(seen, later)
    vi.useFakeTimers({ toFake: ['Date'], now: Date.UTC(2026, 2, 1, 9) })
    await store.open(id)
    await store.write('reading', { check: 'ask.heating', outcome: 'cold' })
    const mine = store.entries.at(-1)!
    expect([mine.type, mine.at]).toEqual(['reading', '2026-03-01T09:00:00.000Z'])
    expect(mine.clock > later.clock).toBe(true)
    expect([...store.untrue]).toEqual([[mine.id, 'behind']])
  })

  it('undo takes back the writer’s own on this device, never a colleague’s, not even of the same name elsewhere', async () => {
    const { writer } = await import('../keeping/who.ts')
    const colleague = testReading('none')
    const elsewhere = newEntry(
      'reading',
      { check: 'ask.heating', outcome: 'fine' },
      { id: testId(), now: Date.UTC(2027, 1, 1), author: writer(), device: testId(), seen: [colleague] },
    )
    const id = onServer(colleague, elsewhere)
    await store.open(id)
    expect(store.undoable).toBeUndefined()
    await store.retract()
    expect(words()).toEqual(['none', 'fine'])
    await store.write('reading', { check: 'ask.heating', outcome: 'cold' })
    await store.retract()
    expect(words()).toEqual(['none', 'fine'])
    await store.retract()
    expect(standing(store.entries).map((one) => one.id)).toEqual([colleague.id, elsewhere.id])
  })

  it('of a colleague come with the answer to an append, and with the next look', async () => {
    const id = onServer(testReading('none'))
    await store.open(id)
    server.journals.get(id)!.push(testReading('fine'))
    await store.write('reading', { check: 'ask.heating', outcome: 'cold' })
    await soon(() => expect(words().sort()).toEqual(['cold', 'fine', 'none']))
    server.journals.get(id)!.push(testReading('lukewarm'))
    await store.refresh()
    expect(words()).toContain('lukewarm')
    // only what is new was asked for
    expect(server.asked.at(-1)!.path).toBe(`/api/cases/${id}/entries?since=3`)
  })

  it('that wait are sent as soon as the server answers a look for news', async () => {
    const id = onServer(testReading('none'))
    await store.open(id)
    server.answersInstead((path) => (path.endsWith('/entries') ? problem('databaseAway', 'x') : undefined))
    await store.write('reading', { check: 'ask.heating', outcome: 'cold' })
    for (let time = 0; time < 6; time++) await outbox.flush()
    expect(outbox.waiting).toBe(1)
    server.works()
    // the next try by itself is fifteen seconds away
    await store.refresh()
    await soon(() => expect(server.journals.get(id)).toHaveLength(2))
  })

  it('of a colleague leave the check that was chosen, one’s own answer puts it away', async () => {
    const id = onServer(testReading('none'))
    await store.open(id)
    store.choose('ask.heating')
    // what wanted it is written in the same breath: it stays chosen
    await store.write('decision', { kind: 'checkNotPossible', check: 'gauge.cold', reason: 'No gauge to be seen.' })
    expect(store.picked).toBe('ask.heating')
    server.journals.get(id)!.push(testReading('fine'))
    await store.refresh()
    expect([words().includes('fine'), store.picked]).toEqual([true, 'ask.heating'])
    await store.write('reading', { check: 'ask.heating', outcome: 'cold' })
    expect(store.picked).toBeNull()
  })

  it('discarded or corrected elsewhere on the page change in the journal shown', async () => {
    const id = onServer()
    await store.open(id)
    server.answersInstead((path, body) => (path.endsWith('/entries') && body ? () => problem('invalid', 'x') : undefined))
    await store.write('reading', { check: 'ask.heating', outcome: 'cold' })
    await soon(() => expect(outbox.notAccepted).toHaveLength(1))
    const [item] = outbox.notAccepted
    if (item?.kind !== 'entry') throw new Error('an entry was refused')
    server.works()
    await outbox.mend(item, { ...item.entry, payload: { check: 'ask.heating', outcome: 'fine' } } as Entry)
    await outbox.flush()
    expect(words()).toEqual(['fine'])
    server.answersInstead((path, body) => (path.endsWith('/entries') && body ? () => problem('invalid', 'x') : undefined))
    await store.write('reading', { check: 'ask.heating', outcome: 'tepid' })
    await soon(() => expect(outbox.notAccepted).toHaveLength(1))
    await outbox.discard(outbox.notAccepted[0]!)
    expect(words()).toEqual(['fine'])
  })
})

describe('a case just taken here', () => {
  it('has its past asked for once the server has it, not before', async () => {
    const letGo = holding((path) => path === '/api/cases')
    const body = testOpening()
    await outbox.add([{ kind: 'open', caseId: body.id, body }])
    const opened = store.open(body.id)
    await soon(() => expect(store.current?.id).toBe(body.id))
    const past = `/api/cases/${body.id}/past`
    expect(server.asked.map((one) => one.path)).not.toContain(past)
    letGo()
    await opened
    await soon(() => expect(store.past).not.toBeNull())
    expect(server.asked.filter((one) => one.path === past)).toHaveLength(1)
  })
})

describe('a case whose opening the server refused', () => {
  it('is gone from screen and device when it is discarded, with everything written in it', async () => {
    const body = testOpening()
    server.answersInstead((path, sent) => (path === '/api/cases' && sent ? () => problem('invalid', 'x') : undefined))
    await device.mergeCase({ ...body, appliance: { ...body.appliance, siteId: body.site.id }, entries: [], received: {}, position: 0 })
    await outbox.add([{ kind: 'open', caseId: body.id, body }])
    await store.open(body.id)
    await store.write('reading', { check: 'ask.heating', outcome: 'cold' })
    await soon(() => expect(outbox.notAccepted).toHaveLength(1))
    await outbox.discard(outbox.notAccepted[0]!)
    expect([store.current, store.trouble, outbox.items]).toEqual([null, expect.stringContaining('discarded'), []])
    expect(await device.keptCase(body.id)).toBeUndefined()
  })
})

describe('without the server', () => {
  it('a case kept here opens; one that is not says what to do', async () => {
    const id = onServer(testReading('none'))
    await store.open(id)
    await soon(async () => expect((await device.keptCase(id))?.entries).toHaveLength(1))
    off()
    await reloadPage()
    await store.open(id)
    expect([store.current?.site.name, words(), store.trouble]).toEqual(['Net Loft 3', ['none'], null])
    await store.open(testId())
    expect([store.current, store.trouble]).toEqual([null, expect.stringContaining('not kept on this device')])
  })

  it('and without room on the device a new call is worked from memory', async () => {
    vi.stubGlobal('indexedDB', {
      open: () => {
        throw Object.assign(new Error('denied'), { name: 'SecurityError' })
      },
    })
    off()
    await reloadPage()
    const body = testOpening()
    await outbox.add([
      { kind: 'open', caseId: body.id, body },
      { kind: 'entry', caseId: body.id, entry: testReading('none') },
    ])
    await store.open(body.id)
    expect([store.current?.site.name, words(), outbox.standingOf(body.id)]).toEqual(['Net Loft 3', ['none'], 'unsaved'])
  })

  it('a case kept by an older version opens, its entries raised by order of their times', async () => {
    const { clock: _clock, ...old } = testReading('none')
    const body = testOpening()
    await new Promise<void>((done, fail) => {
      const request = indexedDB.open('dewpoint', 1)
      request.onupgradeneeded = () => {
        request.result
          .createObjectStore('cases', { keyPath: 'id' })
          .put({ ...body, appliance: { ...body.appliance, siteId: body.site.id }, entries: [{ ...old, schema: 1 }] })
        request.result
          .createObjectStore('unsent', { keyPath: 'sequence', autoIncrement: true })
          .put({ kind: 'entry', caseId: body.id, entry: { ...testReading('fine'), schema: 1 } })
      }
      request.onsuccess = () => done(request.result.close())
      request.onerror = () => fail(new Error('no store'))
    })
    off()
    await reloadPage()
    await store.open(body.id)
    expect(words()).toEqual(['none', 'fine'])
    expect(outbox.waiting).toBe(1)
  })
})
