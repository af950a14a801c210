import type { Firm, Problem } from '@dewpoint/contract'
import { describe, expect, it } from 'vitest'
import { testApp } from '../testApp.ts'

const { get, post } = testApp('firm')
const costs = { hourlyRate: 55, secondTrip: 80, wrongPart: 200 }

describe('the firm’s settings', () => {
  it('are kept with a revision, and a change that did not see the last one is refused', async () => {
    expect(await get<Firm>('/api/firm')).toEqual({ settings: null })
    const first = { costs, timeZone: 'Europe/London', revision: 0 }
    expect((await post('/api/firm', first)).json()).toEqual({ settings: { ...first, revision: 1 } })
    // somebody who still looks at the empty page
    const late = await post('/api/firm', { ...first, costs: { ...costs, hourlyRate: 1 } })
    expect([late.statusCode, late.json<Problem>().type]).toEqual([409, '/problems/changed'])
    expect((await post('/api/firm', { ...first, costs: { ...costs, hourlyRate: 58 }, revision: 1 })).statusCode).toBe(200)
    expect(await get<Firm>('/api/firm')).toEqual({ settings: { costs: { ...costs, hourlyRate: 58 }, timeZone: 'Europe/London', revision: 2 } })
  })

  it('are refused field by field where they cannot be', async () => {
    const fields = async (body: object) =>
      (await post('/api/firm', body))
        .json<Problem>()
        .fields?.map((one) => one.field)
        .sort()
    expect(await fields({ costs: { ...costs, hourlyRate: -1, wrongPart: 'much' }, timeZone: 'UTC', revision: 2 })).toEqual([
      'costs.hourlyRate',
      'costs.wrongPart',
    ])
    for (const timeZone of ['Mars/Olympus', '+01:00', 'europe/london\u0000', 7, undefined])
      expect(await fields({ costs, timeZone, revision: 2 })).toEqual(['timeZone'])
  })

  it('what the firm said of itself stays where a device that knows nothing of it changes the costs', async () => {
    const { settings } = await get<Firm>('/api/firm')
    const said = { ...settings!, profile: { currency: 'EUR' } }
    expect((await post('/api/firm', said)).json<Firm>().settings!.profile).toEqual({ currency: 'EUR' })
    const { profile: _profile, ...older } = said
    const after = await post('/api/firm', { ...older, revision: said.revision + 1 })
    expect(after.json<Firm>().settings).toEqual({ ...older, profile: { currency: 'EUR' }, revision: said.revision + 2 })
    const wrong = await post('/api/firm', { ...said, revision: said.revision + 2, profile: { currency: '€' } })
    expect(wrong.json<Problem>().fields!.map((one) => one.field)).toEqual(['profile.currency'])
  })

  it('of ten people who change them at once, one has it', async () => {
    const { settings } = await get<Firm>('/api/firm')
    const answers = await Promise.all(Array.from({ length: 10 }, (_unused, n) => post('/api/firm', { ...settings, costs: { ...costs, hourlyRate: n } })))
    expect(answers.map((one) => one.statusCode).sort()).toEqual([200, ...Array.from({ length: 9 }, () => 409)])
  })
})
