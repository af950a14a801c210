import { describe, expect, it } from 'vitest'
import { money, setCurrency } from './money.ts'

describe('money', () => {
  it('is in the firm’s currency, with its own coins where it matters (ISO 4217)', () => {
    setCurrency('EUR')
    expect([money(106.5), money(106.5, true), money(-3, true)]).toEqual(['€107', '€106.50', '-€3.00'])
    setCurrency('JPY')
    expect(money(1200, true)).toBe('JP¥1,200')
  })

  it('is a bare figure before the firm said, or where its code is none', () => {
    setCurrency('')
    expect([money(1234.5), money(12.5, true)]).toEqual(['1,235', '12.50'])
    setCurrency('xx')
    expect(money(7)).toBe('7')
  })
})
