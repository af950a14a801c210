// @vitest-environment happy-dom
import 'fake-indexeddb/auto'
import { byName, newEntry, type Entry } from '@dewpoint/core/casebook'
import { IDBFactory } from 'fake-indexeddb'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type * as deviceModule from '../device/device.ts'
import { testId } from '../tests/testServer.ts'
import type * as shelfModule from './photoShelf.ts'
import { fitted } from './reducePhoto.ts'

let shelf: typeof shelfModule
let device: typeof deviceModule
/** pictures the server has, by their bytes; what it answers instead */
let sent: string[]
let instead: (() => Response) | null
beforeEach(async () => {
  vi.stubGlobal('indexedDB', new IDBFactory())
  sent = []
  instead = null
  vi.stubGlobal('fetch', async (_path: string, init: RequestInit) => {
    if (instead) return instead()
    sent.push(await (init.body as Blob).text())
    return new Response(JSON.stringify({ hash: 'x' }), { headers: { 'content-type': 'application/json' } })
  })
  vi.resetModules()
  shelf = await import('./photoShelf.ts')
  device = await import('../device/device.ts')
})
afterEach(() => {
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
})

const picture = (text: string) => new Blob([text], { type: 'image/jpeg' })
const entryOf = (hash: string): Entry =>
  newEntry('photo', { hash, type: 'image/jpeg', width: 4, height: 3 }, { id: testId(), now: 0, author: byName('Ines Quill'), seen: [] })

describe('a picture on this device', () => {
  it('goes by the SHA-256 of its content (the example of FIPS 180-4)', async () => {
    const { hash, kept } = await shelf.shelve(picture('abc'))
    expect([hash, kept]).toEqual(['ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad', true])
    expect(await (await shelf.pictureHere(hash))!.text()).toBe('abc')
    expect(await shelf.pictureHere('0'.repeat(64))).toBeUndefined()
  })

  it('is sent before its entry, once, and again only where the server lost it', async () => {
    const { hash } = await shelf.shelve(picture('abc'))
    const entries = [entryOf(hash), entryOf('f'.repeat(64))]
    await shelf.sendPictures(entries)
    await shelf.sendPictures(entries)
    expect(sent).toEqual(['abc'])
    expect(await (await shelf.pictureHere(hash))!.text()).toBe('abc')
    await shelf.sendPictureAgain(entries)
    await shelf.sendPictures(entries)
    expect(sent).toEqual(['abc', 'abc'])
  })

  it('that could not be sent waits: its entry does not go before it', async () => {
    const { hash } = await shelf.shelve(picture('abc'))
    instead = () => {
      throw new TypeError('no signal')
    }
    await expect(shelf.sendPictures([entryOf(hash)])).rejects.toThrow('does not answer')
    instead = null
    await shelf.sendPictures([entryOf(hash)])
    expect(sent).toEqual(['abc'])
  })

  it('without room stays in the page, is told so, and is sent from there', async () => {
    vi.stubGlobal('indexedDB', undefined)
    const { hash, kept } = await shelf.shelve(picture('abc'))
    expect(kept).toBe(false)
    expect(await (await shelf.pictureHere(hash))!.text()).toBe('abc')
    await shelf.sendPictures([entryOf(hash)])
    expect(sent).toEqual(['abc'])
  })

  it('is let go of a while after the server has it, and never before', async () => {
    const [one, other] = [await shelf.shelve(picture('sent')), await shelf.shelve(picture('waiting'))]
    await shelf.sendPictures([entryOf(one.hash)])
    await device.dropSentPictures('2999-01-01T00:00:00.000Z')
    expect(await shelf.pictureHere(one.hash)).toBeUndefined()
    expect(await (await shelf.pictureHere(other.hash))!.text()).toBe('waiting')
  })
})

describe('the size a picture is kept in', () => {
  it('is its own, or reduced to 1600 on its longer side, in proportion', () => {
    expect([fitted(800, 600), fitted(4000, 3000), fitted(3000, 4000), fitted(5000, 2)]).toEqual([
      { width: 800, height: 600 },
      { width: 1600, height: 1200 },
      { width: 1200, height: 1600 },
      { width: 1600, height: 1 },
    ])
  })
})
