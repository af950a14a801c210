import { expect, it } from 'vitest'

it('unit tests run in a time zone that is not UTC', () => {
  // Newfoundland is 3.5 h behind UTC in winter, the Line Islands 14 h ahead. Source: IANA time zone database
  expect([210, -840]).toContain(new Date('2026-01-15T12:00:00Z').getTimezoneOffset())
  expect(process.env.TZ).toMatch(/St_Johns|Kiritimati/)
})
