import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Speech } from '../../catalogue/index.ts'
import { certaintyOf } from './denial.ts'
import { hear } from './hear.ts'
import { sentencesOf } from './sentences.ts'

describe('a text cut into sentences and words', () => {
  const words = (text: string) => sentencesOf(text).map((one) => one.words.map((word) => word.text).join(' '))

  it('at full stops, questions, semicolons and lines, in lower case', () => {
    expect(words('Cold again. Is it Tuesday?\nYes; still COLD!')).toEqual(['cold again', 'is it tuesday', 'yes', 'still cold'])
    expect(sentencesOf('Gas? No.').map((one) => one.asks)).toEqual([true, false])
  })

  it('“n’t” is a denial of its own, whichever apostrophe it has', () => {
    expect(words("It doesn't smell, it can’t, I cannot, the boiler's off")).toEqual(['it does not smell it ca not i can not the boiler off'])
  })

  it('words are compared by their stems (Porter 1980)', () => {
    const stems = (text: string) => sentencesOf(text)[0]!.words.map((one) => one.stem)
    expect(new Set(stems('smell smells smelled smelling')).size).toBe(1)
    expect(new Set(stems('leak leaks leaked leaking')).size).toBe(1)
    expect(stems('drip dry')[0]).not.toBe(stems('drip dry')[1])
  })

  it('commas, brackets and dashes are pauses, hyphens are not', () => {
    expect(
      sentencesOf('no heat, gas (strong) – now light-headed')[0]!
        .words.filter((one) => one.pause)
        .map((one) => one.text),
    ).toEqual(['gas', 'strong', 'now'])
  })

  it('nothing, and nothing but signs, has no words', () => {
    for (const text of ['', '   ', '...!?', '—,;', '\n\n']) expect(sentencesOf(text)).toEqual([])
  })

  it('any text ends, and every word of it is in some sentence', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 600, unit: 'binary' }), (text) => {
        const all = sentencesOf(text).flatMap((one) => one.words)
        for (const one of all) expect(one.text).not.toBe('')
        expect(all.length).toBeLessThanOrEqual(text.length * 2)
      }),
    )
    const long = Array.from({ length: 300 }, (_unused, index) => `word${index}`).join(' ')
    const seen = new Set(sentencesOf(long).flatMap((one) => one.words.map((word) => word.text)))
    expect(seen.size).toBe(300)
  })
})

describe('how far something said is to be taken', () => {
  /** the certainty of the word in capitals */
  const of = (text: string) => {
    const [sentence] = sentencesOf(text)
    const word = /[A-Z]{3,}/.exec(text)![0].toLowerCase()
    const at = sentence!.words.findIndex((one) => one.text === word)
    return certaintyOf(sentence!, at, at, () => false)
  }

  it.each([
    'there is SMOKE',
    'no heating but SMOKE',
    'no heating, SMOKE',
    'no hot water SMOKE',
    'it does not run and there is SMOKE',
    'never worked since, only SMOKE',
    'no doubt it is SMOKE',
    'not only noise, SMOKE',
    'no heating because of SMOKE',
    'SMOKE, none of us knows why',
    'the case is hot, SMOKE',
    'case open and SMOKE',
  ])('“%s”: said', (text) => expect(of(text)).toBe('said'))

  it.each([
    'no SMOKE',
    'there is no SMOKE',
    'no sign of any SMOKE',
    'without SMOKE',
    'I have never seen any SMOKE',
    'nobody noticed SMOKE',
    'SMOKE: none',
    'SMOKE none found',
    'SMOKE not seen',
    'neither noise nor SMOKE',
    'denies any SMOKE',
  ])('“%s”: denied', (text) => expect(of(text)).toBe('denied'))

  it.each([
    'not sure if it is SMOKE',
    'maybe SMOKE',
    'if there is SMOKE call',
    'in case of SMOKE call',
    'checked for SMOKE',
    'I wonder whether that is SMOKE',
    'no steam and SMOKE',
    'SMOKE has gone',
    'SMOKE last year',
    'is that SMOKE?',
  ])('“%s”: left open', (text) => expect(of(text)).toBe('doubtful'))
})

describe('signs of families of words', () => {
  const speech: Speech = {
    families: { smell: ['smell', 'stink'], gas: ['gas'], hob: ['gas hob'], lamp: ['lamp'], flame: ['flame', '=flames'], yellow: ['yellow'], odd: ['odd'] },
    signs: [
      { danger: 'gas', all: ['smell', 'gas'], within: 4 },
      { danger: 'gas', all: ['odd', 'smell'], ask: true },
      { danger: 'fumes', all: ['flame', 'yellow'], unless: ['lamp'], inOrder: true },
    ],
    listed: ['smell', 'gas'],
  }
  const heard = (text: string) => hear(speech, text).map(({ danger, sure }) => (sure ? danger : `${danger}?`))

  it('need all their families, near each other, in order where that matters', () => {
    expect([heard('smell of gas'), heard('gas I smell'), heard('smell'), heard('smell in the hall and on the stairs, gas')]).toEqual([['gas'], ['gas'], [], []])
    expect([heard('the flame is yellow'), heard('yellow flame')]).toEqual([['fumes'], []])
  })

  it('a longer phrase hides a shorter one, an innocent family the sign', () => {
    expect([heard('smell of the gas hob'), heard('flame yellow'), heard('flame lamp yellow')]).toEqual([[], ['fumes'], []])
  })

  it('are told once a danger, the plain one before the open, with the words', () => {
    expect(hear(speech, 'An odd smell. A smell of gas. A gas smell')).toEqual([{ danger: 'gas', sure: true, words: 'a smell of gas', parts: ['smell', 'gas'] }])
    expect(heard('an odd smell')).toEqual(['gas?'])
  })

  it('what was denied is not asked about by the lesser sign', () => {
    expect(heard('no odd smell of gas')).toEqual([])
  })

  it('the same words say the same again', () => {
    expect(hear(speech, 'smell of gas')).toBe(hear(speech, 'smell of gas'))
  })

  it('no text makes it fail', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('smell', 'gas', 'no', 'not', 'and', 'hob', ',', '.', '?', 'yes', 'flame', 'yellow', 'gone'), { maxLength: 40 }),
        (parts) => {
          for (const one of hear(speech, parts.join(' '))) expect(['gas', 'fumes']).toContain(one.danger)
        },
      ),
    )
  })
})
