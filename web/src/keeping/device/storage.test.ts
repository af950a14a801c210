// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type * as whoModule from '../who.ts'
import type * as identityModule from './identity.ts'
import type * as storageModule from './storage.ts'

let storage: typeof storageModule
beforeEach(async () => {
  localStorage.clear()
  vi.resetModules()
  storage = await import('./storage.ts')
})
afterEach(() => vi.unstubAllGlobals())

const shut = (message: string) =>
  vi.stubGlobal('localStorage', {
    getItem: () => {
      throw new Error(message)
    },
    setItem: () => {
      throw new Error(message)
    },
  })

describe('the browser’s small store', () => {
  it('gives back what was kept, and nothing for what was not', () => {
    expect(storage.remember('a', 'x')).toBe(true)
    expect([storage.recall('a'), storage.recall('b'), localStorage.getItem('a')]).toEqual(['x', null, 'x'])
  })

  it('shut or full, a choice lasts as long as the page, and that is said', () => {
    shut('QuotaExceededError')
    expect(storage.remember('a', 'x')).toBe(false)
    expect([storage.recall('a'), storage.recall('b')]).toEqual(['x', null])
  })

  it('that works again holds the latest', () => {
    shut('full')
    storage.remember('a', 'first')
    vi.unstubAllGlobals()
    expect(storage.remember('a', 'second')).toBe(true)
    expect([storage.recall('a'), localStorage.getItem('a')]).toEqual(['second', 'second'])
  })
})

describe('this device', () => {
  const identity = async () => {
    vi.resetModules()
    return ((await import('./identity.ts')) as typeof identityModule).deviceId
  }

  it('is the same one after a reload', async () => {
    const id = await identity()
    expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-7/)
    expect(await identity()).toBe(id)
  })

  it('whose name was lost or spoilt is a new one', async () => {
    const id = await identity()
    for (const spoilt of ['', 'me', `${id.slice(0, 14)}4${id.slice(15)}`, id.toUpperCase()]) {
      localStorage.setItem('dewpoint.device', spoilt)
      expect(await identity()).not.toBe(spoilt)
    }
  })
})

describe('who writes here', () => {
  const known = async () => {
    vi.resetModules()
    return (await import('../who.ts')) as typeof whoModule
  }
  const wren = { id: '01934a00-0000-7000-8000-00000000e001', name: 'Wren Tallow', role: 'engineer' as const }

  it('is nobody until somebody has signed in, and nobody signs by a name that was put there', async () => {
    localStorage.setItem('dewpoint.author', 'Somebody Before')
    const { me, writer } = await known()
    expect(me.value).toBeNull()
    expect(writer).toThrow('nobody has signed in')
  })

  it('is remembered, with whoever else is signed in here', async () => {
    const before = await known()
    before.me.value = wren
    before.here.value = [wren]
    const { me, here, writer } = await known()
    expect([me.value, here.value, writer()]).toEqual([wren, [wren], { id: wren.id, name: wren.name }])
  })

  it('is nobody where the store holds something else', async () => {
    for (const spoilt of ['x', '7', '{}', '[]', '{"id":1}', 'null']) {
      localStorage.setItem('dewpoint.me', spoilt)
      localStorage.setItem('dewpoint.here', spoilt)
      const { me, here } = await known()
      expect([me.value, here.value]).toEqual([null, []])
    }
  })

  it('follows another tab of the same browser', async () => {
    const { me } = await known()
    localStorage.setItem('dewpoint.me', JSON.stringify(wren))
    window.dispatchEvent(new StorageEvent('storage', { key: 'dewpoint.me' }))
    expect(me.value).toEqual(wren)
  })
})
