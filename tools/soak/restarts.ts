import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { isAppendResult, isCase, type Case } from '@dewpoint/contract'
import { byName, type Entry } from '@dewpoint/core/casebook'
import { samples } from '../../server/testApp.ts'
import { freePort, startMariadb, type RunningMariadb } from '../database/mariadb.mjs'
import { demoPeople, signInTo } from './signIn.ts'
import { keepRunning } from '../supervise.mjs'

/** What came of killing server and database under load. */
export interface RestartReport {
  kills: number
  acknowledged: number
  lost: number
  doubled: number
  /** places of a journal that are missing or held twice */
  misplaced: number
  /** the longest anybody waited for an entry to be acknowledged, ms */
  longestWaitMs: number
}

/** A server with a database of its own, both started again whenever they end. */
export interface Station {
  address: string
  database: RunningMariadb
  /** the present process of the server */
  pid: () => number
  stop: () => Promise<void>
}

/** Starts a database and a built server, supervised as the demo supervises them. */
export async function startStation(folder: string, env: Record<string, string> = {}): Promise<Station> {
  const database = await startMariadb(folder)
  const port = await freePort()
  const server = keepRunning('server', () =>
    spawn(process.execPath, [join(import.meta.dirname, '../../server/dist/main.js')], {
      env: {
        ...process.env,
        LOG_LEVEL: 'silent',
        DEMO_PEOPLE: join(import.meta.dirname, '../..', demoPeople),
        REQUESTS_PER_MINUTE: '100000000',
        ...env,
        DATABASE_URL: database.url,
        PORT: String(port),
      },
      stdio: 'ignore',
    }),
  )
  const address = `http://127.0.0.1:${port}`
  await until(() => fetch(`${address}/api/health`).then((answer) => answer.ok))
  return {
    address,
    database,
    pid: () => server.child!.pid!,
    stop: async () => {
      await server.stop()
      await database.stop()
    },
  }
}

/**
 * Several people write into a few cases while server and database are killed in turn, each after so many entries were acknowledged. Every
 * writer sends an entry until the server says that it keeps it, as the outbox does.
 */
export async function runRestarts(station: Station, kills: number, entriesBetween: number, writers = 6): Promise<RestartReport> {
  const { newCase, id } = samples()
  // ids of their own, so that a second run on the same database meets nothing of the first
  const mark = Date.now().toString(16).padStart(12, '0')
  const own = (text: string) => `${mark.slice(0, 8)}-${mark.slice(8)}${text.slice(13)}`
  const cases = Array.from({ length: 3 }, () => {
    const one = newCase()
    return { ...one, id: own(one.id), site: { ...one.site, id: own(one.site.id) }, appliance: { ...one.appliance, id: own(one.appliance.id) } }
  })
  const report: RestartReport = { kills: 0, acknowledged: 0, lost: 0, doubled: 0, misplaced: 0, longestWaitMs: 0 }
  const acknowledged = new Map<string, Set<string>>(cases.map((one) => [one.id, new Set()]))
  const cookie = await signInTo(station.address, 'owner')
  const post = async (path: string, body: unknown): Promise<unknown> => {
    const answer = await fetch(station.address + path, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(8000),
    })
    return answer.json()
  }
  for (const one of cases) await until(async () => isCase(await post('/api/cases', one), one.id))

  let ended = false
  const write = async (writer: number) => {
    while (!ended) {
      const caseId = cases[writer % cases.length]!.id
      const entry: Entry = { ...samples().reading(), id: own(id()), author: byName(`Writer ${writer}`).id, authorName: `Writer ${writer}` }
      const began = performance.now()
      await until(async () => {
        const answer = await post(`/api/cases/${caseId}/entries`, { entries: [entry] })
        return isAppendResult(answer) && answer.kept.includes(entry.id)
      })
      report.longestWaitMs = Math.max(report.longestWaitMs, performance.now() - began)
      acknowledged.get(caseId)!.add(entry.id)
      report.acknowledged++
    }
  }
  const kill = async () => {
    for (let next = entriesBetween; report.kills < kills; next += entriesBetween) {
      await until(() => Promise.resolve(report.acknowledged >= next))
      process.kill(report.kills % 2 === 0 ? station.pid() : station.database.pid(), 'SIGKILL')
      report.kills++
    }
    await until(() => Promise.resolve(report.acknowledged >= (kills + 1) * entriesBetween))
    ended = true
  }
  await Promise.all([kill(), ...Array.from({ length: writers }, (_unused, writer) => write(writer))])

  for (const { id: caseId } of cases) {
    let found: Case | null = null
    await until(async () => {
      found = (await (await fetch(`${station.address}/api/cases/${caseId}`, { headers: { cookie } })).json()) as Case
      return isCase(found, caseId)
    })
    const ids = found!.entries.map((one) => one.id)
    const present = new Set(ids)
    report.doubled += ids.length - present.size
    report.lost += [...acknowledged.get(caseId)!].filter((one) => !present.has(one)).length
    report.misplaced += Math.abs(found!.position - ids.length)
  }
  return report
}

/** Asks again until the answer is yes; a failure is a no. */
async function until(question: () => Promise<boolean>): Promise<void> {
  for (;;) {
    if (await question().catch(() => false)) return
    await new Promise((rest) => setTimeout(rest, 20))
  }
}
