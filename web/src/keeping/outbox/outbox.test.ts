// @vitest-environment happy-dom
import 'fake-indexeddb/auto'
import { IDBFactory } from 'fake-indexeddb'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type * as deviceModule from '../device/device.ts'
import type * as outboxModule from './outbox.ts'
import { problem, testId, testOpening, testReading, testServer } from '../tests/testServer.ts'
import { soon } from '../../shared/tests/soon.ts'

type Outbox = ReturnType<typeof outboxModule.useOutbox>
type Device = typeof deviceModule
let server: ReturnType<typeof testServer>
let outbox: Outbox
let device: Device

/** The application as after a reload of the page: nothing in memory, the disk as it was. */
async function reloadPage(): Promise<void> {
  vi.resetModules()
  setActivePinia(createPinia())
  device = await import('../device/device.ts')
  outbox = (await import('./outbox.ts')).useOutbox()
  await outbox.reload()
}

beforeEach(async () => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'], shouldAdvanceTime: true })
  vi.stubGlobal('indexedDB', new IDBFactory())
  localStorage.clear()
  // one page: what others of the device do has tests of its own
  vi.stubGlobal('BroadcastChannel', undefined)
  server = testServer()
  vi.stubGlobal('fetch', server.fetch)
  await reloadPage()
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
})

/** A case the server has, with the outbox empty. */
async function openedCase(): Promise<string> {
  const body = testOpening()
  server.opened.set(body.id, body)
  server.journals.set(body.id, [])
  return body.id
}
const entryOf = (caseId: string, entry = testReading()) => ({ kind: 'entry' as const, caseId, entry })
const html = () => new Response('<html>Welcome to Harbour Wifi</html>', { status: 200, headers: { 'content-type': 'text/html' } })
const onDisk = async () => (await device.listUnsent()).length

describe('what leaves the outbox', () => {
  it('leaves when the server says that it keeps it', async () => {
    const id = await openedCase()
    await outbox.add([entryOf(id)])
    await outbox.flush()
    expect([outbox.waiting, await onDisk(), server.journals.get(id)?.length]).toEqual([0, 0, 1])
  })

  it.each<[string, () => Response | Promise<Response>]>([
    ['no network', () => Promise.reject(new TypeError('Failed to fetch'))],
    ['500', () => problem('internal', 'x')],
    ['503', () => problem('databaseAway', 'x')],
    ['429', () => problem('tooMany', 'x')],
    ['408', () => new Response('', { status: 408 })],
    [
      '401',
      () =>
        new Response(JSON.stringify({ type: '/problems/signedOut', title: 'x', status: 401, detail: 'x' }), {
          status: 401,
          headers: { 'content-type': 'application/problem+json' },
        }),
    ],
    ['403', () => new Response('', { status: 403 })],
    ['504 of a proxy', () => new Response('<h1>Gateway timeout</h1>', { status: 504, headers: { 'content-type': 'text/html' } })],
    ['a captive portal', html],
    ['a captive portal that says JSON', () => new Response('{"ok":true}', { status: 200, headers: { 'content-type': 'application/json' } })],
    ['JSON that breaks off', () => new Response('{"kept":["', { status: 200, headers: { 'content-type': 'application/json' } })],
    ['a 404 of somebody else', () => new Response('{"error":"not found"}', { status: 404, headers: { 'content-type': 'application/json' } })],
    ['a 422 of somebody else', () => new Response('no', { status: 422 })],
    ['a route another version does not have', () => problem('notFound', 'x')],
    ['an answer that keeps something else', () => server.json({ kept: [testId()], conflicts: [], entries: [], received: {}, position: 1 })],
    ['an answer that keeps nothing', () => server.json({ kept: [], conflicts: [], entries: [], received: {}, position: 1 })],
    ['an answer without a list of what is kept', () => server.json({ conflicts: [], entries: [], received: {}, position: 1 })],
  ])('stays on %s, through a reload, and goes when the server is back', async (_name, answer) => {
    const id = await openedCase()
    server.answersInstead((path) => (path.includes('/entries') ? answer : undefined))
    await outbox.add([entryOf(id)])
    await outbox.flush()
    expect([outbox.waiting, outbox.notAccepted.length, outbox.away, await onDisk()]).toEqual([1, 0, true, 1])
    await reloadPage()
    expect(outbox.waiting).toBe(1)
    server.works()
    await outbox.flush()
    expect([outbox.waiting, outbox.away, await onDisk(), server.journals.get(id)?.length]).toEqual([0, false, 0, 1])
  })

  it('is tried again by itself, after growing pauses, and not before the server asked', async () => {
    const id = await openedCase()
    server.answersInstead(() => () => problem('databaseAway', 'x'))
    await outbox.add([entryOf(id)])
    await outbox.flush()
    const pauses: number[] = []
    for (let time = 0; time < 4; time++) {
      const before = server.asked.length
      let waited = 0
      while (server.asked.length === before && waited < 120_000) {
        await vi.advanceTimersByTimeAsync(500)
        waited += 500
      }
      await soon(() => expect(outbox.away).toBe(true))
      await outbox.reload()
      pauses.push(waited)
    }
    expect(pauses[3]!).toBeGreaterThan(pauses[0]! * 3)
    server.answersInstead(() => () => new Response('', { status: 503, headers: { 'retry-after': '100', 'content-type': 'text/plain' } }))
    await outbox.flush()
    const before = server.asked.length
    await vi.advanceTimersByTimeAsync(90_000)
    expect(server.asked.length).toBe(before)
    server.works()
    await vi.advanceTimersByTimeAsync(11_000)
    await soon(() => expect(outbox.waiting).toBe(0))
  })

  it('does not wait for its pause when somebody looks at the page again, unless the server asked for more time', async () => {
    const id = await openedCase()
    const looked = () => document.dispatchEvent(new Event('visibilitychange'))
    server.answersInstead(() => () => new Response('', { status: 503, headers: { 'retry-after': '100', 'content-type': 'text/plain' } }))
    await outbox.add([entryOf(id)])
    await outbox.flush()
    const before = server.asked.length
    looked()
    await vi.advanceTimersByTimeAsync(500)
    expect(server.asked.length).toBe(before)
    server.answersInstead(() => () => problem('databaseAway', 'x'))
    for (let time = 0; time < 6; time++) await outbox.flush()
    server.works()
    looked()
    // the next try by itself is fifteen seconds away
    await soon(() => expect(outbox.waiting).toBe(0))
  })

  it('goes in batches, the opening of a case before its entries', async () => {
    const body = testOpening()
    server.answersInstead(() => () => Promise.reject(new TypeError('off')))
    await outbox.add([{ kind: 'open', caseId: body.id, body }, entryOf(body.id)])
    for (let time = 0; time < 120; time++) await outbox.add([entryOf(body.id)])
    server.works()
    server.asked.length = 0
    await outbox.flush()
    expect(server.asked.map(({ path, body: sent }) => [path, (sent as { entries?: unknown[] }).entries?.length])).toEqual([
      ['/api/cases', undefined],
      [`/api/cases/${body.id}/entries`, 100],
      [`/api/cases/${body.id}/entries`, 21],
    ])
    expect(server.journals.get(body.id)).toHaveLength(121)
  })

  it('written while others are on their way goes with the same round', async () => {
    const id = await openedCase()
    let release: () => void = () => undefined
    const held = new Promise<void>((done) => (release = done))
    let first = true
    server.answersInstead(() => {
      if (!first) return undefined
      first = false
      return () => held.then(() => Promise.reject(new TypeError('broke off')))
    })
    await outbox.add([entryOf(id)])
    const round = outbox.flush()
    await soon(() => expect(server.asked.length).toBe(1))
    await outbox.add([entryOf(id)])
    release()
    await round
    await soon(() => expect(server.journals.get(id)).toHaveLength(2))
    expect(outbox.waiting).toBe(0)
  })
})

describe('what the server will not take', () => {
  const tooLong = (path: string, body: unknown) => {
    const entries = (body as { entries?: { payload: { note?: string } }[] } | undefined)?.entries
    const index = entries?.findIndex((one) => one.payload.note === 'bad') ?? -1
    return path.includes('/entries') && index >= 0
      ? () => problem('invalid', 'Correct the fields named.', { fields: [{ field: `entries[${index}].payload.note`, message: 'payload.note is no good' }] })
      : undefined
  }
  const bad = (caseId: string) => {
    const entry = testReading()
    return entryOf(caseId, { ...entry, payload: { ...entry.payload, note: 'bad' } } as typeof entry)
  }

  it('is kept apart with why, through a reload, and holds nothing else up', async () => {
    const id = await openedCase()
    server.answersInstead(tooLong)
    await outbox.add([entryOf(id), bad(id), entryOf(id)])
    await outbox.flush()
    expect([outbox.waiting, server.journals.get(id)?.length]).toEqual([0, 2])
    await reloadPage()
    expect(outbox.notAccepted).toMatchObject([
      { state: 'refused', problem: 'invalid', fields: [{ field: 'payload.note', message: 'payload.note is no good' }] },
    ])
    server.asked.length = 0
    await outbox.flush()
    expect(server.asked).toEqual([])
  })

  it.each(['malformed', 'tooLarge', 'journalFull', 'noCase'] as const)('%s: is kept apart with what the server said to do', async (name) => {
    const id = await openedCase()
    server.answersInstead((path, body) => (path.includes('/entries') && body ? () => problem(name, 'What to do.') : undefined))
    await outbox.add([entryOf(id)])
    await outbox.flush()
    await reloadPage()
    expect([outbox.waiting, outbox.notAccepted]).toMatchObject([
      0,
      [{ state: 'refused', problem: name, why: expect.stringContaining('What to do.') as string }],
    ])
  })

  it('can be corrected and goes, and the kept copy of the case has it so', async () => {
    const id = await openedCase()
    server.answersInstead(tooLong)
    const item = bad(id)
    await device.mergeCase({
      ...testOpening(id),
      appliance: { ...testOpening().appliance, siteId: testId() },
      entries: [item.entry],
      received: {},
      position: 0,
    })
    await outbox.add([item])
    await outbox.flush()
    const { correctable, corrected } = await import('./mending.ts')
    const [refused] = outbox.notAccepted
    expect(correctable(refused!)).toMatchObject([{ field: 'payload.note', label: 'Note', value: 'bad', message: 'Note is no good' }])
    const read = corrected(refused!, { 'payload.note': 'fine now' })
    if (!read.ok) throw new Error('it can be corrected')
    await outbox.mend(refused!, read.value)
    await outbox.flush()
    expect(outbox.items).toEqual([])
    expect(server.journals.get(id)).toMatchObject([{ id: item.entry.id, payload: { note: 'fine now' } }])
    expect((await device.keptCase(id))?.entries).toMatchObject([{ payload: { note: 'fine now' } }])
  })

  it('can be discarded: gone from the list, the disk and the kept copy, and nowhere else', async () => {
    const id = await openedCase()
    server.answersInstead(tooLong)
    const [good, item] = [entryOf(id), bad(id)]
    await device.mergeCase({
      ...testOpening(id),
      appliance: { ...testOpening().appliance, siteId: testId() },
      entries: [good.entry, item.entry],
      received: {},
      position: 0,
    })
    await outbox.add([good, item])
    await outbox.flush()
    await outbox.discard(outbox.notAccepted[0]!)
    expect([outbox.items, await onDisk()]).toEqual([[], 0])
    expect((await device.keptCase(id))?.entries.map((one) => one.id)).toEqual([good.entry.id])
  })

  it('of a case’s opening keeps its entries waiting, and both go when it is settled', async () => {
    const body = testOpening()
    const present = { site: { ...body.site, note: 'Key next door' } }
    server.answersInstead((path, sent) =>
      path === '/api/cases' && (sent as typeof body | undefined)?.site.note === ''
        ? () => problem('conflict', 'Look at what is there.', { present })
        : undefined,
    )
    await outbox.add([{ kind: 'open', caseId: body.id, body }, entryOf(body.id)])
    await outbox.flush()
    expect([outbox.waiting, outbox.notAccepted]).toMatchObject([1, [{ kind: 'open', state: 'refused', problem: 'conflict', present }]])
    const { takenOver, asAnother } = await import('./mending.ts')
    const item = outbox.notAccepted[0] as Parameters<typeof takenOver>[0]
    expect(asAnother(item).site.id).not.toBe(body.site.id)
    await outbox.mend(item, takenOver(item))
    await outbox.flush()
    expect([outbox.items, server.journals.get(body.id)?.length]).toEqual([[], 1])
  })

  it('because it lost the case: the whole of it is sent again from this device', async () => {
    const body = testOpening()
    const [first, second] = [testReading(), testReading()]
    await device.mergeCase({ ...body, appliance: { ...body.appliance, siteId: body.site.id }, entries: [first], received: {}, position: 1 })
    await outbox.add([entryOf(body.id, second)])
    await outbox.flush()
    expect(outbox.notAccepted).toMatchObject([{ problem: 'noCase' }])
    await outbox.sendWhole(outbox.notAccepted[0]!)
    await outbox.flush()
    expect(outbox.items).toEqual([])
    expect(
      server.journals
        .get(body.id)
        ?.map((one) => one.id)
        .sort(),
    ).toEqual([first.id, second.id].sort())
  })

  it('because it has another entry under the same id: both are shown, and each way of settling it keeps the server’s', async () => {
    const id = await openedCase()
    for (const way of ['both', 'theirs'] as const) {
      const mine = testReading('fine')
      const theirs = { ...mine, payload: { check: 'ask.hotWater', outcome: 'none' } } as typeof mine
      server.journals.set(id, [theirs])
      await device.mergeCase({ ...testOpening(id), appliance: { ...testOpening().appliance, siteId: testId() }, entries: [mine], received: {}, position: 0 })
      await outbox.add([entryOf(id, mine)])
      await outbox.flush()
      expect(outbox.notAccepted).toMatchObject([{ state: 'conflict', entry: { id: mine.id }, theirs }])
      if (way === 'both') await outbox.keepBoth(outbox.notAccepted[0]!)
      else await outbox.discard(outbox.notAccepted[0]!)
      await outbox.flush()
      expect(outbox.items).toEqual([])
      expect(server.journals.get(id)?.map((one) => (one.payload as { outcome: string }).outcome)).toEqual(way === 'both' ? ['none', 'fine'] : ['none'])
      expect((await device.keptCase(id))?.entries.find((one) => one.id === mine.id)).toEqual(theirs)
    }
  })
})

describe('a page that is left before the disk has answered', () => {
  it('loses nothing: the next one has it, puts it on the disk and sends it, in the order it was written in', async () => {
    const id = await openedCase()
    server.answersInstead(() => () => Promise.reject(new TypeError('off')))
    // the disk answers nobody any more
    vi.spyOn(IDBFactory.prototype, 'open').mockImplementation(() => new EventTarget() as IDBOpenDBRequest)
    vi.stubGlobal('indexedDB', new IDBFactory())
    vi.resetModules()
    setActivePinia(createPinia())
    const before = (await import('./outbox.ts')).useOutbox()
    const written = [entryOf(id), entryOf(id)]
    for (const one of written) before.add([one]).catch(() => undefined)
    expect(before.waiting).toBe(2)
    vi.mocked(IDBFactory.prototype.open).mockRestore()
    await reloadPage()
    expect(outbox.items.map((one) => one.kind === 'entry' && one.entry.id)).toEqual(written.map((one) => one.entry.id))
    expect([outbox.standingOf(written[0]!.entry.id), await onDisk()]).toEqual(['waiting', 2])
    server.works()
    await outbox.flush()
    await reloadPage()
    expect([outbox.items, server.journals.get(id)?.map((one) => one.id)]).toEqual([[], written.map((one) => one.entry.id)])
  })

  it('what the server has meanwhile is not taken for new', async () => {
    const id = await openedCase()
    await outbox.add([entryOf(id)])
    await outbox.flush()
    expect(Object.keys(localStorage).filter((key) => key.startsWith('dewpoint.ahead'))).toEqual([])
  })
})

describe('a device that keeps nothing', () => {
  const full = () => Object.assign(new Error('full'), { name: 'QuotaExceededError' })

  it('is said at once; the entry stays in this page, is sent all the same, and never called kept', async () => {
    const id = await openedCase()
    server.answersInstead(() => () => Promise.reject(new TypeError('off')))
    const put = vi.spyOn(IDBObjectStore.prototype, 'add').mockImplementation(() => {
      throw full()
    })
    const item = entryOf(id)
    await outbox.add([item])
    expect([outbox.standingOf(item.entry.id), outbox.trouble, await onDisk()]).toEqual(['unsaved', 'This device has no room left.', 0])
    const leaving = new Event('beforeunload', { cancelable: true })
    window.dispatchEvent(leaving)
    expect(leaving.defaultPrevented).toBe(true)
    // room again: it is kept by itself with the next try
    put.mockRestore()
    await outbox.flush()
    expect([outbox.standingOf(item.entry.id), outbox.trouble, await onDisk()]).toEqual(['waiting', null, 1])
    // and without room the server has it
    vi.spyOn(IDBObjectStore.prototype, 'add').mockImplementation(() => {
      throw full()
    })
    server.works()
    const other = entryOf(id)
    await outbox.add([other])
    await outbox.flush()
    expect([outbox.items, outbox.trouble, server.journals.get(id)?.length]).toEqual([[], null, 2])
  })

  it('that refuses to open its store says so too, and entries are sent from memory', async () => {
    const id = await openedCase()
    vi.stubGlobal('indexedDB', {
      open: () => {
        throw Object.assign(new Error('denied'), { name: 'SecurityError' })
      },
    })
    await reloadPage()
    expect(outbox.trouble).toBe('This browser does not let Dewpoint save anything.')
    await outbox.add([entryOf(id)])
    await outbox.flush()
    expect([outbox.items, server.journals.get(id)?.length]).toEqual([[], 1])
  })
})

describe('what somebody else wrote on this device', () => {
  it('waits until they sign in here, and holds up nobody’s', async () => {
    const id = await openedCase()
    const [theirs, mine] = [testReading('none'), testReading('fine')]
    const foreign = { ...theirs, author: '01934a00-0000-7000-8000-00000000e002', authorName: 'Bo Larkspur' }
    const isTheirs = (body: unknown) => (body as { entries?: { author: string }[] } | undefined)?.entries?.some((one) => one.author === foreign.author)
    server.answersInstead((_path, body) => (isTheirs(body) ? problem('notYours', 'Bo Larkspur signs in on this device, then it is sent.') : undefined))
    await outbox.add([entryOf(id, foreign), entryOf(id, mine)])
    await outbox.flush()
    expect(server.journals.get(id)?.map((one) => one.id)).toEqual([mine.id])
    expect([outbox.waiting, [...outbox.held], outbox.notAccepted.length, outbox.away, await onDisk()]).toEqual([1, [foreign.id], 0, false, 1])
    server.works()
    const { here } = await import('../who.ts')
    here.value = [{ id: foreign.author, name: 'Bo Larkspur', role: 'office' }]
    await soon(() => expect(outbox.waiting).toBe(0))
    expect(server.journals.get(id)?.map((one) => one.id)).toEqual([mine.id, foreign.id])
  })

  it('and the server has lost is handed to the owner: nobody writes for somebody else', async () => {
    const id = await openedCase()
    const { here } = await import('../who.ts')
    const mine = testReading('fine')
    here.value = [{ id: mine.author, name: mine.authorName, role: 'engineer' }]
    const foreign = { ...testReading('none'), author: '01934a00-0000-7000-8000-00000000e002', authorName: 'Bo Larkspur' }
    await outbox.addAgain([entryOf(id, foreign), entryOf(id, mine)])
    await outbox.flush()
    expect(server.journals.get(id)?.map((one) => one.id)).toEqual([mine.id])
    expect(server.asked.filter((one) => one.path === '/api/devices/hand-in').map((one) => one.body)).toEqual([
      { items: [{ kind: 'entry', caseId: id, entry: foreign }] },
    ])
    expect(outbox.waiting).toBe(0)
  })
})

it('what was given up stays gone, also where the page is left before the disk has let go of it', async () => {
  const id = await openedCase()
  const entry = testReading('fine')
  server.answersInstead((path) => (path.endsWith('/entries') ? problem('invalid', 'No.') : undefined))
  await outbox.add([entryOf(id, entry)])
  await outbox.flush()
  await device.mergeCase({ ...testOpening(id), appliance: { ...testOpening().appliance, siteId: testId() }, entries: [entry], received: {}, position: 0 })
  const [item] = outbox.notAccepted
  // it is noted before anything waits for the disk
  const given = outbox.discard(item!)
  expect(localStorage.getItem(`dewpoint.gone.${id}.${entry.id}`)).toBe('gone')
  await given
  expect(localStorage.getItem(`dewpoint.gone.${id}.${entry.id}`)).toBeNull()
  // a page that was left before the disk answered leaves this behind
  await device.noteUnsent([entryOf(id, entry)])
  await device.mergeCase({ ...testOpening(id), appliance: { ...testOpening().appliance, siteId: testId() }, entries: [entry], received: {}, position: 0 })
  localStorage.setItem(`dewpoint.gone.${id}.${entry.id}`, 'gone')
  await reloadPage()
  expect([outbox.items.length, (await device.keptCase(id))?.entries, await onDisk()]).toEqual([0, [], 0])
  expect(Object.keys(localStorage).filter((key) => key.startsWith('dewpoint.gone'))).toEqual([])
})
