import { readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { samples } from '../../server/testApp.ts'
import { runDay } from './day.ts'
import { runHostile, type Targets } from './hostile.ts'
import { fillWithCases, timeLists, type Timing } from './lists.ts'
import { runRestarts, startStation } from './restarts.ts'
import { signInTo } from './signIn.ts'

/** Tries hard to bring a server down, within bounds, and prints what came of it. */
const { values } = parseArgs({
  options: {
    requests: { type: 'string', default: '3000' },
    kills: { type: 'string', default: '20' },
    cases: { type: 'string', default: '50000' },
    seed: { type: 'string', default: '1' },
    /** entries in each of the cases */
    entries: { type: 'string', default: '20' },
    minutes: { type: 'string', default: '60' },
  },
})
const numbers = [values.requests, values.kills, values.cases, values.seed, values.entries, values.minutes].map(Number)
const [requests, kills, cases, seed, entries, minutes] = numbers as [number, number, number, number, number, number]
if (!numbers.every((one) => Number.isInteger(one) && one > 0 && one <= 1_000_000)) {
  console.error('--requests, --kills, --cases, --entries, --minutes and --seed take whole numbers from 1 to 1000000.')
  process.exit(2)
}
// the writers share three cases, and a case holds no more than longestJournal entries
if (kills > 150) {
  console.error('--kills takes at most 150: the cases written into would be full.')
  process.exit(2)
}

const folder = join(import.meta.dirname, '../../.cache/soak')
rmSync(folder, { recursive: true, force: true })
const station = await startStation(folder)
const show = (title: string, timings: Record<string, Timing & { times?: number }>) => {
  console.log(`${title}; ms: median / 95 / 99 of 100 under`)
  for (const [name, { median, p95, p99, times }] of Object.entries(timings))
    console.log(
      `  ${name.padEnd(28)} ${[median, p95, p99].map((one) => one.toFixed(0).padStart(5)).join(' ')}${times === undefined ? '' : `   ${times} times`}`,
    )
}
const problems: string[] = []
const must = (holds: boolean, what: string) => void (holds || problems.push(what))
try {
  const { newCase, reading } = samples()
  const cookie = await signInTo(station.address, 'owner')
  const target = newCase()
  target.site.name = 'Place nobody else is told of'
  await fetch(`${station.address}/api/cases`, { method: 'POST', headers: { 'content-type': 'application/json', cookie }, body: JSON.stringify(target) })
  const memory = () => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${station.pid()}/status`, 'utf8'))![1]) / 1024
  const targets: Targets = { address: station.address, caseId: target.id, newCase, entry: () => reading() }
  const secrets = [target.site.name]
  for (const [who, sent] of [
    ['nobody signed in', { secrets }],
    ['a learner', { secrets, cookie: await signInTo(station.address, 'learner') }],
    ['an engineer', { cookie: await signInTo(station.address, 'engineer') }],
  ] as const) {
    const { requests: count, statuses, failed, leaks } = await runHostile({ ...targets, ...sent }, requests, seed)
    console.log(`hostile, ${who}: ${count} requests, statuses ${JSON.stringify(statuses)}`)
    for (const one of [...failed, ...leaks].slice(0, 20)) console.log(`  ${one}`)
    must(failed.length === 0, `a hostile request of ${who} was answered with 5xx`)
    must(leaks.length === 0, `an answer to ${who} tells what it must not`)
  }
  targets.cookie = await signInTo(station.address, 'owner')
  const hostile = await runHostile(targets, requests, seed)
  // what is loaded at first use is no leak: memory is looked at from here on, the same again twice
  const before = memory()
  for (const again of [1, 2]) await runHostile(targets, requests, seed + again)
  const after = memory()
  console.log(`hostile, the owner: ${hostile.requests} requests, statuses ${JSON.stringify(hostile.statuses)}`)
  console.log(`  slowest ${hostile.slowestMs.toFixed(0)} ms (${hostile.slowest.slice(0, 70)})`)
  console.log(`  memory of the server ${before.toFixed(0)} MB after them, ${after.toFixed(0)} MB after twice as many again`)
  for (const one of hostile.failed.slice(0, 20)) console.log(`  ${one}`)
  must(hostile.leaks.length === 0, 'an answer tells what it must not')
  must(hostile.failed.length === 0, 'a hostile request was answered with 5xx')
  must(hostile.slowestMs < 1000, 'a hostile request took more than a second')
  must(after < before * 1.25, 'memory grew')

  const restarts = await runRestarts(station, kills, 60)
  console.log(
    `kill and restart: ${restarts.kills} kills of server and database in turn, ${restarts.acknowledged} entries acknowledged, ` +
      `${restarts.lost} lost, ${restarts.doubled} doubled, ${restarts.misplaced} misplaced, longest wait ${(restarts.longestWaitMs / 1000).toFixed(1)} s`,
  )
  must(restarts.lost + restarts.doubled + restarts.misplaced === 0, 'entries were lost, doubled or misplaced')

  const began = performance.now()
  await fillWithCases(station.database.url, cases, entries)
  console.log(`${cases} cases with ${cases * entries} entries, what they prove counted, after ${((performance.now() - began) / 1000).toFixed(0)} s`)
  const quiet = await timeLists(station.address, 60, await signInTo(station.address, 'office'))
  show(`lists with ${cases} cases, nobody else at work`, quiet)

  const [engineers, office] = [50, 5]
  const working = runDay({ address: station.address, engineers, office, seconds: minutes * 60, pause: 1500, pid: station.pid })
  const busy = await timeLists(station.address, 60, await signInTo(station.address, 'office'))
  const day = await working
  show(`the same with ${engineers + office} people at work`, busy)
  show(
    `${engineers} engineers and ${office} of the office, ${minutes} min: ${day.acknowledged} entries acknowledged, ${day.lost} lost, ${day.told} times told`,
    day.timings,
  )
  console.log(
    `  memory of the server ${day.memory[0].toFixed(0)} MB after a fifth, ${day.memory[1].toFixed(0)} MB at the end; ${day.failed.length} answers that were none`,
  )
  for (const one of day.failed.slice(0, 10)) console.log(`  ${one}`)
  must(day.failed.length === 0 && day.lost === 0, 'an answer failed, or an entry was lost')
  must(day.timings.append!.p99 <= 250, 'an append took more than 250 ms, one in a hundred')
  must(day.memory[1] < day.memory[0] * 1.25, 'memory grew while people worked')
  must(
    Object.values(busy).every((one) => one.p95 <= 150),
    'a list took more than 150 ms',
  )
} finally {
  await station.stop()
  rmSync(folder, { recursive: true, force: true })
}
for (const one of problems) console.log(`✗ ${one}`)
process.exit(problems.length > 0 ? 1 : 0)
