import { hear } from '@dewpoint/core/diagnosis'
import { describe, expect, it } from 'vitest'
import { dangers, speech } from '../index.ts'
import { phrases, type Phrase } from './phrases.ts'
import { phrasesSetAside } from './phrasesSetAside.ts'

const of = (words: string) => hear(speech, words)
const heard = (words: string) => of(words).map(({ danger, sure }) => `${danger}${sure ? '' : '?'}`)
const dangerous = (half: Phrase[]) => half.filter((one) => one.danger !== null)
const innocent = (half: Phrase[]) => half.filter((one) => one.danger === null)

describe('two hundred phrases', () => {
  it('half of them innocent, none in both halves', () => {
    for (const half of [phrases, phrasesSetAside]) expect([dangerous(half).length, innocent(half).length]).toEqual([50, 50])
    const said = [...phrases, ...phrasesSetAside].map((one) => one.words)
    expect(new Set(said).size).toBe(said.length)
  })

  it.each([...dangerous(phrases), ...dangerous(phrasesSetAside)].map(({ words, danger }) => [words, danger]))('“%s” is heard', (words, danger) => {
    expect(of(words).map((one) => one.danger)).toContain(danger)
  })

  it('all but one of the dangerous are plain enough to stop', () => {
    const asked = [...dangerous(phrases), ...dangerous(phrasesSetAside)].filter(({ words }) => of(words).every((one) => !one.sure))
    expect(asked.map((one) => one.words)).toEqual(['I do not know if it is the drains or gas, but something stinks by the boiler'])
  })

  it('none of the innocent stops a case, and three in a hundred are asked about', () => {
    const all = [...innocent(phrases), ...innocent(phrasesSetAside)]
    expect(all.filter(({ words }) => of(words).some((one) => one.sure))).toEqual([])
    expect(all.filter(({ words }) => of(words).length > 0)).toHaveLength(3)
  })
})

describe('each place a sign is found is judged by itself', () => {
  it.each([
    ['no smell yesterday, but a strong smell this morning', 'gasSmell'],
    ['No hot water since Monday and I smell gas', 'gasSmell'],
    ['no hot water smell of gas in kitchen', 'gasSmell'],
    ['No smell of soot. Smell of gas in the hall', 'gasSmell'],
    ['it does not work and it smells of gas', 'gasSmell'],
    ['no doubt it is gas I smell', 'gasSmell'],
    ['smell of gas? Yes', 'gasSmell'],
    ['no pressure and steam at the tundish', 'overheated'],
    ['the boiler case is scorched', 'scorching'],
    ['the case gives me a shock', 'shock'],
    ['Not the smoke alarm, the CO alarm is sounding', 'coAlarm'],
  ])('“%s” stops', (words, danger) => expect(heard(words)).toContain(danger))

  it.each([
    'no smell of gas',
    'there’s no smell of gas, soot or fumes',
    'I haven’t noticed any smell of gas',
    'nobody has smelt any gas',
    'customer denies any smell of gas',
    'smell of gas? No',
    'gas smell: none',
    'water is nowhere near anything electric',
    'the CO alarm has never gone off',
    'smoke detector’s flat battery',
  ])('“%s” is silent', (words) => expect(heard(words)).toEqual([]))

  it.each([
    ['not sure if I can smell gas', 'gasSmell?'],
    ['if you smell gas ring us', 'gasSmell?'],
    ['the smell of gas has gone', 'gasSmell?'],
    ['there was a gas leak last year, repaired', 'gasSmell?'],
    ['no smell of gas and smoke from the case', 'scorching?'],
    ['a funny smell', 'gasSmell?'],
    ['CO detector battery low, chirps', 'coAlarm?'],
    ['everyone has a bit of a headache', 'coAlarm?'],
    ['smoke alarm went off', 'scorching?'],
    ['wet board', 'waterOnElectrics?'],
  ])('“%s” is asked about', (words, danger) => expect(heard(words)).toEqual([danger]))
})

describe('what can be said of anything', () => {
  it('case, apostrophes and full stops do not matter', () => {
    for (const words of ['SMELL OF GAS!!!', 'smell of gas…', '  Smell\nof gas', 'there’s a smell of gas', "there's a smell of gas"])
      expect(heard(words)).toEqual(words.includes('\n') ? ['gasSmell?'] : ['gasSmell'])
  })

  it('what guards the terminal is no part of the flue', () => {
    for (const words of ['Terminal guard missing', 'the flue guard has come off', 'plume kit fell off']) expect(heard(words)).toEqual([])
    expect(heard('the flue has come off')).toEqual(['fumes'])
  })

  it('a note without a full stop is looked at to its end', () => {
    expect(heard(`${'the pump was looked at and the valve too '.repeat(40)} and there is a smell of gas`)).toEqual(['gasSmell'])
  })

  it('every danger that is heard has what to ask, to say and to do', () => {
    for (const { danger } of speech.signs) {
      const known = dangers.find((one) => one.id === danger)
      expect(known?.ask.endsWith('?'), danger).toBe(true)
      expect(known!.say.length * known!.act.length, danger).toBeGreaterThan(0)
    }
    expect(new Set(speech.signs.map((one) => one.danger))).toEqual(new Set(dangers.map((one) => one.id)))
  })

  it('every family a sign names has words', () => {
    const named = speech.signs.flatMap(({ all, unless = [] }) => [...all.flatMap((one) => one.split('|')), ...unless])
    for (const family of [...named, ...speech.listed]) expect(speech.families[family]?.length, family).toBeGreaterThan(0)
    // what no sign names only hides a shorter phrase under it
    for (const [family, words] of Object.entries(speech.families))
      expect(named.includes(family) || speech.listed.includes(family) || words.every((one) => one.includes(' ')), family).toBe(true)
  })
})
