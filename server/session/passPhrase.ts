import { normalPhrase } from '@dewpoint/contract/strength'
import { hash, verify } from '@node-rs/argon2'

/** argon2id by its number in the package, which names it in a way a bundle cannot use */
const argon2id = 2
/** Source: OWASP Password Storage Cheat Sheet, argon2id: 19 MiB, two passes, one lane */
const settings = { algorithm: argon2id, memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const
/** at once: each takes memory and a core for some 30 ms */
const mostAtOnce = 4

let busy = 0
const queue: (() => void)[] = []

/** Does a few of these at a time, so that many tries at once do not starve everybody else. */
async function inTurn<T>(work: () => Promise<T>): Promise<T> {
  if (busy >= mostAtOnce) await new Promise<void>((go) => queue.push(go))
  busy++
  try {
    return await work()
  } finally {
    busy--
    queue.shift()?.()
  }
}

/** What is kept of a pass phrase. */
export const keptOf = (passPhrase: string): Promise<string> => inTurn(() => hash(normalPhrase(passPhrase), settings))

/** somebody who is not there takes as long as somebody who is */
const nobodys = keptOf('a pass phrase that nobody has chosen')

/** Whether it is the pass phrase of which this was kept; null for somebody who has none. */
export async function isPassPhrase(kept: string | null, passPhrase: string): Promise<boolean> {
  const against = kept ?? (await nobodys)
  const right = await inTurn(() => verify(against, normalPhrase(passPhrase)).catch(() => false))
  return right && kept !== null
}
