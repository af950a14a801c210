import { byName } from './person.ts'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { clockAfter, clockAt, clockOf, inOrder, latestClock, newEntry, type Entry } from './index.ts'
import { isClock } from './clock.ts'

const id = (n: number) => `01934a00-0000-7000-8000-${String(n).padStart(12, '0')}`
const noon = Date.UTC(2026, 2, 1, 12)
const dayLong = 86_400_000

describe('the clock of a journal', () => {
  it('is the writer’s time, and sorts as text', () => {
    expect(clockAt(noon)).toBe('019ca9450a00-0000')
    expect(clockAt(noon) < clockAt(noon + 1)).toBe(true)
  })

  it('goes on from what was seen, whatever the time', () => {
    fc.assert(
      fc.property(fc.integer({ min: -dayLong * 400, max: dayLong * 400 }), fc.integer({ min: 0, max: 0xffff }), (off, count) => {
        const seen = `${clockAt(noon).slice(0, 12)}-${count.toString(16).padStart(4, '0')}`
        const next = clockAfter(seen, noon + off)
        expect(next > seen).toBe(true)
        expect(isClock(next)).toBe(true)
      }),
    )
  })

  it('leaves room after the latest anybody may send', () => {
    const latest = clockAt(Number.MAX_SAFE_INTEGER)
    expect(isClock(latest)).toBe(true)
    expect(clockAfter(latest, noon) > latest).toBe(true)
  })

  it('of an entry written before there were clocks is its own time, or the one in its id where that is no time', () => {
    expect(clockOf({ at: '2026-03-01T12:00:00Z', id: id(1) })).toBe(clockAt(noon))
    expect(clockOf({ at: '2026-02-31T12:00:61Z', id: id(1) })).toBe('01934a000000-0000')
  })
})

describe('the order of a journal', () => {
  /** Several writers, each with a clock of its own, wrong by up to two days, who see each other’s entries now and then. */
  const story = fc.record({
    errors: fc.array(fc.integer({ min: -2 * dayLong, max: 2 * dayLong }), { minLength: 2, maxLength: 4 }),
    steps: fc.array(fc.record({ writer: fc.nat(3), meets: fc.nat(3), minutes: fc.integer({ min: 0, max: 300 }) }), { minLength: 1, maxLength: 25 }),
  })

  it('puts what was written after something seen behind it, whoever’s clock is wrong', () => {
    fc.assert(
      fc.property(story, ({ errors, steps }) => {
        const seen: Entry[][] = errors.map(() => [])
        const after = new Map<string, string[]>()
        const all: Entry[] = []
        let time = noon
        for (const [step, { writer, meets, minutes }] of steps.entries()) {
          time += minutes * 60_000
          const who = writer % errors.length
          const other = meets % errors.length
          seen[who] = [...new Set([...seen[who]!, ...seen[other]!])]
          const entry = newEntry(
            'advice',
            { what: 'x', answer: 'given' },
            { id: id(999 - step), now: time + errors[who]!, author: byName('A'), seen: seen[who]! },
          )
          after.set(
            entry.id,
            seen[who]!.map((one) => one.id),
          )
          seen[who]!.push(entry)
          all.push(entry)
        }
        const order = inOrder(all).map((one) => one.id)
        for (const [later, earlier] of after) for (const one of earlier) expect(order.indexOf(one)).toBeLessThan(order.indexOf(later))
        expect(latestClock(all)).toBe(inOrder(all).at(-1)!.clock)
      }),
    )
  })
})
