import type { CaseList, Firm, Session, Stock } from '@dewpoint/contract'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { demoCases, demoExperience, demoFirm, demoStock } from './index.ts'
import drawn from './photos/index.json' with { type: 'json' }

/**
 * Fills a Dewpoint at the address given with the demo. With a moment given as the demo's present it may be run again after it was
 * interrupted: what is there already is left as it is. Without one it leaves a Dewpoint that holds cases alone. Asked to look, it only says
 * whether there are any.
 */
const [address = 'http://127.0.0.1:5280', present] = process.argv.slice(2)
/** what the server knows this device by */
let token = ''

await signInAll()

const empty = (await call<CaseList>('/api/cases?limit=1')).cases.length === 0
if (present === '--look') console.log(empty ? 'empty' : 'used')
else if (present !== undefined || empty) {
  for (const name of Object.keys(drawn))
    await send('/api/photos', Uint8Array.from(readFileSync(join(process.cwd(), 'demo/photos', `${name}.jpg`))), 'image/jpeg')
  for (const { open, entries } of demoCases(new Date(present ?? Date.now()))) {
    await call('/api/cases', open)
    await call(`/api/cases/${open.id}/entries`, { entries })
  }
  if ((await call<Firm>('/api/firm')).settings === null) await call('/api/firm', demoFirm)
  const stocked = new Set((await call<Stock>('/api/parts')).parts.map((one) => one.part))
  for (const one of demoStock) if (!stocked.has(one.part)) await call('/api/parts', one)
  for (const { system, by, said } of demoExperience) await call(`/api/experience/${system}`, said, by.id)
}

// nobody stays signed in on what only filled it
while ((await call<Session>('/api/session')).person) await call('/api/session/out', {})

/** Signs everybody of the demo in on one device, so that each may have written what is theirs. */
async function signInAll(): Promise<void> {
  const { demo } = await call<Session>('/api/session')
  if (demo.length === 0) throw new Error('this Dewpoint has no made-up people: start it with DEMO_PEOPLE')
  for (const { id } of [...demo].sort((a) => (a.role === 'owner' ? 1 : -1))) await call('/api/session/demo', { person: id, label: 'The demo itself' })
}

async function call<T>(path: string, body?: unknown, as?: string): Promise<T> {
  return send(path, body === undefined ? undefined : JSON.stringify(body), 'application/json', as)
}

async function send<T>(path: string, body: string | Uint8Array<ArrayBuffer> | undefined, type: string, as?: string): Promise<T> {
  const headers = { 'content-type': type, cookie: token, ...(as && { 'x-dewpoint-person': as }) }
  const response = await fetch(`${address}${path}`, body === undefined ? { headers: { cookie: token } } : { method: 'POST', headers, body })
  for (const one of response.headers.getSetCookie()) token = one.split(';')[0]!
  const answer: unknown = await response.json()
  if (!response.ok) throw new Error(`${path} answered ${response.status}: ${JSON.stringify(answer)}`)
  return answer as T
}
