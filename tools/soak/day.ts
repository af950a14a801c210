import { readFileSync } from 'node:fs'
import { isAppendResult, type CaseList, type NewCase, type Session } from '@dewpoint/contract'
import { newEntry } from '@dewpoint/core/casebook'
import { v7 } from 'uuid'
import { chances } from './chances.ts'
import { timingOf, type Timing } from './lists.ts'
import { signInTo } from './signIn.ts'

/** Who works, and for how long. */
export interface Day {
  address: string
  engineers: number
  office: number
  seconds: number
  /** how long somebody thinks between two things they do, ms, about */
  pause: number
  /** the process of the server, for its memory */
  pid: () => number
}

/** What came of it. */
export interface DayReport {
  /** what was done and how long it took, by what it was */
  timings: Record<string, Timing & { times: number }>
  failed: string[]
  acknowledged: number
  /** entries that were acknowledged and are not there afterwards */
  lost: number
  /** changes somebody was told of by the stream */
  told: number
  /** of the server, MB: after the first fifth, and at the end */
  memory: [first: number, last: number]
}

/** People at work on one server: engineers who write what they measure, an office that looks for cases and writes bookings; all listen to what others write. */
export async function runDay({ address, engineers, office, seconds, pause, pid }: Day): Promise<DayReport> {
  const took: Record<string, number[]> = {}
  const report: DayReport = { timings: {}, failed: [], acknowledged: 0, lost: 0, told: 0, memory: [0, 0] }
  const until = performance.now() + seconds * 1000
  const written = new Map<string, string[]>()
  const ending = new AbortController()

  async function person(role: 'engineer' | 'office', number: number): Promise<void> {
    const cookie = await signInTo(address, role, `Day ${role} ${number}`)
    const headers = { cookie, 'content-type': 'application/json' }
    const me = ((await (await fetch(`${address}/api/session`, { headers })).json()) as Session).person!
    const ask = async (what: string, path: string, body?: object): Promise<unknown> => {
      const began = performance.now()
      const answer = await fetch(address + path, body ? { method: 'POST', headers, body: JSON.stringify(body) } : { headers })
      const content: unknown = await answer.json()
      ;(took[what] ??= []).push(performance.now() - began)
      if (!answer.ok) report.failed.push(`${what}: ${answer.status} ${JSON.stringify(content).slice(0, 200)}`)
      return content
    }
    const listening = listen(`${address}/api/live`, cookie, () => report.told++, ending.signal)
    // repeatable for each
    const below = chances(number * 7919 + (role === 'office' ? 1 : 0))
    const oneIn = (many: number) => below(many) === 0
    const append = async (caseId: string, type: 'reading' | 'booking') => {
      const payload = type === 'reading' ? { check: 'ask.hotWater', outcome: 'none' } : { urgency: 'today' as const, engineer: me.name }
      const entry = newEntry(type, payload as never, { id: v7(), now: Date.now(), author: me, seen: [] })
      const answer = await ask('append', `/api/cases/${caseId}/entries`, { entries: [entry], since: position.get(caseId) ?? 0 })
      if (!isAppendResult(answer) || !answer.kept.includes(entry.id)) return
      position.set(caseId, answer.position)
      report.acknowledged++
      written.set(caseId, [...(written.get(caseId) ?? []), entry.id])
    }
    const position = new Map<string, number>()
    let own = ''
    let left = 0
    // nobody begins in step with the others
    await new Promise((rest) => setTimeout(rest, below(Math.min(30_000, seconds * 200))))
    while (performance.now() < until) {
      if (role === 'engineer') {
        // a case has some twenty entries, then the next is opened
        if (left === 0) {
          const one = freshCase(me.name, number)
          await ask('open a case', '/api/cases', one)
          own = one.id
          left = 10 + below(21)
          await ask('what earlier cases teach', `/api/cases/${own}/past`)
        }
        await append(own, 'reading')
        left--
        if (oneIn(10)) await ask('list', '/api/cases')
        if (oneIn(5)) await ask('one case', `/api/cases/${own}`)
      } else {
        const { cases } = (await ask('list', '/api/cases')) as CaseList
        const one = cases[below(cases.length)]
        if (oneIn(2)) await ask('search', `/api/cases?search=${encodeURIComponent(`house ${below(50_000)}`)}`)
        if (one) {
          await ask('one case', `/api/cases/${one.id}`)
          if (oneIn(2)) await append(one.id, 'booking')
        }
        if (oneIn(5)) await ask('sites', '/api/sites')
      }
      await new Promise((rest) => setTimeout(rest, pause / 2 + below(pause)))
    }
    await listening
  }

  const memory = () => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid()}/status`, 'utf8'))![1]) / 1024
  const looked = setTimeout(() => (report.memory[0] = memory()), seconds * 200)
  const ended = setTimeout(() => ending.abort(), seconds * 1000)
  await Promise.all([
    ...Array.from({ length: engineers }, (_unused, number) => person('engineer', number)),
    ...Array.from({ length: office }, (_unused, number) => person('office', number)),
  ])
  clearTimeout(looked)
  clearTimeout(ended)
  report.memory[1] = memory()

  const cookie = await signInTo(address, 'owner')
  for (const [caseId, ids] of written) {
    const { entries } = (await (await fetch(`${address}/api/cases/${caseId}`, { headers: { cookie } })).json()) as { entries: { id: string }[] }
    const there = new Set(entries.map((one) => one.id))
    report.lost += ids.filter((one) => !there.has(one)).length
  }
  for (const [what, list] of Object.entries(took)) report.timings[what] = { ...timingOf(list), times: list.length }
  return report
}

function freshCase(name: string, number: number): NewCase {
  return {
    id: v7(),
    openedAt: new Date().toISOString(),
    site: { id: v7(), name: `Call of ${name} ${number}`, address: 'Quay Lane', note: '', phone: '' },
    appliance: { id: v7(), system: 'premix-combi', label: 'Combination 28', installedOn: '' },
    controls: 'direct',
    settings: {},
  }
}

/** Listens until it is ended. */
async function listen(url: string, cookie: string, heard: () => void, signal: AbortSignal): Promise<void> {
  try {
    const answer = await fetch(url, { headers: { cookie }, signal })
    const decoder = new TextDecoder()
    for await (const part of answer.body as unknown as AsyncIterable<Uint8Array>) if (decoder.decode(part).includes('"changed"')) heard()
  } catch {
    // ended
  }
}
