import type { Role, Session } from '@dewpoint/contract'

/** Where the made-up people of the demo stand. */
export const demoPeople = 'demo/people.json'

/** Signs in on a server of made-up people as one of a role. @returns the cookie of a device of its own */
export async function signInTo(address: string, role: Role, label = 'Soak'): Promise<string> {
  const { demo } = (await (await fetch(`${address}/api/session`)).json()) as Session
  const person = demo.find((one) => one.role === role)?.id
  const answer = await fetch(`${address}/api/session/demo`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ person, label }),
  })
  if (!answer.ok) throw new Error(`signing in answered ${answer.status}: ${await answer.text()}`)
  return answer.headers.getSetCookie()[0]!.split(';')[0]!
}
