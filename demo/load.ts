import { demoCases } from './index.ts'

/** Fills an empty Dewpoint at the address given with the demo; leaves one that holds cases alone. */
const [address = 'http://127.0.0.1:5280'] = process.argv.slice(2)

const { cases } = (await call('/api/cases')) as { cases: unknown[] }
if (cases.length === 0) {
  for (const { open, entries } of demoCases(new Date())) {
    await call('/api/cases', open)
    await call(`/api/cases/${open.id}/entries`, { entries })
  }
}

async function call(path: string, body?: unknown): Promise<unknown> {
  const response = await fetch(
    `${address}${path}`,
    body === undefined ? {} : { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) },
  )
  const answer: unknown = await response.json()
  if (!response.ok) throw new Error(`${path} answered ${response.status}: ${JSON.stringify(answer)}`)
  return answer
}
