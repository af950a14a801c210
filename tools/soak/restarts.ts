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
  /** the longest time nobody’s entry was acknowledged, ms */
  longestStillMs: number
  entriesPerSecond: number
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
  const server = await startServer(database.url, env)
  return {
    ...server,
    database,
    stop: async () => {
      await server.stop()
      await database.stop()
    },
  }
}

/** Starts a built server of made-up people on a database; started again whenever it ends. */
export async function startServer(databaseUrl: string, env: Record<string, string> = {}): Promise<Omit<Station, 'database'>> {
  const port = await freePort()
  const server = keepRunning('server', () =>
    spawn(process.execPath, [join(import.meta.dirname, '../../server/dist/main.js')], {
      env: {
        ...process.env,
        LOG_LEVEL: 'silent',
        DEMO_PEOPLE: join(import.meta.dirname, '../..', demoPeople),
        REQUESTS_PER_MINUTE: '100000000',
        ...env,
        DATABASE_URL: databaseUrl,
        PORT: String(port),
      },
      stdio: 'ignore',
    }),
  )
  const address = `http://127.0.0.1:${port}`
  await until(() => fetch(`${address}/api/health`).then((answer) => answer.ok))
  return { address, pid: () => server.child!.pid!, stop: server.stop }
}

/** Server and database of a station are killed in turn while people write. */
export function runRestarts(station: Station, kills: number, entriesBetween: number, writers = 6): Promise<RestartReport> {
  const strike = (count: number) => void process.kill(count % 2 === 0 ? station.pid() : station.database.pid(), 'SIGKILL')
  return writeUnderKills({ addresses: [station.address], strike, kills, entriesBetween, writers })
}

/** Who is struck when, and how many write meanwhile. */
interface Kills {
  /** servers of one database */
  addresses: readonly string[]
  /** kills something, the how manieth time */
  strike: (count: number) => void | Promise<void>
  kills: number
  /** entries that are acknowledged between two strikes */
  entriesBetween: number
  writers: number
}

/**
 * Several people write into a few cases while something is killed again and again, each time after so many entries were acknowledged. Every
 * writer sends an entry until a server says that it keeps it, as the outbox does; from a server that does not answer they go to the next, as a proxy does.
 */
export async function writeUnderKills({ addresses, strike, kills, entriesBetween, writers }: Kills): Promise<RestartReport> {
  const { newCase, id } = samples()
  // ids of their own, so that a second run on the same database meets nothing of the first
  const mark = Date.now().toString(16).padStart(12, '0')
  const own = (text: string) => `${mark.slice(0, 8)}-${mark.slice(8)}${text.slice(13)}`
  // two in a case at the least, who come through different servers: an odd number of cases
  const cases = Array.from({ length: Math.max(3, Math.floor(writers / 2)) | 1 }, () => {
    const one = newCase()
    return { ...one, id: own(one.id), site: { ...one.site, id: own(one.site.id) }, appliance: { ...one.appliance, id: own(one.appliance.id) } }
  })
  const report: RestartReport = { kills: 0, acknowledged: 0, lost: 0, doubled: 0, misplaced: 0, longestWaitMs: 0, longestStillMs: 0, entriesPerSecond: 0 }
  const acknowledged = new Map<string, Set<string>>(cases.map((one) => [one.id, new Set()]))
  const cookie = await signInTo(addresses[0]!, 'owner')
  const post = async (path: string, body: unknown, at = 0): Promise<unknown> => {
    const answer = await fetch(addresses[at % addresses.length]! + path, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(8000),
    })
    return answer.json()
  }
  for (const one of cases) await until(async () => isCase(await post('/api/cases', one), one.id))

  let ended = false
  const beginning = performance.now()
  let latest = beginning
  const write = async (writer: number) => {
    while (!ended) {
      const caseId = cases[writer % cases.length]!.id
      const entry: Entry = { ...samples().reading(), id: own(id()), author: byName(`Writer ${writer}`).id, authorName: `Writer ${writer}` }
      const began = performance.now()
      let tries = 0
      await until(async () => {
        const answer = await post(`/api/cases/${caseId}/entries`, { entries: [entry] }, writer + tries++)
        return isAppendResult(answer) && answer.kept.includes(entry.id)
      })
      const now = performance.now()
      report.longestWaitMs = Math.max(report.longestWaitMs, now - began)
      report.longestStillMs = Math.max(report.longestStillMs, now - latest)
      latest = now
      acknowledged.get(caseId)!.add(entry.id)
      report.acknowledged++
    }
  }
  const kill = async () => {
    for (let next = entriesBetween; report.kills < kills; next += entriesBetween) {
      await until(() => Promise.resolve(report.acknowledged >= next))
      await strike(report.kills)
      report.kills++
    }
    await until(() => Promise.resolve(report.acknowledged >= (kills + 1) * entriesBetween))
    ended = true
  }
  await Promise.all([kill(), ...Array.from({ length: writers }, (_unused, writer) => write(writer))])
  report.entriesPerSecond = (report.acknowledged * 1000) / (performance.now() - beginning)

  // on every server the same, and everything
  for (const address of addresses)
    for (const { id: caseId } of cases) {
      let found: Case | null = null
      await until(async () => {
        found = (await (await fetch(`${address}/api/cases/${caseId}`, { headers: { cookie } })).json()) as Case
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
