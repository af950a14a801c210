import { catalogues } from '@dewpoint/trade'
import { describe, expect, it } from 'vitest'
import { carriedFacts } from './carriedFacts.ts'

const catalogue = catalogues['premix-combi']!
const now = new Date('2026-03-01T09:00:00Z')
const known = (fact: string, value: string | number, at = '2024-02-01T09:00:00Z') => ({ fact, value, at })

describe('what a new case takes over from earlier ones', () => {
  it('is what lasts, and not what was so on one day', () => {
    const facts = [{ ...known('systemVolume', 105), unit: 'l' }, known('serial', 'K-7'), known('coldFeed', 6), known('filterFitted', 'none')]
    expect(carriedFacts(catalogue, facts, '', now)).toEqual([
      { fact: 'systemVolume', value: 105, unit: 'l' },
      { fact: 'serial', value: 'K-7' },
      { fact: 'filterFitted', value: 'none' },
    ])
  })

  it('the age is of today: by the day it was installed, else by what was said then', () => {
    expect(carriedFacts(catalogue, [known('age', 9)], '2017-09-14', now)).toEqual([{ fact: 'age', value: 8 }])
    expect(carriedFacts(catalogue, [known('age', 9)], '', now)).toEqual([{ fact: 'age', value: 11 }])
    expect(carriedFacts(catalogue, [], '', now)).toEqual([])
    // installed tomorrow is a slip
    expect(carriedFacts(catalogue, [], '2027-01-01', now)).toEqual([])
  })

  it('what this version knows nothing of stays where it was said', () => expect(carriedFacts(catalogue, [known('colourOfCase', 'red')], '', now)).toEqual([]))
})
