import type { Outlook } from '@dewpoint/core/pressure'
import { describe, expect, it } from 'vitest'
import { oddsWords, rateWords, stopWords } from './watchWords.ts'

const outlook: Outlook = { stops: { low: 48, mid: 72, high: 120 }, chance: 1, litresADay: { low: 0.25, mid: 0.3, high: 0.35 }, endsAt: 0 }
const dayAt = (hours: number) => `day ${hours / 24}`

describe('what a watch says', () => {
  it('of the stop: its day with the interval, what should have been where it is past, and nothing where it never stops', () => {
    expect(stopWords(outlook, dayAt, 0)).toBe('Stops on low water day 3, day 2 to day 5.')
    expect(stopWords(outlook, dayAt, 100)).toBe('It should have stopped on low water by day 3, day 2 to day 5: read it now.')
    expect(stopWords({ ...outlook, stops: { low: 48, mid: 72, high: Infinity } }, dayAt, 0)).toBe('Stops on low water day 3, day 2 at the earliest.')
    expect(stopWords({ ...outlook, stops: null, chance: 0.4 }, dayAt, 0)).toBe('May stop on low water within months.')
    expect(stopWords({ ...outlook, stops: null, chance: 0 }, dayAt, 0)).toBe('')
  })

  it('of litres and odds: as fine as they are known, and never certain', () => {
    expect(rateWords('leak', outlook)).toBe('0.3 l a day, 0.25 to 0.35')
    expect(rateWords('loop', { ...outlook, litresADay: { low: -2.2, mid: -2, high: -1.9 } })).toBe('2.0 l a day comes in, 1.9 to 2.2')
    expect(rateWords('cushion', outlook)).toBe('')
    expect([oddsWords(0.001), oddsWords(0.64), oddsWords(0.9999)]).toEqual(['<1%', '64%', '>99%'])
  })
})
