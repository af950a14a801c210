import { rmSync } from 'node:fs'
import { resolve } from 'node:path'
import type { Case, Health } from '@dewpoint/contract'
import { expect, it } from 'vitest'
import { testApp, tokenOf } from '../../server/testApp.ts'
import { runDay } from './day.ts'
import { runHostile } from './hostile.ts'
import { fillWithCases, timeLists } from './lists.ts'
import { runRestarts, startStation } from './restarts.ts'

const { running, newCase, reading, get, post, opened } = testApp('soak')

it('hostile requests get an answer that is theirs, and leave what is there alone', async () => {
  const target = await opened({ site: { ...newCase().site, name: 'Place nobody else is told of' } })
  const entry = reading()
  await post(`/api/cases/${target.id}/entries`, { entries: [entry] })
  const address = await running.app.listen({ host: '127.0.0.1', port: 0 })
  const targets = { address, caseId: target.id, newCase, entry: () => reading() }
  const seed = Number(process.env.SEED ?? 7)
  for (const cookie of [undefined, `dewpoint=${tokenOf('learner')}`]) {
    const outside = await runHostile({ ...targets, cookie, secrets: [target.site.name] }, 300, seed)
    expect([outside.failed, outside.leaks]).toEqual([[], []])
    // shut out, or told what they may know: never let in
    expect(outside.statuses[cookie === undefined ? '401' : '403'] ?? 0).toBeGreaterThan(50)
    expect(outside.statuses['201']).toBeUndefined()
  }
  const report = await runHostile({ ...targets, cookie: `dewpoint=${tokenOf('owner')}` }, 600, seed)
  expect(report.leaks).toEqual([])
  expect(report.failed).toEqual([])
  expect(report.requests).toBeGreaterThanOrEqual(600)
  // some attacks are harmless and some are shut out: a run that only ever met one kind of answer tried nothing
  for (const status of ['400', '404', '413', '415', '421', '422']) expect(report.statuses[status] ?? 0, status).toBeGreaterThan(0)
  expect((await get<Case>(`/api/cases/${target.id}`)).entries).toContainEqual(entry)
  expect((await get<Case>(`/api/cases/${target.id}`)).site).toEqual(target.site)
  expect((await get<Health>('/api/health')).status).toBe('ok')
})

it('the lists answer from a thousand cases, and the questions find what is there', async () => {
  await fillWithCases(running.url, 1000)
  const { port } = running.app.server.address() as { port: number }
  const timings = await timeLists(`http://127.0.0.1:${port}`, 2, `dewpoint=${tokenOf('owner')}`)
  expect(Object.keys(timings)).toHaveLength(9)
  expect((await get<{ cases: unknown[] }>('/api/cases?search=house%20987')).cases).toHaveLength(1)
})

it('people at work lose nothing, are answered, and are told of each other', async () => {
  const folder = resolve('.cache/soak-day')
  rmSync(folder, { recursive: true, force: true })
  const station = await startStation(folder)
  try {
    const report = await runDay({ address: station.address, engineers: 6, office: 2, seconds: 5, pause: 100, pid: station.pid })
    expect(report).toMatchObject({ lost: 0, failed: [] })
    expect(report.acknowledged).toBeGreaterThan(20)
    expect(report.told).toBeGreaterThan(0)
    for (const what of ['open a case', 'append', 'list', 'one case', 'what earlier cases teach']) expect(report.timings[what]?.times, what).toBeGreaterThan(0)
    expect(Math.min(...report.memory)).toBeGreaterThan(20)
  } finally {
    await station.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}, 120_000)

it('server and database killed under load lose no entry that was acknowledged, and double none', async () => {
  const folder = resolve('.cache/soak-short')
  rmSync(folder, { recursive: true, force: true })
  const station = await startStation(folder)
  try {
    const report = await runRestarts(station, 4, 15, 4)
    expect(report).toMatchObject({ kills: 4, lost: 0, doubled: 0, misplaced: 0 })
    expect(report.acknowledged).toBeGreaterThanOrEqual(75)
  } finally {
    await station.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}, 300_000)
