// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { doublePressGuard } from './doublePressGuard.ts'

let now = 1000
beforeEach(() => {
  now += 10_000
  vi.spyOn(performance, 'now').mockImplementation(() => now)
})
afterEach(() => vi.restoreAllMocks())
const press = (kind: 'pointerdown' | 'keydown' = 'pointerdown') => window.dispatchEvent(new Event(kind))

describe('a double press', () => {
  it('counts once: the second is meant for what was there before', () => {
    const isMeant = doublePressGuard()
    press()
    expect(isMeant()).toBe(true)
    now += 120
    press()
    expect(isMeant()).toBe(false)
  })

  it('no more than half a second apart', () => {
    const isMeant = doublePressGuard()
    press()
    expect(isMeant()).toBe(true)
    now += 460
    press()
    expect(isMeant()).toBe(true)
  })

  it('by key as by finger', () => {
    const isMeant = doublePressGuard()
    press('keydown')
    expect(isMeant()).toBe(true)
    press('keydown')
    expect(isMeant()).toBe(false)
  })

  it('with anything pressed between the two both are meant, however fast', () => {
    const isMeant = doublePressGuard()
    press()
    expect(isMeant()).toBe(true)
    now += 50
    press('keydown')
    now += 50
    press()
    expect(isMeant()).toBe(true)
  })

  it('of one guard does not swallow what another asks', () => {
    const [one, other] = [doublePressGuard(), doublePressGuard()]
    press()
    expect([one(), other()]).toEqual([true, true])
  })
})
