// @vitest-environment happy-dom
import 'fake-indexeddb/auto'
import type { CaseLine } from '@dewpoint/contract'
import { summarise, type Entry } from '@dewpoint/core/casebook'
import { IDBFactory } from 'fake-indexeddb'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type * as deviceModule from './device/device.ts'
import type * as answersModule from './device/keptAnswers.ts'
import type * as recentModule from './device/recentCases.ts'
import { testId, testOpening, testReading, testServer } from './tests/testServer.ts'

let server: ReturnType<typeof testServer>
let device: typeof deviceModule
let recent: typeof recentModule
let answers: typeof answersModule
const now = Date.UTC(2026, 2, 10)
const day = 86_400_000

beforeEach(async () => {
  vi.stubGlobal('indexedDB', new IDBFactory())
  server = testServer()
  vi.stubGlobal('fetch', server.fetch)
  vi.resetModules()
  device = await import('./device/device.ts')
  recent = await import('./device/recentCases.ts')
  answers = await import('./device/keptAnswers.ts')
})
afterEach(() => {
  vi.unstubAllGlobals()
  vi.useRealTimers()
})

/** A case on the server, as a list shows it. */
function listed(daysAgo: number, name: string, ...entries: Entry[]): CaseLine {
  const body = { ...testOpening(), openedAt: new Date(now - daysAgo * day).toISOString() }
  body.site.name = name
  server.opened.set(body.id, body)
  server.journals.set(body.id, entries)
  return { ...body, appliance: { ...body.appliance, siteId: body.site.id }, summary: summarise(entries), position: entries.length }
}
const names = async () => (await device.keptCases()).map((one) => one.site.name)
const off = () => server.answersInstead(() => () => Promise.reject(new TypeError('Failed to fetch')))

describe('cases of the last weeks', () => {
  it('are kept with their journals, each fetched again only when there is something new, and old ones not at all', async () => {
    const lines = [listed(1, 'Quay 1', testReading()), listed(20, 'Quay 2'), listed(40, 'Quay 3')]
    await recent.keepRecent(lines, now, () => true)
    expect(await names()).toEqual(['Quay 1', 'Quay 2'])
    expect((await device.keptCase(lines[0]!.id))?.entries).toHaveLength(1)
    server.asked.length = 0
    await recent.keepRecent(lines, now, () => true)
    expect(server.asked).toEqual([])
    server.journals.get(lines[0]!.id)!.push(testReading())
    await recent.keepRecent([{ ...lines[0]!, position: 2 }, lines[1]!], now, () => true)
    expect((await device.keptCase(lines[0]!.id))?.entries).toHaveLength(2)
  })

  it('never lose what this device wrote in them', async () => {
    const line = listed(1, 'Quay 1', testReading())
    const mine = testReading('fine')
    await device.mergeCase({ ...line, entries: [mine], received: {}, position: 0 })
    await recent.keepRecent([line], now, () => true)
    expect((await device.keptCase(line.id))?.entries.map((one) => one.id)).toContain(mine.id)
  })

  it('stop quietly where the server does, or nobody looks at the list any more', async () => {
    const lines = [listed(1, 'Quay 1'), listed(2, 'Quay 2')]
    let looks = 0
    await recent.keepRecent(lines, now, () => looks++ < 1)
    expect(await names()).toEqual(['Quay 1'])
    off()
    await recent.keepRecent([listed(3, 'Quay 3')], now, () => true)
    expect(await names()).toEqual(['Quay 1'])
  })

  it('are let go of after eight weeks, but not one with something unsent', async () => {
    const lines = [listed(1, 'Quay 1'), listed(2, 'Quay 2')]
    await recent.keepRecent(lines, now, () => true)
    await recent.letGoOfOld([{ kind: 'entry', caseId: lines[0]!.id, entry: testReading() }], now + 60 * day)
    expect(await names()).toEqual(['Quay 1'])
  })

  it('are listed as the server lists them', async () => {
    const line = listed(1, 'Quay 1', testReading())
    await recent.keepRecent([line], now, () => true)
    expect(recent.lineOf((await device.keptCase(line.id))!)).toEqual(line)
  })
})

describe('without the server', () => {
  it('what it said last is known: settings of the firm, the past of a case, and of one never opened what is known of its kind', async () => {
    const line = listed(1, 'Quay 1')
    server.answersInstead((path) => {
      if (path === '/api/firm') return server.json({ settings: { costs: {}, timeZone: 'Europe/London', revision: 3 } })
      if (path.endsWith('/past')) return server.json({ appliance: [{ id: testId() }], experience: { cases: 4, proven: { 'fan.seized': 4 } } })
      return undefined
    })
    const [firm, past] = [await answers.knownFirm(), await answers.knownPast(line.id, 'premix-combi')]
    off()
    expect(await answers.knownFirm()).toEqual(firm)
    expect(await answers.knownPast(line.id, 'premix-combi')).toEqual(past)
    expect(await answers.knownPast(testId(), 'premix-combi')).toEqual({ appliance: [], experience: past.experience })
    await expect(answers.knownPast(testId(), 'coil-combi')).rejects.toThrow('does not answer')
    // what is known from before is not kept anew as if it had been heard now
    expect(await answers.knownPast(line.id, 'coil-combi')).toEqual(past)
    await expect(answers.knownPast(testId(), 'coil-combi')).rejects.toThrow('does not answer')
  })

  it('places are those of the cases kept here, found without case and accents, each boiler once', async () => {
    const line = listed(1, 'Käse & Söhne')
    await device.mergeCase({ ...line, entries: [], received: {}, position: 0 })
    await device.mergeCase({ ...line, id: testId(), entries: [], received: {}, position: 0 })
    off()
    const found = await answers.knownSites('kase')
    expect(found.map((one) => [one.name, one.appliances.length])).toEqual([['Käse & Söhne', 1]])
    expect(await answers.knownSites('elsewhere')).toEqual([])
  })
})

describe('the store of the device', () => {
  it('that an older page keeps shut is not waited for for ever, and says which page', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'], shouldAdvanceTime: true, advanceTimeDelta: 500 })
    await new Promise<void>((done) => {
      const request = indexedDB.open('dewpoint', 1)
      request.onupgradeneeded = () => {
        request.result.createObjectStore('cases', { keyPath: 'id' })
        request.result.createObjectStore('unsent', { keyPath: 'sequence', autoIncrement: true })
      }
      request.onsuccess = () => done()
    })
    await expect(device.listUnsent()).rejects.toThrow('in another tab in an older version')
  })

  it('is out of the way when a newer page wants to change it', async () => {
    await device.listUnsent()
    const version = await new Promise<number>((done, fail) => {
      const request = indexedDB.open('dewpoint', 3)
      request.onsuccess = () => done(request.result.version)
      request.onblocked = () => fail(new Error('blocked'))
    })
    expect(version).toBe(3)
  })
})

describe('the small store', () => {
  it('works for the page where the browser refuses it, and says that it does not last', async () => {
    vi.stubGlobal('localStorage', {
      getItem: () => {
        throw new DOMException('denied', 'SecurityError')
      },
      setItem: () => {
        throw new DOMException('full', 'QuotaExceededError')
      },
    })
    const { recall, remember } = await import('./device/storage.ts')
    expect(recall('colour')).toBeNull()
    expect(remember('colour', 'copper')).toBe(false)
    expect(recall('colour')).toBe('copper')
  })
})
