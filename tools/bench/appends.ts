import { spawn } from 'node:child_process'
import { rmSync } from 'node:fs'
import { Agent, request } from 'node:http'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import type { AppendResult, Session } from '@dewpoint/contract'
import { newEntry, type Person } from '@dewpoint/core/casebook'
import { v7 } from 'uuid'
import { samples } from '../../server/testApp.ts'
import { freePort } from '../database/mariadb.mjs'
import { timingOf } from '../soak/lists.ts'
import { startStation } from '../soak/restarts.ts'
import { signInTo } from '../soak/signIn.ts'

/**
 * How many appends a second Dewpoint keeps, against a bare server that only inserts what comes, on the same database in the same run: turn and turn
 * about, so that whatever else the machine does meets both, once both are warm.
 */
const { values } = parseArgs({ options: { json: { type: 'boolean', default: false } } })
/** so many send without a pause: one who waits for nobody, as many as a large firm has at work, as many as keep either busy */
const crowds = [1, 50, 100]
const busy = 100
const rounds = 7
/** of one round, and of the first, which warms up, s */
const seconds = 3
const warming = 6
const budget = 0.7

interface Written {
  perSecond: number
  median: number
}

/** Writers who each send an entry to a case of their own, wait until it is kept, and send the next. */
async function write(address: string, cases: readonly string[], seconds: number, cookie: string, author: Person): Promise<Written> {
  const agent = new Agent({ keepAlive: true })
  const { hostname, port } = new URL(address)
  const post = (path: string, text: string) =>
    new Promise<string>((done, fail) => {
      const headers = { cookie, 'content-type': 'application/json', 'content-length': Buffer.byteLength(text) }
      const sent = request({ agent, hostname, port, path, method: 'POST', headers }, (answer) => {
        let all = ''
        answer.setEncoding('utf8').on('data', (part: string) => (all += part))
        answer.on('end', () => done(all)).on('error', fail)
      })
      sent.on('error', fail).end(text)
    })
  const took: number[] = []
  const began = performance.now()
  const work = async (caseId: string) => {
    for (let since = 0; performance.now() - began < seconds * 1000;) {
      const entry = newEntry('reading', { check: 'ask.hotWater', outcome: 'none' }, { id: v7(), now: Date.now(), author, seen: [] })
      const sent = performance.now()
      const answer = await post(`/api/cases/${caseId}/entries`, JSON.stringify({ entries: [entry], since }))
      const { kept, position } = JSON.parse(answer) as Partial<AppendResult>
      if (!kept?.includes(entry.id)) throw new Error(`an entry was not kept: ${answer.slice(0, 300)}`)
      since = position ?? 0
      took.push(performance.now() - sent)
    }
  }
  await Promise.all(cases.map(work))
  const elapsed = (performance.now() - began) / 1000
  agent.destroy()
  return { perSecond: took.length / elapsed, median: timingOf(took).median }
}

const middleOf = (list: number[]) => timingOf(list).median
const folder = join(import.meta.dirname, '../../.cache/bench')
rmSync(folder, { recursive: true, force: true })
const station = await startStation(folder)
const port = await freePort()
const bare = spawn(process.execPath, ['--import', 'tsx', join(import.meta.dirname, 'bareServer.ts')], {
  env: { ...process.env, DATABASE_URL: station.database.url, PORT: String(port) },
  stdio: ['ignore', 'inherit', 'inherit'],
})
try {
  const address = `http://127.0.0.1:${port}`
  const answers = () =>
    fetch(address).then(
      () => true,
      () => false,
    )
  while (!(await answers())) {
    if (bare.exitCode !== null) throw new Error('the bare server did not start')
    await new Promise((rest) => setTimeout(rest, 50))
  }

  const cookie = await signInTo(station.address, 'engineer')
  const { person } = (await (await fetch(`${station.address}/api/session`, { headers: { cookie } })).json()) as Session
  const { newCase } = samples()
  const opened = async () => {
    const one = { ...newCase(), id: v7() }
    const headers = { cookie, 'content-type': 'application/json' }
    const answer = await fetch(`${station.address}/api/cases`, { method: 'POST', headers, body: JSON.stringify(one) })
    if (!answer.ok) throw new Error(`a case was not opened: ${await answer.text()}`)
    return one.id
  }

  const rows: { writers: number; bare: Written; ours: Written; ratio: number }[] = []
  for (const writers of crowds) {
    const all: { bare: Written; ours: Written }[] = []
    for (let round = 0; round <= rounds; round++) {
      // no journal grows longer than a long one is
      const cases = await Promise.all(Array.from({ length: writers }, opened))
      const length = round === 0 ? warming : seconds
      const one = { bare: await write(address, cases, length, '', person!), ours: await write(station.address, cases, length, cookie, person!) }
      if (round > 0) all.push(one)
    }
    const of = (which: 'bare' | 'ours'): Written => ({
      perSecond: Math.round(middleOf(all.map((one) => one[which].perSecond))),
      median: Number(middleOf(all.map((one) => one[which].median)).toPrecision(3)),
    })
    const ratio = Number(middleOf(all.map((one) => one.ours.perSecond / one.bare.perSecond)).toPrecision(2))
    rows.push({ writers, bare: of('bare'), ours: of('ours'), ratio })
  }
  if (values.json) process.stdout.write(`${JSON.stringify(rows, null, 2)}\n`)
  else
    console.table(
      rows.map(({ writers, bare, ours, ratio }) => ({
        'appends, one after another, by': writers === 1 ? 'one' : `${writers} at once`,
        Dewpoint: `${ours.perSecond}/s, ${ours.median} ms`,
        'bare insert': `${bare.perSecond}/s, ${bare.median} ms`,
        ratio: writers === busy ? `${ratio} × (at least ${budget})` : `${ratio} ×`,
      })),
    )
} finally {
  bare.kill('SIGTERM')
  await station.stop()
  rmSync(folder, { recursive: true, force: true })
}
