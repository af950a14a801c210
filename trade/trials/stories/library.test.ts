import { scriptedJournal } from '@dewpoint/core/casebook'
import { figureWords } from '@dewpoint/core/diagnosis'
import { describe, expect, it } from 'vitest'
import { catalogueFor, catalogues, wiredCatalogues } from '../../index.ts'
import { isEntry, stories } from '../../stories/index.ts'
import { missedIn } from '../tests/telling.ts'

const all = stories.flatMap((one) => one.stories)

describe.each(stories)('$about', ({ stories: some }) => {
  it.each(some.map((one) => [one.title, one] as const))('%s', (_title, story) => {
    expect(missedIn(story)).toEqual([])
  })
})

it('the stories are sixty or more, each with a title of its own, over all systems and ways of wiring', () => {
  expect(all.length).toBeGreaterThanOrEqual(60)
  expect(new Set(all.map((one) => one.title)).size).toBe(all.length)
  expect(new Set(all.map((one) => one.system)).size).toBe(7)
  const wired = new Set(wiredCatalogues().map((one) => one.system.controls!.id))
  expect([...wired].filter((id) => !all.some((one) => one.controls === id))).toEqual([])
})

it('they write down nothing that is not known: no complaint, check, answer, fault or remedy', () => {
  for (const story of all) {
    const { complaints, checks, closing, faults, remedies } = story.controls ? catalogueFor(story.system, story.controls)! : catalogues[story.system]!
    const has = (list: readonly { id: string }[], id: string | undefined) => id === undefined || list.some((one) => one.id === id)
    for (const one of story.tell(scriptedJournal())) {
      if (!isEntry(one)) continue
      const where = `${story.title}: ${JSON.stringify(one.payload)}`
      if (one.type === 'complaint') expect(has(complaints, one.payload.what), where).toBe(true)
      if (one.type === 'finding') expect(has(faults, one.payload.fault), where).toBe(true)
      if (one.type === 'repair') expect(has(remedies, one.payload.remedy), where).toBe(true)
      if (one.type !== 'reading') continue
      const { check: id, outcome } = one.payload
      const check = checks.find((known) => known.id === id)
      expect(check !== undefined || has(closing, id), where).toBe(true)
      if (!check || outcome === undefined) continue
      const known = check.result.kind === 'outcome' ? check.result.outcomes.map((each) => each.id) : check.result.kind === 'cue' ? ['yes', 'no'] : figureWords
      expect(known, where).toContain(outcome)
    }
  }
})
