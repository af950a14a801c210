import type { People } from '@dewpoint/contract'
import { newEntry } from '@dewpoint/core/casebook'
import { expect, it } from 'vitest'
import { testApp } from '../testApp.ts'

const { get, id, opened, post } = testApp('people')

it('names who wrote lately, each once, in order of their names', async () => {
  expect(await get<People>('/api/people')).toEqual({ people: [] })
  const { id: caseId } = await opened()
  const entries = ['Wren Tallow', 'Ada Hook', 'Wren Tallow'].map((author, at) =>
    newEntry('finding', { what: `Seen ${at}` }, { id: id(), now: Date.UTC(2026, 2, 1, 9, at), author, seen: [] }),
  )
  expect((await post(`/api/cases/${caseId}/entries`, { entries })).statusCode).toBe(200)
  expect(await get<People>('/api/people')).toEqual({ people: ['Ada Hook', 'Wren Tallow'] })
})
