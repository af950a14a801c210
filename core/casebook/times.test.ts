import { byName } from './person.ts'
import { describe, expect, it } from 'vitest'
import { newEntry, untrueTimes, visitsOf, type Entry } from './index.ts'

const id = (n: number) => `01934a00-0000-7000-8000-${String(n).padStart(12, '0')}`
const minute = 60_000
const hour = 60 * minute
const start = Date.UTC(2026, 2, 1, 21, 30)

/** Entries at these times, each written after having seen all before it. */
function journal(...times: number[]): Entry[] {
  const entries: Entry[] = []
  for (const [index, time] of times.entries())
    entries.push(newEntry('advice', { what: 'x', answer: 'given' }, { id: id(index), now: start + time, author: byName('A'), seen: [...entries] }))
  return entries
}
const untrue = (entries: Entry[], received?: Record<string, string>) => Object.fromEntries(untrueTimes(entries, received))
const visits = (entries: Entry[]) => [...visitsOf(entries).values()]

describe('times that cannot be true', () => {
  it('are none where clocks differ by seconds', () => {
    expect(untrue(journal(0, minute, minute - 20_000, 3 * minute))).toEqual({})
  })

  it('are those of the clock that stood a day behind', () => {
    expect(untrue(journal(0, 5 * minute, -24 * hour, 10 * minute))).toEqual({ [id(2)]: 'behind' })
  })

  it('are those of the clock that stood a day ahead', () => {
    expect(untrue(journal(0, 24 * hour, 5 * minute, 10 * minute))).toEqual({ [id(1)]: 'ahead' })
  })

  it('of two entries only, the server’s time tells which', () => {
    const two = journal(24 * hour, 5 * minute)
    const received = { [id(0)]: new Date(start + minute).toISOString(), [id(1)]: new Date(start + 6 * minute).toISOString() }
    expect(untrue(two, received)).toEqual({ [id(0)]: 'ahead' })
    // received long after it was written is no trouble: it waited on the device
    expect(untrue(journal(0), { [id(0)]: new Date(start + 30 * hour).toISOString() })).toEqual({})
  })

  it('are told of old entries whose time nobody can read', () => {
    expect(untrue([{ ...journal(0)[0]!, at: '2026-02-31T12:00:61Z' }])).toEqual({ [id(0)]: 'unreadable' })
  })
})

describe('visits', () => {
  it('go on past midnight: a night shift is one', () => {
    expect(visits(journal(0, hour, 2.6 * hour, 4 * hour))).toEqual(['0', '0', '0', '0'])
  })

  it('are parted by a pause of more than four hours, also within a day', () => {
    expect(visits(journal(-13 * hour, -12 * hour, -7 * hour, 10 * hour))).toEqual(['0', '0', '1', '2'])
  })

  it('are not parted by somebody’s wrong clock, a day ahead or behind', () => {
    expect(visits(journal(0, 10 * minute, 24 * hour, 20 * minute, 30 * minute))).toEqual(['0', '0', '0', '0', '0'])
    expect(visits(journal(0, 10 * minute, -24 * hour, 20 * minute, 30 * minute))).toEqual(['0', '0', '0', '0', '0'])
  })
})
