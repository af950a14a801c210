// @vitest-environment happy-dom
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type * as landingModule from './landing.ts'

let landing: typeof landingModule
beforeEach(async () => {
  vi.resetModules()
  landing = await import('./landing.ts')
  document.body.innerHTML = '<header class="bar"><a id="phase" href="#x">Trace</a></header><main><input id="field"><h1>The next check</h1></main>'
})
const focused = () => document.activeElement?.tagName

describe('the focus after going to another view', () => {
  it('is left at the top of a page that was loaded', () => {
    landing.land()
    expect(focused()).toBe('BODY')
  })

  it('goes from the bar, or from what is no longer there, to the work', () => {
    landing.goneWithin()
    landing.land()
    expect(focused()).toBe('MAIN')
    document.getElementById('phase')!.focus()
    landing.land()
    expect(focused()).toBe('MAIN')
  })

  it('stays in a field that took it meanwhile, and where there is no work', () => {
    landing.goneWithin()
    document.getElementById('field')!.focus()
    landing.land()
    expect(document.activeElement?.id).toBe('field')
    document.body.innerHTML = ''
    expect(() => landing.land()).not.toThrow()
  })
})
