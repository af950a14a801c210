import { catalogueFor, catalogues } from '@dewpoint/trade'
import { describe, expect, it } from 'vitest'
import { entryWords } from '../../case/checkWords.ts'
import { inWords, shelves, stepsOf, storyAt } from './walk.ts'

const all = shelves.flatMap((one) => one.stories)

describe('the stories of the library', () => {
  it('have addresses of their own, by which they are found', () => {
    expect(new Set(all.map((one) => one.slug)).size).toBe(all.length)
    for (const one of all) {
      expect(one.slug).toMatch(/^[a-z0-9]+(-[a-z0-9]+)*$/)
      expect(storyAt(one.slug)?.title).toBe(one.title)
    }
    expect(storyAt('of-no-such-name')).toBeUndefined()
  })

  it('say what was heard, begin with a complaint, and say of every entry in words what it was', () => {
    for (const story of all) {
      const catalogue = story.controls ? catalogueFor(story.system, story.controls)! : catalogues[story.system]!
      const steps = stepsOf(story)
      expect(story.heard?.length ?? 0, story.title).toBeGreaterThan(10)
      expect(steps[0]!.entry.type, story.title).toBe('complaint')
      expect(steps.flatMap((one) => one.holds).length, story.title).toBeGreaterThan(0)
      for (const { entry } of steps) {
        const { what, result } = entryWords(catalogue, entry)
        // an id that the catalogue does not have would stand there as it is
        expect(`${what} ${result}`, story.title).not.toMatch(/\b[a-z]+\.[a-z][A-Za-z.]+\b/)
        expect(result, `${story.title}: ${what}`).not.toBe('')
      }
    }
  })

  it('say what must hold in words: no id, no brace, no pattern is left', () => {
    for (const story of all) {
      const catalogue = story.controls ? catalogueFor(story.system, story.controls)! : catalogues[story.system]!
      for (const { says } of stepsOf(story).flatMap((one) => one.holds))
        expect(inWords(catalogue, says), story.title).not.toMatch(/\b[a-z]\w*\.[a-z]\w*\b|\b[a-z]+[A-Z]\w*\b|[{}|\\/]|\b0\.\d/)
    }
    const combi = catalogues['premix-combi']!
    expect(inWords(combi, 'the verdict is {flowThermistor}')).toBe('the verdict is “Flow thermistor”')
    expect(inWords(combi, 'fan.seized stands with 0.9 at least')).toBe('“Fan seized” stands with 90% at least')
  })
})
