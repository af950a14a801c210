// @vitest-environment happy-dom
import 'fake-indexeddb/auto'
import type { Member, Session } from '@dewpoint/contract'
import { IDBFactory } from 'fake-indexeddb'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type * as apiModule from '../keeping/api.ts'
import type * as deviceModule from '../keeping/device/device.ts'
import { problem, testId, testOpening, testReading, testServer } from '../keeping/tests/testServer.ts'
import type * as whoModule from '../keeping/who.ts'
import type * as emptyingModule from './door/emptying.ts'
import type * as lockModule from './lock/lock.ts'
import { hasPin, isPin, isPinOf, isSpent, setPin, dropPin } from './lock/pins.ts'
import type * as sessionModule from './session.ts'

const ines: Member = { id: '01934a00-0000-7000-8000-00000000e001', name: 'Ines Quill', role: 'engineer' }
const bo: Member = { id: '01934a00-0000-7000-8000-00000000e002', name: 'Bo Larkspur', role: 'office' }
let server: ReturnType<typeof testServer>
let device: typeof deviceModule
let who: typeof whoModule
let api: typeof apiModule
let emptying: typeof emptyingModule
let session: ReturnType<typeof sessionModule.useSession>

async function reloadPage() {
  vi.resetModules()
  device = await import('../keeping/device/device.ts')
  who = await import('../keeping/who.ts')
  api = await import('../keeping/api.ts')
  emptying = await import('./door/emptying.ts')
  session = (await import('./session.ts')).useSession()
}
beforeEach(async () => {
  vi.useRealTimers()
  vi.stubGlobal('indexedDB', new IDBFactory())
  localStorage.clear()
  server = testServer()
  vi.stubGlobal('fetch', server.fetch)
  await reloadPage()
})
const answering = (one: Partial<Session>) =>
  server.answersInstead((path) =>
    path.startsWith('/api/session') ? server.json({ person: null, onDevice: [], device: null, first: false, demo: [], ...one }) : undefined,
  )

describe('who is signed in here', () => {
  it('is what the server says, and stays known without it', async () => {
    answering({ person: ines, onDevice: [bo, ines] })
    await session.look()
    expect([session.me.value, session.here.value]).toEqual([ines, [bo, ines]])
    server.answersInstead(() => () => Promise.reject(new Error('no signal')))
    await reloadPage()
    await session.look()
    expect([session.me.value, session.lapsed.value, session.away.value]).toEqual([ines, false, true])
  })

  it('of a colleague who took the device over without signal stays, once the server answers again', async () => {
    answering({ person: ines, onDevice: [bo, ines] })
    await session.look()
    server.answersInstead(() => () => Promise.reject(new Error('no signal')))
    session.goOnAs(bo.id)
    answering({ person: ines, onDevice: [bo, ines] })
    await session.look()
    expect(session.me.value).toEqual(bo)
    // and each request says as whom
    await api.fetchCases().catch(() => undefined)
  })

  it('lapses where the server asks for a sign-in: whoever writes writes on, and is told', async () => {
    answering({ person: ines, onDevice: [ines] })
    await session.look()
    server.answersInstead(() => problem('signIn', 'Sign in.'))
    await expect(api.fetchFirm()).rejects.toThrow('Nobody is signed in')
    expect([session.me.value, session.lapsed.value, who.writer().name]).toEqual([ines, true, 'Ines Quill'])
    answering({ person: ines, onDevice: [ines] })
    expect(await session.signIn('Ines Quill', 'copper kettle harbour')).toBeNull()
    expect(session.lapsed.value).toBe(false)
  })

  it('is refused in words, by field where one is wrong', async () => {
    server.answersInstead(() => problem('wrongPassPhrase', 'Look at both again.'))
    expect(await session.signIn('Ines Quill', 'wrong')).toEqual({ trouble: 'Name and pass phrase do not belong together. Look at both again.', fields: {} })
    server.answersInstead(() => problem('invalid', 'x', { fields: [{ field: 'passPhrase', message: 'this is guessed too easily' }] }))
    expect(await session.withCode('AAAA', undefined, 'x')).toEqual({ trouble: '', fields: { passPhrase: 'This is guessed too easily' } })
    server.answersInstead(() => () => Promise.reject(new Error('no signal')))
    expect((await session.asDemo(ines.id))?.trouble).toContain('does not answer')
    expect(session.me.value).toBeNull()
  })

  it('signs out alone: a colleague on the device goes on', async () => {
    answering({ person: ines, onDevice: [bo, ines] })
    await session.look()
    answering({ person: bo, onDevice: [bo] })
    expect(await session.out(false)).toBeNull()
    expect([session.me.value, session.here.value]).toEqual([bo, [bo]])
    server.answersInstead(() => () => Promise.reject(new Error('no signal')))
    expect(await session.out(true)).toContain('does not answer')
    expect(session.me.value).toEqual(bo)
  })
})

it('when the last one signs out what is kept of customers goes, what is not sent stays', async () => {
  answering({ person: ines, onDevice: [ines] })
  await session.look()
  const [sent, unsent] = [testOpening(), testOpening()]
  const entry = testReading('none')
  await device.noteUnsent([{ kind: 'entry', caseId: unsent.id, entry }])
  for (const one of [sent, unsent])
    await device.mergeCase({ ...one, appliance: { ...one.appliance, siteId: one.site.id }, entries: [], received: {}, position: 0 })
  await device.keepAnswer('firm', {}, '2026-03-01T09:00:00.000Z')
  answering({})
  expect(await session.out(false)).toBeNull()
  expect([(await device.keptCases()).map((one) => one.id), (await device.listUnsent()).length, await device.keptAnswer('firm')]).toEqual([
    [unsent.id],
    1,
    undefined,
  ])
})

describe('a device the firm has signed out', () => {
  const open = testOpening()
  async function withWork() {
    answering({ person: ines, onDevice: [ines] })
    await session.look()
    const entry = testReading('none')
    await device.noteUnsent([
      { kind: 'open', caseId: open.id, body: open },
      { kind: 'entry', caseId: open.id, entry },
    ])
    await device.mergeCase({ ...open, appliance: { ...open.appliance, siteId: open.site.id }, entries: [entry], received: {}, position: 0 })
    await device.keepAnswer('firm', {}, '2026-03-01T09:00:00.000Z')
    localStorage.setItem('dewpoint.ahead.x', 'half written')
    return entry
  }
  const handed: object[] = []
  const ending = (path: string, body: unknown) => {
    if (path === '/api/devices/hand-in') {
      handed.push(...(body as { items: object[] }).items)
      return server.json({ kept: 1 })
    }
    if (path === '/api/devices/wiped') return server.json({ ended: true })
    return problem('deviceEnded', 'Dewpoint empties this device now.')
  }

  it('hands in what it had not sent, and keeps nothing', async () => {
    const entry = await withWork()
    server.answersInstead(ending)
    await api.fetchFirm().catch(() => undefined)
    await vi.waitFor(() => expect(emptying.emptied.value).toEqual({ handedIn: 2 }))
    expect(handed).toEqual([
      { kind: 'open', body: open },
      { kind: 'entry', caseId: open.id, entry },
    ])
    expect([await device.keptCases(), await device.listUnsent(), await device.keptAnswer('firm')]).toEqual([[], [], undefined])
    // what was asked for before and is answered only now is not kept, until somebody signs in here again
    const late = () =>
      Promise.all([
        device.keepAnswer('late', {}, '2026-03-01T09:00:00.000Z'),
        device.mergeCase({ ...open, appliance: { ...open.appliance, siteId: open.site.id }, entries: [], received: {}, position: 0 }),
      ])
    await late()
    expect([await device.keptCases(), await device.keptAnswer('late')]).toEqual([[], undefined])
    expect(session.me.value).toBeNull()
    expect(Object.keys(localStorage).filter((key) => !['dewpoint.me', 'dewpoint.here', 'dewpoint.lapsed'].includes(key))).toEqual([])
    expect([localStorage.getItem('dewpoint.me'), localStorage.getItem('dewpoint.here')]).toEqual(['null', '[]'])
  })

  it('throws nothing away before it could hand it in, shows nothing meanwhile, and goes on at the next start', async () => {
    await withWork()
    server.answersInstead((path, body) => (path === '/api/devices/hand-in' ? () => Promise.reject(new Error('no signal')) : ending(path, body)))
    await session.look()
    await vi.waitFor(() => expect(server.asked.some((one) => one.path === '/api/devices/hand-in')).toBe(true))
    expect([emptying.ended.value, emptying.emptied.value, (await device.listUnsent()).length]).toEqual([true, null, 2])
    await reloadPage()
    expect(emptying.ended.value).toBe(true)
    server.answersInstead(ending)
    await session.look()
    await vi.waitFor(() => expect(emptying.emptied.value).toEqual({ handedIn: 2 }))
  })

  it('is emptied also of what the server will never take', async () => {
    await withWork()
    server.answersInstead((path, body) => (path === '/api/devices/hand-in' ? problem('invalid', 'not whole') : ending(path, body)))
    await session.look()
    await vi.waitFor(() => expect(emptying.emptied.value).not.toBeNull())
    expect(await device.listUnsent()).toEqual([])
  })
})

describe('a PIN', () => {
  const person = testId()
  it('is known on the device only by its hash, and five wrong ones in a row end it', async () => {
    await setPin(person, '4711')
    expect([hasPin(person), localStorage.getItem(`dewpoint.pin.${person}`)?.includes('4711')]).toEqual([true, false])
    for (let time = 0; time < 4; time++) expect(await isPinOf(person, '0000')).toBe(false)
    expect(await isPinOf(person, '4711')).toBe(true)
    for (let time = 0; time < 5; time++) await isPinOf(person, '0000')
    expect([isSpent(person), await isPinOf(person, '4711')]).toEqual([true, false])
    dropPin(person)
    expect([hasPin(person), await isPinOf(person, '4711')]).toEqual([false, false])
  })

  it('has four to eight figures', () => expect(['123', '1234', '12345678', '123456789', '12a4', ''].filter(isPin)).toEqual(['1234', '12345678']))

  it('is asked for when the device was left alone, also by a clock that was set back', async () => {
    await setPin(ines.id, '4711')
    who.me.value = ines
    for (const [used, asked] of [
      [Date.now() - 11 * 60_000, true],
      [Date.now() - 60_000, false],
      [Date.now() + 3_600_000, true],
    ] as const) {
      localStorage.setItem('dewpoint.used', String(used))
      vi.resetModules()
      const lock = (await import('./lock/lock.ts')) as typeof lockModule
      ;(await import('../keeping/who.ts')).me.value = ines
      lock.watchOver()
      expect([used, lock.locked.value]).toEqual([used, asked])
      lock.unlock()
      expect(lock.locked.value).toBe(false)
    }
  })
})
