import { createHash } from 'node:crypto'
import type { KeptPhoto, Problem } from '@dewpoint/contract'
import { describe, expect, it } from 'vitest'
import { testApp } from '../testApp.ts'

const { running } = testApp('photos')
const send = (payload: Buffer, type = 'image/png') => running.app.inject({ method: 'POST', url: '/api/photos', payload, headers: { 'content-type': type } })

/** A PNG of one grey pixel and a size it only claims (PNG specification, W3C: signature, IHDR, IDAT, IEND). */
function png(width = 1, height = 1, ...extra: Buffer[]): Buffer {
  const chunk = (name: string, data: Buffer) => {
    const length = Buffer.alloc(4)
    length.writeUInt32BE(data.length)
    return Buffer.concat([length, Buffer.from(name, 'latin1'), data, Buffer.alloc(4)])
  }
  const header = Buffer.alloc(13)
  header.writeUInt32BE(width, 0)
  header.writeUInt32BE(height, 4)
  header[8] = 8
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', header),
    ...extra,
    chunk('IDAT', Buffer.from([0])),
    chunk('IEND', Buffer.alloc(0)),
  ])
}
/** The head of a JPEG: start, segments, size (ITU-T T.81, annex B). */
function jpeg(...segments: Buffer[]): Buffer {
  const size = Buffer.from([0xff, 0xc0, 0x00, 0x0b, 0x08, 0x00, 0x30, 0x00, 0x40, 0x01, 0x01, 0x11, 0x00])
  const jfif = Buffer.concat([Buffer.from([0xff, 0xe0, 0x00, 0x10]), Buffer.from('JFIF\0', 'latin1'), Buffer.alloc(9)])
  return Buffer.concat([
    Buffer.from([0xff, 0xd8]),
    jfif,
    ...segments,
    size,
    Buffer.from([0xff, 0xda, 0x00, 0x08, 0x01, 0x01, 0x00, 0x00, 0x3f, 0x00, 0x12, 0xff, 0xd9]),
  ])
}
const exif = Buffer.concat([Buffer.from([0xff, 0xe1, 0x00, 0x10]), Buffer.from('Exif\0\0', 'latin1'), Buffer.alloc(8)])

describe('pictures', () => {
  it('are kept under the hash of their content, once, and come back as they were', async () => {
    const bytes = png(4, 3)
    const hash = createHash('sha256').update(bytes).digest('hex')
    for (let time = 0; time < 2; time++) expect((await send(bytes)).json<KeptPhoto>()).toEqual({ hash, type: 'image/png', width: 4, height: 3 })
    const back = await running.app.inject(`/api/photos/${hash}`)
    expect([back.headers['content-type'], back.headers['x-content-type-options'], back.rawPayload.equals(bytes)]).toEqual(['image/png', 'nosniff', true])
    expect(back.headers['cache-control']).toContain('immutable')
  })

  it('sent by ten devices at once are kept once, and nobody meets a failure', async () => {
    const bytes = png(9, 9)
    expect((await Promise.all(Array.from({ length: 10 }, () => send(bytes)))).map((one) => one.statusCode)).toEqual(Array.from({ length: 10 }, () => 200))
  })

  it('are what their content says, whatever they were called', async () => {
    expect((await send(jpeg(), 'image/png')).json<KeptPhoto>()).toMatchObject({ type: 'image/jpeg', width: 64, height: 48 })
  })

  it.each([
    ['a text', Buffer.from('<svg onload="alert(1)"/>')],
    ['a page', Buffer.from('<!doctype html><script>alert(1)</script>')],
    ['nothing', Buffer.alloc(0)],
    ['the beginning of a picture', png().subarray(0, 10)],
    ['a GIF', Buffer.from('GIF89a\x01\x00\x01\x00\x00\x00\x00;', 'latin1')],
    ['one too long', png(1601, 10)],
    ['one of no size', png(0, 0)],
    ['a JPEG that says where it was taken', jpeg(exif)],
    ['a PNG that says so', png(2, 2, Buffer.concat([Buffer.from([0, 0, 0, 0]), Buffer.from('eXIf', 'latin1'), Buffer.alloc(4)]))],
  ])('%s is refused with what to do', async (_what, bytes) => {
    const answer = await send(bytes)
    expect([400, 422]).toContain(answer.statusCode)
    expect(answer.json<Problem>().detail.length).toBeGreaterThan(10)
  })

  it('one too large is refused before it is looked at; another kind of body is none', async () => {
    expect((await send(Buffer.concat([png(), Buffer.alloc(600 * 1024)]))).statusCode).toBe(413)
    expect((await send(png(), 'image/gif')).statusCode).toBe(415)
    expect((await running.app.inject({ method: 'POST', url: '/api/photos', payload: { photo: 'x' } })).statusCode).toBe(422)
  })

  it('that are not there, and what is no hash, say so', async () => {
    for (const hash of ['0'.repeat(64), 'x', '..%2f..%2fetc']) expect((await running.app.inject(`/api/photos/${hash}`)).statusCode).toBe(404)
  })
})
