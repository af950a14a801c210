// @vitest-environment happy-dom
import { beforeEach, describe, expect, it } from 'vitest'
import { doublePressGuard } from './doublePressGuard.ts'

let now = 1000
beforeEach(() => (now += 10_000))

/** Something is pressed, at the time it is now, whenever the page comes to it. */
function press(kind: 'pointerdown' | 'keydown' = 'pointerdown', { clicks = 0, held = false } = {}): void {
  const down = kind === 'keydown' ? new KeyboardEvent(kind, { repeat: held }) : new Event(kind)
  Object.defineProperty(down, 'timeStamp', { value: now })
  window.dispatchEvent(down)
  if (clicks > 0) window.dispatchEvent(new MouseEvent('click', { detail: clicks }))
}

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

  it('is one that the device calls so, however late a busy page comes to it', () => {
    const isMeant = doublePressGuard()
    press('pointerdown', { clicks: 1 })
    expect(isMeant()).toBe(true)
    now += 3000
    press('pointerdown', { clicks: 2 })
    expect(isMeant()).toBe(false)
    now += 400
    press('pointerdown', { clicks: 3 })
    expect(isMeant()).toBe(false)
    now += 400
    press('pointerdown', { clicks: 1 })
    expect(isMeant()).toBe(true)
  })

  it('by key as by finger', () => {
    const isMeant = doublePressGuard()
    press('keydown')
    expect(isMeant()).toBe(true)
    now += 50
    press('keydown')
    expect(isMeant()).toBe(false)
  })

  it('goes on while a key is held', () => {
    const isMeant = doublePressGuard()
    press('keydown')
    expect(isMeant()).toBe(true)
    now += 500
    press('keydown', { held: true })
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
