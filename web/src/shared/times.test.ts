// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ago, clock, day, exactly, momentTyped, setZone } from './times.ts'

beforeEach(() => vi.useFakeTimers({ toFake: ['Date'], now: Date.UTC(2026, 10, 26, 12) }))
afterEach(() => vi.useRealTimers())

describe('times are shown in the firm’s time zone, whatever the device is set to', () => {
  it.each([
    ['Europe/London', 'Wed 1 Jul', '00:30', 'Wednesday 1 July 2026, 00:30:00'],
    ['America/St_Johns', 'Tue 30 Jun', '21:00', 'Tuesday 30 June 2026, 21:00:00'],
    ['Pacific/Auckland', 'Wed 1 Jul', '11:30', 'Wednesday 1 July 2026, 11:30:00'],
  ])('%s', (zone, onDay, at, exact) => {
    setZone(zone)
    const moment = '2026-06-30T23:30:00Z'
    expect([day(moment), clock(moment), exactly(moment)]).toEqual([onDay, at, exact])
  })

  it('a day of the calendar is the same day everywhere', () => {
    for (const zone of ['America/St_Johns', 'Pacific/Kiritimati', 'UTC']) {
      setZone(zone)
      expect(day('2026-06-30')).toBe('Tue 30 Jun')
      expect(day('2019-01-01')).toBe('Tue 1 Jan 2019')
    }
  })

  it('a time nobody can read says so', () => {
    expect([day('2026-02-31T10:00:61Z'), clock('x'), exactly('')]).toEqual(Array.from({ length: 3 }, () => 'time unreadable'))
  })
})

describe('how long ago something was', () => {
  it('is told in the largest whole unit, and of a moment ago, or a clock that is a little ahead, that it is now', () => {
    const before = (seconds: number) => ago(new Date(Date.now() - seconds * 1000).toISOString())
    expect([0, 9, -5, 10, 90, 7200].map(before)).toEqual(['just now', 'just now', 'just now', '10 seconds ago', '2 minutes ago', '2 hours ago'])
    expect(ago('x')).toBe('time unreadable')
  })
})

describe('times are typed in it', () => {
  // source of the changes of clocks: IANA time zone database
  it.each([
    ['Europe/London', '2026-07-01', '00:30', '2026-06-30T23:30:00.000Z'],
    ['America/St_Johns', '2026-06-30', '21:00', '2026-06-30T23:30:00.000Z'],
    ['Pacific/Auckland', '2026-01-01', '00:00', '2025-12-31T11:00:00.000Z'],
    // the hour that comes twice: the first of them
    ['Europe/London', '2026-10-25', '01:30', '2026-10-25T00:30:00.000Z'],
    ['Australia/Lord_Howe', '2026-04-05', '01:45', '2026-04-04T14:45:00.000Z'],
  ])('%s, %s %s', (zone, onDay, at, moment) => {
    setZone(zone)
    expect(momentTyped(onDay, at)).toBe(moment)
    expect(clock(moment)).toBe(at)
  })

  it.each([
    ['the hour the clocks go forward over', '2026-03-29', '01:30'],
    ['a day that is none', '2026-02-30', '10:00'],
    ['an hour that is none', '2026-02-03', '25:00'],
    ['nothing', '', ''],
  ])('%s is none', (_name, onDay, at) => {
    setZone('Europe/London')
    expect(momentTyped(onDay, at)).toBeNull()
  })
})
