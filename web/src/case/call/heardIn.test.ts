import { catalogues } from '@dewpoint/trade'
import { describe, expect, it } from 'vitest'
import { heardIn } from './heardIn.ts'

const combi = catalogues['premix-combi']!
const withCylinder = catalogues['system-boiler']!
const about = (words: string, catalogue = combi) => heardIn(catalogue, words).map((one) => one.about)

describe('what is heard in a customer’s words', () => {
  it('is a complaint of this boiler, with what it answers', () => {
    expect(heardIn(combi, 'The pipe outside drips.')).toEqual([
      { about: 'dripsOutside', label: 'Pressure relief pipe drips outside', answers: ['ask.dripsOutside'], isComplaint: true },
    ])
  })

  it('is a question answered with yes, said as one', () => {
    const [work] = heardIn(combi, 'The plumber was here last week')
    expect(work).toMatchObject({ about: 'ask.recentWork', isComplaint: false, answers: ['ask.recentWork'] })
    expect(work!.label).toBe('Did anyone work on it just before? yes')
  })

  it('goes by the boiler: a cylinder is complained of where there is one', () => {
    expect(about('No hot water')).toEqual(['noHotWater'])
    expect(about('No hot water', withCylinder)).toEqual(['noStoredHotWater'])
  })

  it('several things in one breath are each heard once; what is denied is not', () => {
    expect(about('It whined. It whined again, then the shower goes hot then cold.').sort()).toEqual(['hotColdHot', 'whined'])
    expect(about('It does not drip from the boiler and there was no whine.')).toEqual([])
    expect(about('')).toEqual([])
  })

  it('danger is no business of this: it is heard by its own ears', () => {
    for (const words of ['A smell of gas', 'Fumes and soot', 'The tundish steams']) {
      const complaints = new Set(combi.complaints.filter((one) => one.danger).map((one) => one.id))
      expect(about(words).filter((one) => complaints.has(one))).toEqual([])
    }
  })
})
