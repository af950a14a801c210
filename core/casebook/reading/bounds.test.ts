import { describe, expect, it } from 'vitest'
import { entryBounds, isDay, isInstant, outOfBounds } from '../index.ts'

const nested = (levels: number): unknown => (levels === 0 ? 1 : { a: nested(levels - 1) })

describe('bounds of what comes from outside', () => {
  it.each([
    ['a long text', { note: 'x'.repeat(2001) }, 'note'],
    ['a long list', { list: Array.from({ length: 401 }, () => 1) }, 'list'],
    ['deep nesting', nested(40), 'a.a.a.a.a.a.a.a'],
    ['many fields', Object.fromEntries(Array.from({ length: 41 }, (_unused, n) => [`f${n}`, n])), ''],
    ['many values', Array.from({ length: 100 }, () => Array.from({ length: 100 }, () => 0)), '[39][59]'],
    ['a NUL in a text', { a: ['ok', 'no\u0000'] }, 'a[1]'],
    ['half a surrogate pair, high', { a: '\ud83d' }, 'a'],
    ['half a surrogate pair, low', { a: '\ude00x' }, 'a'],
    ['two high halves', { a: '\ud83d\ud83d\ude00' }, 'a'],
    ['a field name that is no text', { '\ud83d': 1 }, ''],
    ['a number beyond anything', { a: 1e13 }, 'a'],
    ['no number', { a: Infinity }, 'a'],
  ])('%s is out of bounds, by its place', (_name, value, field) => {
    expect(outOfBounds(value, entryBounds)?.field).toBe(field)
  })

  it('lets any letters pass, also outside the basic plane', () => {
    expect(outOfBounds({ words: 'Käse, 25 °C, kΩ, “tap” 🫖 𝔘', list: [1, null, true, -1e12] }, entryBounds)).toBeNull()
  })

  it('looks at no more than may pass, whatever was sent', () => {
    let looked = 0
    const list = Array.from({ length: 400 }, () => ({
      get a() {
        looked++
        return 1
      },
    }))
    expect(
      outOfBounds(
        Array.from({ length: 400 }, () => list),
        entryBounds,
      ),
    ).not.toBeNull()
    expect(looked).toBeLessThan(entryBounds.values)
  })
})

describe('days and moments', () => {
  it.each(['2026-03-01T09:30:00Z', '2024-02-29T00:00:00.5Z', '1999-12-31T23:59:59.999Z'])('%s exists', (text) => expect(isInstant(text)).toBe(true))
  it.each(['2026-02-29T09:30:00Z', '2026-13-01T00:00:00Z', '2026-01-01T24:00:00Z', '2026-01-01T10:60:00Z', '2026-01-01T10:00:00', '9999999-01-01T00:00:00Z'])(
    '%s does not',
    (text) => expect(isInstant(text)).toBe(false),
  )
  it('a leap day is a day in leap years only', () => {
    expect([isDay('2024-02-29'), isDay('2025-02-29'), isDay('2000-02-29'), isDay('1900-02-29'), isDay('2026-00-10')]).toEqual([true, false, true, false, false])
  })
})
