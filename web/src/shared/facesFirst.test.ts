import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { facesFirst } from './facesFirst.ts'

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

/** whether the page may begin, as far as it has got */
function begun(fonts: Pick<FontFaceSet, 'load'>): () => Promise<boolean> {
  let has = false
  void facesFirst(fonts).then(() => (has = true))
  return async () => {
    await vi.advanceTimersByTimeAsync(0)
    return has
  }
}

describe('the page begins', () => {
  it('when every face is there, and not before the last', async () => {
    const coming: (() => void)[] = []
    const asked: string[] = []
    const page = begun({ load: (face) => new Promise((go) => (asked.push(face), coming.push(() => go([])))) })
    expect(asked.map((one) => /"(.*)"/.exec(one)![1])).toEqual(['Barlow Semi Condensed', 'Barlow Semi Condensed', 'JetBrains Mono Variable'])
    for (const come of coming) {
      expect(await page()).toBe(false)
      come()
    }
    expect(await page()).toBe(true)
    expect(vi.getTimerCount()).toBe(0)
  })

  it('without a face that cannot be had', async () => {
    const page = begun({ load: () => Promise.reject(new DOMException('gone', 'NetworkError')) })
    expect(await page()).toBe(true)
  })

  it('after two seconds, whatever has not come by then', async () => {
    const page = begun({ load: () => new Promise(() => undefined) })
    await vi.advanceTimersByTimeAsync(1999)
    expect(await page()).toBe(false)
    await vi.advanceTimersByTimeAsync(1)
    expect(await page()).toBe(true)
  })
})
