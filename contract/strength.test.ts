import { describe, expect, it } from 'vitest'
import { strengthOf, whyWeak } from './strength.ts'

describe('a pass phrase that is typed', () => {
  it('is told from nothing to good, and called good exactly where it would be taken', () => {
    const typed = 'copper kettle harbour lantern'
    const quarters = Array.from({ length: typed.length + 1 }, (_unused, length) => strengthOf(typed.slice(0, length), 'Ines Quill').quarters)
    // never back, and from nothing to everything
    expect([...quarters].sort()).toEqual(quarters)
    expect([quarters[0], quarters.at(-1)]).toEqual([0, 4])
    expect(strengthOf('copper kett', 'Ines Quill').words).toBe('1 more character at least.')
    for (const one of [typed, 'ines quill ines quill', 'passwordpassword', 'correct horse battery staple', 'aaaaaaaaaaaaaaaa', 'x7#kQ!9zLp2$vW'])
      expect([one, strengthOf(one, 'Ines Quill').good]).toEqual([one, whyWeak(one, 'Ines Quill') === null])
    expect(strengthOf('x'.repeat(200), 'Ines Quill')).toMatchObject({ good: false, words: 'At most 128 characters.' })
  })
})
