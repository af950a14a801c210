// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, reactive } from 'vue'
import { discardDraft, draftsOf, isUnkept, useDraft } from './drafts.ts'

/** A form as a page has it while it stands; leaving it is leaving the page. */
function page<T extends object>(name: string, form: T) {
  const scope = effectScope()
  const kept = scope.run(() => useDraft(name, form))!
  return { form, ...kept, leave: () => scope.stop() }
}
const blank = () => reactive({ words: '', what: [] as string[], place: null as { id: string } | null, asked: false })

beforeEach(() => localStorage.clear())
afterEach(() => {
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
})

describe('what is typed', () => {
  it('is there again after the page was left in the middle of it, from the last key on', () => {
    const first = page('call 1', blank())
    first.form.words = 'It whi'
    first.form.what.push('whined')
    first.form.place = { id: 'p' }
    first.leave()
    expect(page('call 1', blank()).form).toEqual({ words: 'It whi', what: ['whined'], place: { id: 'p' }, asked: false })
  })

  it('is another form’s own', () => {
    page('call 1', blank()).form.words = 'one'
    expect(page('call 2', blank()).form.words).toBe('')
  })

  it('is kept no longer once it was written down, taken back to nothing, or thrown away', () => {
    const first = page('call 1', blank())
    first.form.words = 'x'
    first.forget()
    expect(draftsOf('call ')).toEqual([])
    first.form.words = 'y'
    first.form.words = ''
    expect(draftsOf('call ')).toEqual([])
    first.form.words = 'z'
    discardDraft('call 1')
    expect(draftsOf('call ')).toEqual([])
  })

  it('is listed by the beginning of its name, latest first', () => {
    vi.spyOn(Date, 'now').mockReturnValueOnce(1000).mockReturnValueOnce(2000).mockReturnValueOnce(3000)
    page('call 1', blank()).form.words = 'one'
    page('case 9', blank()).form.words = 'other'
    page('call 2', blank()).form.words = 'two'
    expect(draftsOf<{ words: string }>('call ').map(({ name, value }) => [name, value.words])).toEqual([
      ['call 2', 'two'],
      ['call 1', 'one'],
    ])
  })

  it('of another version fills in what still fits', () => {
    localStorage.setItem('dewpoint.draft.call 1', JSON.stringify({ at: 1, value: { words: 'kept', what: 'no list', gone: 7 } }))
    expect(page('call 1', blank()).form).toEqual({ words: 'kept', what: [], place: null, asked: false })
    for (const broken of ['{', 'null', '7', '{"at":1}']) {
      localStorage.setItem('dewpoint.draft.call 1', broken)
      expect(page('call 1', blank()).form.words).toBe('')
    }
  })

  it('is said to be in the page only where the device keeps nothing, until it is gone', () => {
    const full = () => {
      throw new DOMException('full', 'QuotaExceededError')
    }
    vi.stubGlobal('localStorage', { getItem: () => null, setItem: full, removeItem: () => undefined, length: 0 })
    const first = page('call 1', blank())
    expect(isUnkept.value).toBe(false)
    first.form.words = 'x'
    expect(isUnkept.value).toBe(true)
    first.forget()
    expect(isUnkept.value).toBe(false)
  })
})
