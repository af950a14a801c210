import { catalogues } from '@dewpoint/trade'
import { describe, expect, it } from 'vitest'
import { heardIn, markedWords } from './heardIn.ts'

const combi = catalogues['premix-combi']!
const withCylinder = catalogues['system-boiler']!
const about = (words: string, catalogue = combi) => heardIn(catalogue, words).map((one) => one.about)

describe('what is heard in a customer’s words', () => {
  it('is a complaint of this boiler, with what it answers', () => {
    expect(heardIn(combi, 'The pipe outside drips.')).toEqual([
      {
        ...{ about: 'dripsOutside', label: 'Pressure relief pipe drips outside', answers: ['ask.dripsOutside'], isComplaint: true, outcome: '' },
        parts: ['pipe outside', 'drips'],
      },
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

  it('is a code of this boiler, however it is said; a figure alone is none', () => {
    const codes = (words: string, catalogue = combi) => heardIn(catalogue, words).flatMap((one) => (one.about === 'display.faultCode' ? [one.outcome] : []))
    for (const words of ['It shows stop B1.', 'there is a b1 on it', 'B 1 again']) expect(codes(words), words).toEqual(['flame'])
    expect(codes('wait 61 on the screen', withCylinder)).toEqual(['flowSensor'])
    expect(codes('the code is 61', withCylinder)).toEqual([])
    expect(codes('it says 61', withCylinder)).toEqual(['flowSensor'])
    expect(codes('only 61 degrees', withCylinder)).toEqual([])
    // which of two it was is asked
    expect(codes('a B1 or a B5')).toEqual([])
  })

  it('stands marked in the words themselves, and every letter of them is there', () => {
    const words = 'No hot water. It WHINED, then went quiet!'
    const marked = markedWords(words, heardIn(combi, words))
    expect(marked.map((one) => one.text).join('')).toBe(words)
    expect(marked.filter((one) => one.of >= 0).map((one) => one.text)).toEqual(['No hot water', 'WHINED'])
    expect(markedWords('', [])).toEqual([])
  })

  it('danger is no business of this: it is heard by its own ears', () => {
    for (const words of ['A smell of gas', 'Fumes and soot', 'The tundish steams']) {
      const complaints = new Set(combi.complaints.filter((one) => one.danger).map((one) => one.id))
      expect(about(words).filter((one) => complaints.has(one))).toEqual([])
    }
  })
})
