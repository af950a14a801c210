import { request as httpRequest } from 'node:http'
import { connect } from 'node:net'
import { chances } from './chances.ts'

/** What came of hostile requests. */
export interface HostileReport {
  requests: number
  /** how often each status was answered; 0 for a connection the server shut without an answer */
  statuses: Record<string, number>
  /** what was answered with 500 and more */
  failed: string[]
  /** answers that tell what they must not */
  leaks: string[]
  slowestMs: number
  slowest: string
}

/** One request as it goes out. */
interface Attack {
  method: string
  path: string
  headers?: Record<string, string>
  body?: string | Buffer
  /** sent as it is, past everything that would make it proper */
  raw?: string
}

/** Case and entry that are there, and how to make proper ones: attacks are these with something wrong. */
export interface Targets {
  address: string
  caseId: string
  newCase: () => object
  entry: () => object
  /** of whoever sends them; none of somebody who is not signed in */
  cookie?: string
  /** what no answer may tell */
  secrets?: readonly string[]
}

/** What no answer tells, whoever asks: secrets, statements, where the code stands. */
const inner = ['$argon2', 'pass_phrase', 'select `', 'insert into', 'node_modules', 'at async ']

const nested = (levels: number): unknown => (levels === 0 ? 'deep' : { a: nested(levels - 1) })
const spoiled: (() => unknown)[] = [
  () => null,
  () => [],
  () => ({}),
  () => true,
  () => -1,
  () => 1e308,
  () => '',
  () => 'x'.repeat(3000),
  () => 'null\u0000byte',
  () => '\ud800',
  () => '2026-13-01T09:00:00.000Z',
  () => '2026-02-31',
  () => "'; drop table cases; --",
  () => '%00',
  () => nested(40),
  () => Array.from({ length: 5000 }, (_unused, n) => n),
  () => JSON.parse('{"__proto__":{"admin":true},"constructor":{"prototype":{"x":1}}}') as unknown,
  () => '𝔘🫖\u202e',
  () => Object.fromEntries(Array.from({ length: 500 }, (_unused, n) => [`k${n}`, n])),
]
const paths = [
  '/api/cases/%00',
  '/api/cases/%00/entries',
  '/api/cases/%ff%fe',
  '/api/cases/..%2f..%2fetc%2fpasswd',
  '/%00',
  '/assets/%00.js',
  '/assets/..%2f..%2fpackage.json',
  '/assets/%2e%2e/%2e%2e/package.json',
  '/..;/api/cases',
  '//api//cases',
  `/api/cases/${'a'.repeat(7000)}`,
  `/api/cases?search=${'%25'.repeat(2000)}`,
  '/api/cases?search=%00',
  '/api/cases?search=%ED%A0%80',
  '/api/cases?limit=1e9',
  '/api/cases?limit=-1&limit=2',
  '/api/cases?after=2026-02-30T00:00:00Z_x',
  '/api/cases?after[$gt]=1',
  '/api/cases?__proto__=1',
  '/api/sites?after=%F0%9F%AB%96',
  `/api/sites?search=${encodeURIComponent("%' or 1=1 -- ")}`,
  '/api/pairs/%00',
  '/api/pairs/0123456789abcdeF',
  '/api/firm/',
  '/api',
  '/api/health/%',
  '/sw.js%00',
]
const methods = ['PUT', 'PATCH', 'DELETE', 'OPTIONS', 'HEAD', 'TRACE', 'PROPFIND', 'SEARCH', 'REPORT']
const types = [
  'text/plain',
  'application/xml',
  'multipart/form-data; boundary=x',
  'application/x-www-form-urlencoded',
  'application/json; charset=utf-16',
  'application/json;;;',
  '',
  'application/octet-stream',
]
const brokenBodies = [
  '{',
  '[',
  '{"a":',
  '"',
  'nul',
  '[1,]',
  '{"a":1}}',
  '\u0000',
  '['.repeat(100_000),
  '{"a":'.repeat(20_000),
  '1e999999',
  '"\\ud800"',
  '﻿{}',
  '{"__proto__":1}',
]

/** One attack after another: the same for the same seed. */
function* attacks({ caseId, newCase, entry }: Targets, seed: number): Generator<Attack> {
  const chance = chances(seed)
  const pick = <T>(list: readonly T[]): T => list[chance(list.length)]!
  const json = { 'content-type': 'application/json' }
  const routes = [
    ...['/api/cases', `/api/cases/${caseId}/entries`, '/api/firm', '/api/pairs/0123456789abcdef', '/api/people', '/api/parts'],
    ...['/api/session', '/api/session/code', '/api/session/as', '/api/session/pass-phrase', '/api/devices/hand-in', '/api/experience/premix-combi'],
  ]
  const read = [`/api/cases/${caseId}`, '/api/cases', '/api/sites', '/api/people', '/api/devices', '/api/devices/hand-ins', '/api/audit', '/api/parts']
  const proper = (route: string): unknown =>
    route.endsWith('/entries')
      ? { entries: [entry()], since: 0 }
      : route === '/api/cases'
        ? newCase()
        : route === '/api/firm'
          ? { costs: {}, timeZone: 'UTC', revision: 1 }
          : route.startsWith('/api/pairs')
            ? { device: '', system: '', controls: '', pairs: [] }
            : route.startsWith('/api/devices')
              ? { items: [{ kind: 'entry', caseId, entry: entry() }] }
              : {
                  name: 'Somebody',
                  role: 'owner',
                  passPhrase: 'wrong wrong wrong',
                  old: 'wrong',
                  code: 'AAAA-AAAA',
                  person: caseId,
                  fault: 'fan.seized',
                  inTen: 3,
                }
  for (;;) {
    const route = pick(routes)
    switch (chance(14)) {
      case 0:
        yield { method: pick(['GET', 'POST']), path: pick(paths), headers: json, body: '{}' }
        break
      case 1:
        yield { method: pick(methods), path: pick([route, '/', '/assets/x.js', `/api/cases/${caseId}`]), headers: json, body: pick(['', '{}']) }
        break
      case 2:
        yield { method: 'POST', path: route, headers: { 'content-type': pick(types) }, body: pick(['{}', 'a=1', '<a/>', '']) }
        break
      case 3:
        yield { method: 'POST', path: route, headers: json, body: pick(brokenBodies) }
        break
      case 4: {
        // two megabytes: of text, of members, of nothing, said to be packed
        const large = pick([
          `{"entries":["${'x'.repeat(2_000_000)}"]}`,
          `[${'1,'.repeat(1_000_000)}1]`,
          ' '.repeat(2_000_000),
          `{"entries":[${'{},'.repeat(600_000)}{}]}`,
        ])
        yield { method: 'POST', path: route, headers: { ...json, ...(chance(4) === 0 && { 'content-encoding': 'gzip' }) }, body: large }
        break
      }
      case 5:
        yield {
          method: 'POST',
          path: '/api/cases',
          headers: json,
          body: JSON.stringify({
            ...newCase(),
            settings: pick([nested(40), nested(3000), Object.fromEntries(Array.from({ length: 300 }, (_unused, n) => [`s${n}`, n]))]),
          }),
        }
        break
      case 6:
        yield {
          method: '',
          path: '',
          raw: pick([
            'GET / HTTP/1.1\r\n\r\n',
            'GET /api/health HTTP/1.1\r\nHost: evil.example\r\nConnection: close\r\n\r\n',
            'GET /api/health HTTP/1.1\r\nHost: a\r\nHost: b\r\nConnection: close\r\n\r\n',
            'BREW /api/cases HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\n\r\n',
            `GET / HTTP/1.1\r\nHost: localhost\r\nX-Long: ${'x'.repeat(40_000)}\r\n\r\n`,
            'POST /api/cases HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\nContent-Length: 5\r\nConnection: close\r\n\r\n{"a":1}',
            'POST /api/cases HTTP/1.1\r\nHost: localhost\r\nContent-Length: -1\r\n\r\n',
            'POST /api/cases HTTP/1.1\r\nHost: localhost\r\nTransfer-Encoding: chunked\r\nContent-Type: application/json\r\n\r\nZZ\r\n',
            'GET \u0000 HTTP/1.1\r\nHost: localhost\r\n\r\n',
            'NONSENSE\r\n\r\n',
          ]),
        }
        break
      case 8:
        // what somebody of another role reads
        yield { method: 'GET', path: `${pick(read)}${pick(['', '?search=', '/', '?person=1'])}` }
        break
      case 9:
        yield {
          method: 'POST',
          path: pick([`/api/people/${caseId}`, `/api/people/${caseId}/code`, `/api/devices/${caseId}/end`]),
          headers: json,
          body: '{"role":"owner"}',
        }
        break
      case 7: {
        // a hundred entries, one of them spoiled; or far too many of them
        const entries = Array.from({ length: pick([100, 101, 3000]) }, entry)
        entries[chance(entries.length)] = spoil(entry(), chance) as object
        yield { method: 'POST', path: `/api/cases/${caseId}/entries`, headers: json, body: JSON.stringify({ entries }) }
        break
      }
      default:
        yield { method: 'POST', path: route, headers: json, body: JSON.stringify(spoil(proper(route), chance)) }
    }
  }
}

/** A proper thing with one place of it taken out or replaced by something that does not belong there. */
function spoil(proper: unknown, chance: (below: number) => number): unknown {
  const copy = JSON.parse(JSON.stringify(proper)) as Record<string, unknown>
  let holder = copy
  for (;;) {
    const keys = Object.keys(holder)
    if (keys.length === 0) return copy
    const key = keys[chance(keys.length)]!
    const inner = holder[key]
    if (typeof inner === 'object' && inner !== null && Object.keys(inner).length > 0 && chance(3) > 0) holder = inner as Record<string, unknown>
    else {
      if (chance(5) === 0) delete holder[key]
      else holder[key] = spoiled[chance(spoiled.length)]!()
      return copy
    }
  }
}

/** Sends hostile requests, several at a time, and tells what came of them. */
export async function runHostile(targets: Targets, count: number, seed: number, atOnce = 8): Promise<HostileReport> {
  const report: HostileReport = { requests: 0, statuses: {}, failed: [], leaks: [], slowestMs: 0, slowest: '' }
  const source = attacks(targets, seed)
  const worker = async () => {
    while (report.requests < count) {
      report.requests++
      const attack = source.next().value as Attack
      const began = performance.now()
      const { status, text } = attack.raw === undefined ? await send(targets.address, attack, targets.cookie) : await sendRaw(targets.address, attack.raw)
      const took = performance.now() - began
      const name = attack.raw === undefined ? `${attack.method} ${attack.path.slice(0, 60)} ${String(attack.body ?? '').slice(0, 60)}` : attack.raw.slice(0, 60)
      report.statuses[status] = (report.statuses[status] ?? 0) + 1
      if (status >= 500) report.failed.push(`${status} ${name}`)
      const told = [...inner, ...(targets.secrets ?? [])].find((one) => text.includes(one))
      if (told !== undefined && status !== 0) report.leaks.push(`${told}: ${status} ${name}`)
      if (took > report.slowestMs) Object.assign(report, { slowestMs: took, slowest: name })
    }
  }
  await Promise.all(Array.from({ length: atOnce }, worker))
  return report
}

/** An answer, as much of it as is looked at. */
type Answered = { status: number; text: string }
const lookedAt = 200_000

function send(address: string, { method, path, headers, body }: Attack, cookie: string | undefined): Promise<Answered> {
  const { hostname, port } = new URL(address)
  return new Promise((done) => {
    let said = false
    let text = ''
    const end = (status: number) => {
      if (!said) done({ status, text })
      said = true
    }
    const outgoing = httpRequest(
      {
        hostname,
        port,
        method,
        path,
        agent: false,
        headers: { ...headers, ...(cookie !== undefined && { cookie }), ...(body !== undefined && { 'content-length': String(Buffer.byteLength(body)) }) },
      },
      (answer) => {
        answer.setEncoding('utf8')
        answer.on('data', (part: string) => (text = (text + part).slice(0, lookedAt)))
        answer.on('close', () => end(answer.statusCode ?? 0))
      },
    )
    // the server may hang up on a body it will not read
    outgoing.on('error', () => end(0))
    outgoing.end(body)
  })
}

function sendRaw(address: string, text: string): Promise<Answered> {
  const { hostname, port } = new URL(address)
  return new Promise((done) => {
    let answer = ''
    const socket = connect(Number(port), hostname, () => socket.write(text, 'latin1'))
    // whoever keeps such a connection open is not waited for: the server’s own patience ends it
    socket.setTimeout(2000, () => socket.destroy())
    socket.on('data', (data) => {
      answer += data.toString('latin1')
      socket.end()
    })
    socket.on('error', () => undefined)
    socket.on('close', () => done({ status: Number(/^HTTP\/1\.1 (\d{3})/.exec(answer)?.[1] ?? 0), text: answer }))
  })
}
