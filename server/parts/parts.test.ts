import type { Problem, Stock, Stocked } from '@dewpoint/contract'
import { describe, expect, it } from 'vitest'
import { testApp } from '../testApp.ts'

const { get, post } = testApp('parts')
const fan: Stocked = { part: 'fan', price: 184.5, van: 1, store: 0, revision: 0 }
const of = async (part: string) => (await get<Stock>('/api/parts')).parts.find((one) => one.part === part)

describe('what the firm has of parts', () => {
  it('is nothing before anybody said so, and then as it was said', async () => {
    expect(await get<Stock>('/api/parts')).toEqual({ parts: [] })
    expect((await post('/api/parts', fan)).json<Stock>()).toEqual({ parts: [{ ...fan, revision: 1 }] })
    const changed = { ...fan, price: null, van: 0, store: 2, revision: 1 }
    expect((await post('/api/parts', changed)).json<Stock>()).toEqual({ parts: [{ ...changed, revision: 2 }] })
  })

  it('a change made on what somebody else has changed since is refused, and theirs stays', async () => {
    const first = { ...fan, part: 'valve core', revision: 0 }
    await post('/api/parts', first)
    const answer = await post('/api/parts', { ...first, van: 9 })
    expect(answer.statusCode).toBe(409)
    expect(answer.json<Problem>().type).toBe('/problems/changed')
    expect(await of('valve core')).toEqual({ ...first, revision: 1 })
  })

  it('of ten who say it at once one is heard, and nobody meets a failure', async () => {
    const answers = await Promise.all(Array.from({ length: 10 }, (_unused, van) => post('/api/parts', { ...fan, part: 'clip', van })))
    expect(answers.map((one) => one.statusCode).sort()).toEqual([200, ...Array.from({ length: 9 }, () => 409)])
    expect((await of('clip'))!.revision).toBe(1)
  })

  it.each([
    ['no part', { ...fan, part: ' ' }, 'part'],
    ['half a part', { ...fan, van: 0.5 }, 'van'],
    ['fewer than none', { ...fan, store: -1 }, 'store'],
    ['a price that is a text', { ...fan, price: '12' }, 'price'],
    ['a price below nothing', { ...fan, price: -1 }, 'price'],
    ['something else besides', { ...fan, shelf: 4 }, ''],
    ['nothing', null, ''],
  ])('%s is refused by its field', async (_what, body, field) => {
    const answer = await post('/api/parts', body)
    expect([400, 422]).toContain(answer.statusCode)
    if (field) expect(answer.json<Problem>().fields!.map((one) => one.field)).toContain(field)
  })
})
