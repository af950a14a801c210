import type { AuditList, Problem } from '@dewpoint/contract'
import { byName } from '@dewpoint/core/casebook'
import { expect, it } from 'vitest'
import { testApp } from '../testApp.ts'

const { as, get, opened, post, reading } = testApp('audit')
const lines = async (query = '') =>
  (await get<AuditList>(`/api/audit${query}`)).lines.map(({ person, kind, of, about, subject }) => [person?.name, kind, of, about || subject])

it('tells who read and who changed what, the same once an hour', async () => {
  const { id, site } = await opened()
  for (let again = 0; again < 3; again++) {
    await as('engineer').get(`/api/cases/${id}`)
    await as('office').get('/api/cases?search=net%20loft')
    await post(`/api/cases/${id}/entries`, { entries: [reading()] })
  }
  const told = await lines()
  expect(told).toEqual(
    expect.arrayContaining([
      ['Test engineer', 'read', 'case', site.name],
      ['Test office', 'read', 'cases', 'net loft'],
      ['Engineer', 'changed', 'case', site.name],
    ]),
  )
  // the case was opened and written into: one line
  expect(told.filter(([, kind]) => kind === 'changed')).toHaveLength(1)
  expect(told.filter(([name, kind]) => name === 'Test engineer' && kind === 'read')).toHaveLength(1)
  expect(await lines(`?person=${byName('Test office').id}`)).toEqual([['Test office', 'read', 'cases', 'net loft']])
  expect((await lines('?about=net%20LOFT')).map(([name]) => name)).toEqual(expect.arrayContaining(['Test office', 'Test engineer']))
})

it('is told in stretches, newest first, and without end or beginning it does not know', async () => {
  for (let at = 0; at < 130; at++) await as('office').get(`/api/sites?search=place${at}`)
  const first = await get<AuditList>(`/api/audit?person=${byName('Test office').id}`)
  expect(first.lines).toHaveLength(100)
  const second = await get<AuditList>(`/api/audit?person=${byName('Test office').id}&before=${first.next!}`)
  expect(second.next).toBeNull()
  expect(new Set([...first.lines, ...second.lines].map((one) => one.id)).size).toBe(131)
  for (const query of [
    'before=x',
    'person=x',
    'person=1&person=2',
    `about=${'x'.repeat(101)}`,
    'before=2026-13-45T00:00:00.000Z.01934a00-0000-7000-8000-ffffffffffff',
  ]) {
    const answer = await as('owner').get(`/api/audit?${query}`)
    expect([answer.statusCode, answer.json<Problem>().fields?.length]).toEqual([422, 1])
  }
})
