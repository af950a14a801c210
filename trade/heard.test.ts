import { hear } from '@dewpoint/core/diagnosis'
import { describe, expect, it } from 'vitest'
import { complaints } from './complaints.ts'
import { heardOf } from './heard.ts'
import { stockCatalogues } from './index.ts'

const heard = (words: string) => hear(heardOf, words).map((one) => one.danger)

/** Words as customers use them on the telephone. From memory. */
describe('what a customer’s words speak of', () => {
  it.each([
    ['It started with a whine, then dead.', 'whined'],
    ['No hot water since Friday', 'noHotWater'],
    ['We have no heating or hot water', 'nothing'],
    ['The radiators are cold', 'noHeating'],
    ['The shower goes hot then cold', 'hotColdHot'],
    ['Only lukewarm at the kitchen tap', 'lukewarm'],
    ['There is water dripping from underneath the boiler', 'boilerDrips'],
    ['The pipe outside drips when it is on', 'dripsOutside'],
    ['The gauge is in the red', 'gaugeHigh'],
    ['The pressure goes up when the heating comes on', 'risesHot'],
    ['I have to top up the pressure every week', 'topUps'],
    ['It trips the electrics', 'trips'],
    ['The display is blank', 'displayDark'],
    ['sounds like a kettle', 'kettles'],
    ['It lights with a bang', 'bangs'],
    ['The radiators are warm in summer', 'radiatorsInSummer'],
    ['It has never worked properly since we moved in', 'neverRight'],
    ['The plumber drained it last week', 'ask.recentWork'],
    ['It stopped in the frost', 'outInFrost'],
    ['error code flashing', 'locksOut'],
  ])('“%s”', (words, about) => expect(heard(words)).toContain(about))

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
