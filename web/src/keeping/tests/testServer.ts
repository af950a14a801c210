import { problemTypes, type ProblemName } from '@dewpoint/contract'
import { byName, inOrder, newEntry, type Entry } from '@dewpoint/core/casebook'

type Answer = Response | (() => Response | Promise<Response>)

/** A small server for tests: keeps what it is sent, until it is told to answer otherwise. */
export function testServer() {
  const opened = new Map<string, Record<string, unknown>>()
  const journals = new Map<string, Entry[]>()
  const asked: { method: string; path: string; body: unknown }[] = []
  let instead: (path: string, body: unknown) => Answer | undefined = () => undefined
  const json = (body: unknown, status = 200) =>
    new Response(JSON.stringify(body), { status, headers: { 'content-type': status < 400 ? 'application/json; charset=utf-8' : 'application/problem+json' } })
  const newsOf = (id: string, since: number) => {
    const all = journals.get(id) ?? []
    return { entries: inOrder(all.slice(since)), received: Object.fromEntries(all.slice(since).map((one) => [one.id, one.at])), position: all.length }
  }
  const caseOf = (id: string) => {
    const { site, appliance, ...rest } = opened.get(id) as { site: { id: string }; appliance: object }
    return { ...rest, site, appliance: { ...appliance, siteId: site.id }, ...newsOf(id, 0) }
  }

  async function answer(path: string, body: unknown): Promise<Response> {
    const own = instead(path, body)
    if (own) return typeof own === 'function' ? own() : own
    const [address = '', query = ''] = path.split('?')
    const [, id = '', rest] = /^\/api\/cases\/([^/]+)(\/\w+)?$/.exec(address) ?? []
    if (address === '/api/cases' && body) {
      const one = body as { id: string }
      opened.set(one.id, one)
      if (!journals.has(one.id)) journals.set(one.id, [])
      return json(caseOf(one.id), 201)
    }
    if (address === '/api/cases') return json({ cases: [], next: null })
    if (address === '/api/firm') return json({ settings: null })
    if (id && !opened.has(id)) return problem('noCase', 'No such case. Go back to the list of cases.')
    if (id && rest === '/past') return json({ appliance: [], experience: { cases: 0, proven: {} } })
    if (id && rest === '/entries' && body) {
      const { entries, since } = body as { entries: Entry[]; since?: number }
      const all = journals.get(id)!
      const clashing = entries.filter((one) => all.some((known) => known.id === one.id && JSON.stringify(known) !== JSON.stringify(one)))
      for (const one of entries) if (!all.some((known) => known.id === one.id)) all.push(one)
      const conflicts = all.filter((one) => clashing.some((other) => other.id === one.id))
      const kept = entries.map((one) => one.id).filter((one) => !clashing.some((other) => other.id === one))
      return json({ kept, conflicts, ...(since === undefined ? { entries: [], received: {}, position: all.length } : newsOf(id, since)) })
    }
    if (id && rest === '/entries') return json(newsOf(id, Number(new URLSearchParams(query).get('since') ?? 0)))
    if (id) return json(caseOf(id))
    return problem('notFound', 'Nothing answers here.')
  }

  return {
    asked,
    journals,
    opened,
    json,
    /** answers otherwise where the function gives an answer */
    answersInstead: (how: typeof instead) => (instead = how),
    works: () => (instead = () => undefined),
    fetch: async (path: string, init: RequestInit = {}) => {
      const body = typeof init.body === 'string' ? (JSON.parse(init.body) as unknown) : undefined
      asked.push({ method: init.method ?? 'GET', path, body })
      return answer(path, body)
    },
  }
}

/** A problem as our server states it. */
export function problem(name: ProblemName, detail: string, more: object = {}): Response {
  const { status, title } = problemTypes[name]
  return new Response(JSON.stringify({ type: `/problems/${name}`, title, status, detail, ...more }), {
    status,
    headers: { 'content-type': 'application/problem+json' },
  })
}

let count = 0
/** An id of version 7, another each time. */
export const testId = () => `01934a00-0000-7000-8000-${(++count).toString(16).padStart(12, '0')}`

/** A reading written now. */
export const testReading = (outcome = 'none', seen: Entry[] = []): Entry =>
  newEntry('reading', { check: 'ask.hotWater', outcome }, { id: testId(), now: Date.UTC(2026, 2, 1, 9, count % 60), author: byName('Ines Quill'), seen })

/** What opens a case. */
export const testOpening = (id = testId()) => ({
  id,
  openedAt: '2026-03-01T09:00:00.000Z',
  site: { id: testId(), name: 'Net Loft 3', address: 'Quay Lane', note: '', phone: '' },
  appliance: { id: testId(), system: 'premix-combi', label: 'Combination 28', installedOn: '2017-09-14' },
  controls: 'direct',
  settings: {},
})
