import type { CaseList, Firm, Stock } from '@dewpoint/contract'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { demoCases, demoExperience, demoFirm, demoStock } from './index.ts'
import drawn from './photos/index.json' with { type: 'json' }

/**
 * Fills a Dewpoint at the address given with the demo. With a moment given as the demo's present it may be run again after it was
 * interrupted: what is there already is left as it is. Without one it leaves a Dewpoint that holds cases alone.
 */
const [address = 'http://127.0.0.1:5280', present] = process.argv.slice(2)

if (present !== undefined || (await call<CaseList>('/api/cases?limit=1')).cases.length === 0) {
  for (const name of Object.keys(drawn))
    await send('/api/photos', Uint8Array.from(readFileSync(join(process.cwd(), 'demo/photos', `${name}.jpg`))), 'image/jpeg')
  for (const { open, entries } of demoCases(new Date(present ?? Date.now()))) {
    await call('/api/cases', open)
    await call(`/api/cases/${open.id}/entries`, { entries })
  }
  if ((await call<Firm>('/api/firm')).settings === null) await call('/api/firm', demoFirm)
  const stocked = new Set((await call<Stock>('/api/parts')).parts.map((one) => one.part))
  for (const one of demoStock) if (!stocked.has(one.part)) await call('/api/parts', one)
  for (const { system, said } of demoExperience) await call(`/api/experience/${system}`, said)
}

async function call<T>(path: string, body?: unknown): Promise<T> {
  return send(path, body === undefined ? undefined : JSON.stringify(body), 'application/json')
}

async function send<T>(path: string, body: string | Uint8Array<ArrayBuffer> | undefined, type: string): Promise<T> {
  const response = await fetch(`${address}${path}`, body === undefined ? {} : { method: 'POST', headers: { 'content-type': type }, body })
  const answer: unknown = await response.json()
  if (!response.ok) throw new Error(`${path} answered ${response.status}: ${JSON.stringify(answer)}`)
  return answer as T
}
