import { hear } from '@dewpoint/core/diagnosis'
import { describe, expect, it } from 'vitest'
import { complaints } from './complaints.ts'
import { heardOf } from './heard.ts'
import { stockCatalogues } from '../index.ts'
import { spoken } from './spoken.ts'

const heard = (words: string) => hear(heardOf, words).map((one) => one.danger)

/** Words as customers use them on the telephone. From memory. */
describe('what a customer’s words speak of', () => {
  it.each([...spoken, ['The plumber drained it last week', 'ask.recentWork'] as const])('“%s”', (words, about) => expect(heard(words)).toContain(about))

  it.each([
    ['The heating is fine', 'noHeating'],
    ['It does not drip from the boiler', 'boilerDrips'],
    ['There is no whine', 'whined'],
    ['The pipe outside drips', 'boilerDrips'],
    ['The pressure is fine', 'topUps'],
    ['', 'noHotWater'],
  ])('“%s” says nothing of %s', (words, about) => expect(heard(words)).not.toContain(about))

  it('is a complaint there is, or a question that is answered with yes', () => {
    const questions = new Set(Object.values(stockCatalogues).flatMap((one) => one.checks.flatMap(({ id, result }) => (result.kind === 'cue' ? [id] : []))))
    for (const { danger } of heardOf.signs) expect(complaints.some(({ id }) => id === danger) || questions.has(danger), danger).toBe(true)
    for (const { all } of heardOf.signs) for (const family of all.flatMap((one) => one.split('|'))) expect(heardOf.families).toHaveProperty(family)
  })
})
