// @vitest-environment happy-dom
import { byName } from '@dewpoint/core/casebook'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { createApp, h, ref } from 'vue'
import { lapsed, me } from '../keeping/who.ts'
import { useLive } from './live.ts'

/** the streams a page began, as a test plays the server to them */
const streams: FakeStream[] = []
class FakeStream {
  static CLOSED = 2
  readyState = 1
  onopen: (() => void) | null = null
  onmessage: ((event: { data: string }) => void) | null = null
  onerror: (() => void) | null = null
  url: string
  constructor(url: string) {
    this.url = url
    streams.push(this)
  }
  tell(news: object) {
    this.onmessage?.({ data: JSON.stringify(news) })
  }
  fail(readyState: number) {
    this.readyState = readyState
    this.onerror?.()
  }
  close() {
    this.readyState = FakeStream.CLOSED
  }
}
const id = '01934a00-0000-7000-8000-000000000001'
const ask = vi.fn<() => Promise<boolean>>()
/** a page that listens */
function shown() {
  const place = document.createElement('div')
  const page = createApp({
    setup() {
      const { present } = useLive(ref(id), ask, (changed) => changed.some((one) => one.id === id))
      return () => h('span', present.value.map((one) => one.name).join())
    },
  })
  page.mount(place)
  return { text: () => place.textContent, unmount: () => page.unmount() }
}

beforeEach(() => {
  vi.useFakeTimers()
  vi.stubGlobal('EventSource', FakeStream)
  streams.length = 0
  ask.mockReset().mockResolvedValue(true)
  me.value = { ...byName('Ines Quill'), role: 'engineer' }
  lapsed.value = false
})
afterEach(() => {
  me.value = null
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('listening to what others write', () => {
  it('asks once everything is told, and for what concerns the page; it shows who is there', async () => {
    const page = shown()
    expect(streams[0]!.url).toBe(`/api/live?case=${id}`)
    streams[0]!.onopen!()
    streams[0]!.tell({ begun: true })
    await vi.advanceTimersByTimeAsync(0)
    streams[0]!.tell({ changed: [{ id: 'another', position: 3 }] })
    await vi.advanceTimersByTimeAsync(0)
    expect(ask).toHaveBeenCalledTimes(1)
    streams[0]!.tell({ changed: [{ id, position: 3 }] })
    streams[0]!.tell({ present: [byName('Bo Larkspur')] })
    await vi.advanceTimersByTimeAsync(60_000)
    expect(ask).toHaveBeenCalledTimes(2)
    expect(page.text()).toBe('Bo Larkspur')
    page.unmount()
    expect(streams[0]!.readyState).toBe(FakeStream.CLOSED)
  })

  it('asks again for what it was told of and could not fetch, until the server answers', async () => {
    const page = shown()
    streams[0]!.onopen!()
    ask.mockResolvedValueOnce(false).mockRejectedValueOnce(new Error('no signal'))
    streams[0]!.tell({ changed: [{ id, position: 3 }] })
    await vi.advanceTimersByTimeAsync(60_000)
    expect(ask).toHaveBeenCalledTimes(3)
    page.unmount()
  })

  it('asks one question at a time, and once more for what is told meanwhile', async () => {
    const page = shown()
    let answer: (answered: boolean) => void = () => undefined
    ask.mockReturnValueOnce(new Promise((done) => (answer = done)))
    streams[0]!.onopen!()
    for (const position of [3, 4, 5]) streams[0]!.tell({ changed: [{ id, position }] })
    expect(ask).toHaveBeenCalledTimes(1)
    answer(true)
    await vi.advanceTimersByTimeAsync(60_000)
    expect(ask).toHaveBeenCalledTimes(2)
    page.unmount()
  })

  it('without a stream asks now and then, begins anew when it was given up or signal is back, and not for somebody who is signed out', async () => {
    const page = shown()
    streams[0]!.fail(FakeStream.CLOSED)
    await vi.advanceTimersByTimeAsync(12_000)
    expect(ask).toHaveBeenCalledTimes(1)
    expect(streams).toHaveLength(2)
    window.dispatchEvent(new Event('online'))
    expect(streams).toHaveLength(3)
    lapsed.value = true
    await vi.advanceTimersByTimeAsync(60_000)
    expect(streams).toHaveLength(3)
    expect(streams[2]!.readyState).toBe(FakeStream.CLOSED)
    page.unmount()
  })
})
