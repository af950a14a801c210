import type { AppendResult, Case, NewCase } from '@dewpoint/contract'
import { byName, fold, newEntry, type Entry } from '@dewpoint/core/casebook'
import { createConnection } from 'mysql2/promise'
import { describe, expect, it } from 'vitest'
import { testApp } from '../../testApp.ts'

const { running, reading, get, post, opened, id } = testApp('append')
const send = async (body: Pick<NewCase, 'id'>, entries: Entry[], since?: number) =>
  post(`/api/cases/${body.id}/entries`, { entries, ...(since !== undefined && { since }) })

describe('what many send at once', () => {
  it('is kept each in its case, in one row of positions, and everybody is told all that is new to them', async () => {
    const list = await Promise.all(Array.from({ length: 12 }, () => opened()))
    const sent = list.flatMap((body) =>
      Array.from({ length: 6 }, (_unused, index) => ({
        body,
        // one in three says something its summary has to be folded anew for
        entry: index % 3 === 0 ? newEntry('complaint', { what: 'noHotWater' }, { id: id(), now: Date.now(), author: byName('Engineer'), seen: [] }) : reading(),
      })),
    )
    const answers = await Promise.all(sent.map(({ body, entry }) => send(body, [entry], 0)))
    for (const [index, answer] of answers.entries()) {
      expect(answer.statusCode).toBe(200)
      const result = answer.json<AppendResult>()
      expect(result.kept).toEqual([sent[index]!.entry.id])
      // from the beginning up to the position nothing is missing
      expect(result.entries).toHaveLength(result.position)
    }
    for (const body of list) {
      const { entries, position } = await get<Case>(`/api/cases/${body.id}`)
      const own = sent.filter((one) => one.body === body).map((one) => one.entry.id)
      expect([...entries.map((one) => one.id)].sort()).toEqual([...own].sort())
      expect(position).toBe(6)
      const { cases } = await get<{ cases: { id: string; summary: object; position: number }[] }>('/api/cases')
      expect(cases.find((one) => one.id === body.id)).toMatchObject({ position: 6, summary: fold(entries).summary })
    }
  })

  it('and again, beside something new, changes only what is new; each who asks from elsewhere is told from there', async () => {
    const body = await opened()
    const [first, second, third] = [reading(), reading(), reading()]
    await send(body, [first, second])
    const changed = { ...first, payload: { ...first.payload, outcome: 'hot' } } as Entry
    const answers = await Promise.all([send(body, [first], 1), send(body, [third], 2), send(body, [changed], 0), send(body, [second], 0)])
    const [again, fresh, clash, from] = answers.map((answer) => answer.json<AppendResult>())
    expect([again!.kept, fresh!.kept, clash!.kept, clash!.conflicts.map((one) => one.id), from!.kept]).toEqual([
      [first.id],
      [third.id],
      [],
      [first.id],
      [second.id],
    ])
    expect(again!.entries.map((one) => one.id)).toEqual(expect.arrayContaining([second.id]))
    expect(again!.entries.map((one) => one.id)).not.toContain(first.id)
    expect(from!.entries).toHaveLength(from!.position)
    expect((await get<Case>(`/api/cases/${body.id}`)).entries.map((one) => one.id).sort()).toEqual([first.id, second.id, third.id].sort())
  })

  it('of a case that is held elsewhere waits alone; a case that is not there is told so; the others are kept meanwhile', async () => {
    const list = await Promise.all(Array.from({ length: 5 }, () => opened()))
    const other = await createConnection({ uri: running.url })
    await other.query('start transaction')
    await other.query('select id from cases where id = ? for update', [list[2]!.id])
    let heldBack = true
    const held = send(list[2]!, [reading(), reading()]).finally(() => (heldBack = false))
    const missing = send({ id: '01934a00-0000-7000-8000-ffffffffffff' }, [reading()])
    const others = await Promise.all([0, 1, 3, 4, 0, 1].map((one) => send(list[one]!, [reading()])))
    expect(others.map((one) => one.statusCode)).toEqual([200, 200, 200, 200, 200, 200])
    expect((await missing).statusCode).toBe(404)
    expect(heldBack).toBe(true)
    await other.query('rollback')
    await other.end()
    expect((await held).json<AppendResult>()).toMatchObject({ position: 2 })
  })
})
