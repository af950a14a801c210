// @vitest-environment happy-dom
import 'fake-indexeddb/auto'
import type { Entry } from '@dewpoint/core/casebook'
import { IDBFactory } from 'fake-indexeddb'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type * as deviceModule from './device.ts'
import { testId, testOpening, testReading } from '../tests/testServer.ts'

let device: typeof deviceModule
beforeEach(async () => {
  vi.stubGlobal('indexedDB', new IDBFactory())
  vi.resetModules()
  device = await import('./device.ts')
})
afterEach(() => {
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
})

/** A case as it is kept, with a journal. */
function kept(entries: Entry[] = [], more: Partial<deviceModule.KeptCase> = {}): deviceModule.KeptCase {
  const body = testOpening()
  return {
    ...body,
    settings: {},
    appliance: { ...body.appliance, siteId: body.site.id },
    entries,
    received: Object.fromEntries(entries.map((one) => [one.id, one.at])),
    position: entries.length,
    ...more,
  }
}

describe('a case kept on the device', () => {
  it('comes back as it was; one that was never kept is not there', async () => {
    const one = kept([testReading('none')], { keptAt: '2026-03-01T09:00:00.000Z' })
    await device.mergeCase(one)
    expect(await device.keptCase(one.id)).toEqual(one)
    expect(await device.keptCase(testId())).toBeUndefined()
  })

  it('keeps what another page wrote meanwhile: a merge takes no entry away', async () => {
    const [here, there] = [testReading('none'), testReading('lukewarm')]
    const one = kept([here])
    await device.mergeCase(one)
    await device.mergeCase({ ...one, entries: [there], received: { [there.id]: there.at }, position: 1 })
    const merged = await device.keptCase(one.id)
    expect(merged!.entries.map((entry) => entry.id).sort()).toEqual([here.id, there.id].sort())
    expect(Object.keys(merged!.received)).toHaveLength(2)
  })

  it('of two merges at once none is lost', async () => {
    const one = kept()
    const entries = Array.from({ length: 12 }, () => testReading('none'))
    await Promise.all(entries.map((entry) => device.mergeCase({ ...one, entries: [entry] })))
    expect((await device.keptCase(one.id))!.entries).toHaveLength(12)
  })

  it('is changed, or taken off, whole; one that is not there stays so', async () => {
    const one = kept([testReading('none')])
    await device.mergeCase(one)
    await device.changeKept(one.id, (was) => ({ ...was, entries: [] }))
    expect((await device.keptCase(one.id))!.entries).toEqual([])
    await device.changeKept(one.id, () => null)
    expect(await device.keptCase(one.id)).toBeUndefined()
    const never = vi.fn(() => null)
    await device.changeKept(testId(), never)
    expect(never).not.toHaveBeenCalled()
  })

  it('a change that fails changes nothing, and says why in words', async () => {
    const one = kept([testReading('none')])
    await device.mergeCase(one)
    await expect(
      device.changeKept(one.id, () => {
        throw new TypeError('of the caller')
      }),
    ).rejects.toThrow('This browser does not let Dewpoint save anything.')
    expect(await device.keptCase(one.id)).toEqual(one)
  })

  it('are listed newest first', async () => {
    for (const day of ['01', '03', '02']) await device.mergeCase(kept([], { openedAt: `2026-03-${day}T09:00:00.000Z` }))
    expect((await device.keptCases()).map((one) => one.openedAt.slice(8, 10))).toEqual(['03', '02', '01'])
  })
})

describe('what is not sent', () => {
  const entryOf = (caseId: string) => ({ kind: 'entry' as const, caseId, entry: testReading('none') })

  it('keeps the order it was noted in, each with its place', async () => {
    const caseId = testId()
    const noted = await device.noteUnsent([entryOf(caseId), entryOf(caseId), entryOf(caseId)])
    const places = noted.map((one) => one.sequence!)
    expect(places).toEqual([...places].sort((a, b) => a - b))
    expect(new Set(places).size).toBe(3)
    expect(await device.listUnsent()).toEqual(noted)
  })

  it('is forgotten by its place, and what became of it is written down', async () => {
    const caseId = testId()
    const [first, second, third] = await device.noteUnsent([entryOf(caseId), entryOf(caseId), entryOf(caseId)])
    await device.changeUnsent({ ...second!, state: 'refused', problem: 'invalid', why: 'too long' } as deviceModule.Unsent)
    await device.forgetUnsent([first!.sequence!, 99_999])
    const left = await device.listUnsent()
    expect(left.map((one) => [one.sequence, one.state ?? 'waiting'])).toEqual([
      [second!.sequence, 'refused'],
      [third!.sequence, 'waiting'],
    ])
  })

  it('is noted whole or not at all', async () => {
    const sound = entryOf(testId())
    const broken = { ...entryOf(testId()), entry: { oops: () => undefined } as unknown as Entry }
    await expect(device.noteUnsent([sound, broken])).rejects.toBeInstanceOf(device.DeviceRefused)
    expect(await device.listUnsent()).toEqual([])
  })
})

describe('a device that keeps nothing', () => {
  const refusing = (name: string) => ({
    open: () => {
      throw Object.assign(new Error('x'), { name })
    },
  })

  it.each([
    ['QuotaExceededError', 'This device has no room left.'],
    ['SecurityError', 'This browser does not let Dewpoint save anything.'],
  ])('because of a %s says so in words', async (name, words) => {
    vi.stubGlobal('indexedDB', refusing(name))
    vi.resetModules()
    const shut = await import('./device.ts')
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
    await expect(shut.keptCases()).rejects.toThrow(words)
    // nothing goes on waiting for it
    expect(vi.getTimerCount()).toBe(0)
    vi.useRealTimers()
  })
})

describe('answers of the server', () => {
  it('are there without it, the latest of each question', async () => {
    await device.keepAnswer('firm', { settings: 1 }, '2026-03-01T09:00:00.000Z')
    await device.keepAnswer('firm', { settings: 2 }, '2026-03-02T09:00:00.000Z')
    expect(await device.keptAnswer('firm')).toEqual({ settings: 2 })
    expect(await device.keptAnswer('past')).toBeUndefined()
  })
})
