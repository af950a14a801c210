import { byName, newEntry, type Entry } from '@dewpoint/core/casebook'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { mostEntries, readAppend } from '../index.ts'

let count = 0
const entry = (): Entry =>
  newEntry(
    'finding',
    { what: 'Wet shelf' },
    { id: `01934a00-0000-7000-8000-${String(++count).padStart(12, '0')}`, now: Date.UTC(2026, 2, 1, 9), author: byName('Ines Quill'), seen: [] },
  )
const problems = (input: unknown) => {
  const read = readAppend(input)
  return read.ok ? [] : read.problems
}

describe('an append', () => {
  it('is read as it was sent', () => {
    const entries = [entry(), entry()]
    expect(readAppend({ entries, since: 4 })).toEqual({ ok: true, value: { entries, since: 4 } })
    expect(readAppend({ entries })).toEqual({ ok: true, value: { entries } })
  })

  it.each([
    ['nothing', undefined, 'entries'],
    ['a list', [], 'entries'],
    ['no entries', { entries: [] }, 'entries'],
    ['entries that are no list', { entries: { 0: 'x' } }, 'entries'],
    ['a place that is none', { entries: [entry()], since: -1 }, 'since'],
    ['half a place', { entries: [entry()], since: 1.5 }, 'since'],
    ['something else besides', { entries: [entry()], tea: 1 }, 'tea'],
  ])('of %s is refused by its field', (_what, input, field) => {
    expect(problems(input).map((one) => one.field)).toContain(field)
  })

  it('says of each entry what is wrong with it, and where', () => {
    const [sound, bad] = [entry(), { ...entry(), author: '' }]
    expect(new Set(problems({ entries: [sound, bad] }).map((one) => one.field))).toEqual(new Set(['entries[1].author']))
    expect(problems({ entries: [{ ...entry(), payload: { what: 7 } }] })[0]!.field).toContain('entries[0].payload')
  })

  it('takes a hundred entries and no more', () => {
    const many = (of: number) => Array.from({ length: of }, entry)
    expect(problems({ entries: many(mostEntries) })).toEqual([])
    expect(problems({ entries: many(mostEntries + 1) })[0]!.message).toContain('1 to 100')
  })

  it('names the first twenty things that are wrong', () => {
    expect(problems({ entries: Array.from({ length: 60 }, () => ({ type: 'tea' })) })).toHaveLength(20)
  })

  it('whatever comes, it says so and does not fall over', () => {
    fc.assert(
      fc.property(fc.anything({ maxDepth: 4, withBigInt: false }), (input) => {
        const read = readAppend(input)
        // either problems in words or entries, never neither
        const said = read.ok ? read.value.entries.map((one) => one.type) : read.problems.map((one) => one.message)
        expect(said.length).toBeGreaterThan(0)
        for (const one of said) expect(one).toMatch(/[a-z]{3}/)
      }),
    )
  })
})
