import { hash, verify } from '@node-rs/argon2'
import { ZxcvbnFactory } from '@zxcvbn-ts/core'
import * as common from '@zxcvbn-ts/language-common'

/** argon2id by its number in the package, which names it in a way a bundle cannot use */
const argon2id = 2
/** Source: OWASP Password Storage Cheat Sheet, argon2id: 19 MiB, two passes, one lane */
const settings = { algorithm: argon2id, memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const
/** at once: each takes memory and a core for some 30 ms */
const mostAtOnce = 4
const guesser = new ZxcvbnFactory({ dictionary: common.dictionary, graphs: common.adjacencyGraphs })
/** characters that are looked at for how easily they are guessed: the sum grows with their square */
const looked = 64
/** of 0 to 4: from here on a guesser with the leaked hash needs years. Source: zxcvbn, meaning of its score */
const goodEnough = 3
/** letters there are besides the person's own name */
const leastOfOwn = 8
const tooEasy = 'this is guessed too easily: take four or five words that do not belong together'

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

/** The same words however a keyboard puts their letters together. Source: NIST SP 800-63B, 5.1.1.2 */
const normal = (passPhrase: string) => passPhrase.normalize('NFKC')

/** What is kept of a pass phrase. */
export const keptOf = (passPhrase: string): Promise<string> => inTurn(() => hash(normal(passPhrase), settings))

/** somebody who is not there takes as long as somebody who is */
const nobodys = keptOf('a pass phrase that nobody has chosen')

/** Whether it is the pass phrase of which this was kept; null for somebody who has none. */
export async function isPassPhrase(kept: string | null, passPhrase: string): Promise<boolean> {
  const against = kept ?? (await nobodys)
  const right = await inTurn(() => verify(against, normal(passPhrase)).catch(() => false))
  return right && kept !== null
}

/** Why a pass phrase is too easily guessed, or null. */
export function whyWeak(passPhrase: string, name: string): string | null {
  const own = ['dewpoint', ...name.toLowerCase().split(/\s+/)].filter((one) => one.length > 1)
  // said over and over, or with little besides, one's own name is no secret
  const rest = own.reduce((text, one) => text.replaceAll(one, ''), normal(passPhrase).toLowerCase()).replace(/\s/g, '')
  if (rest.length < leastOfOwn) return tooEasy
  const { score } = guesser.check(normal(passPhrase).slice(0, looked), ['boiler', ...own])
  return score >= goodEnough ? null : tooEasy
}
