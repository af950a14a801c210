import { ZxcvbnFactory } from '@zxcvbn-ts/core'
import * as common from '@zxcvbn-ts/language-common'
import { passPhraseLength } from './people/signIn.ts'

/*
 * How easily a pass phrase is guessed. A door of its own: it brings a dictionary, which only whoever chooses one needs.
 */
const guesser = new ZxcvbnFactory({ dictionary: common.dictionary, graphs: common.adjacencyGraphs })
/** characters that are looked at for how easily they are guessed: the sum grows with their square */
const looked = 64
/** of 0 to 4: from here on a guesser with the leaked hash needs years. Source: zxcvbn, meaning of its score */
const goodEnough = 3
/** letters there are besides the person's own name */
const leastOfOwn = 8
const tooEasy = 'this is guessed too easily: take four or five words that do not belong together'

/** The same words however a keyboard puts their letters together. Source: NIST SP 800-63B, 5.1.1.2 */
export const normalPhrase = (passPhrase: string): string => passPhrase.normalize('NFKC')

/** Why a pass phrase is too easily guessed, or null. */
export function whyWeak(passPhrase: string, name: string): string | null {
  const own = ['dewpoint', ...name.toLowerCase().split(/\s+/)].filter((one) => one.length > 1)
  // said over and over, or with little besides, one's own name is no secret
  const rest = own.reduce((text, one) => text.replaceAll(one, ''), normalPhrase(passPhrase).toLowerCase()).replace(/\s/g, '')
  if (rest.length < leastOfOwn) return tooEasy
  const { score } = guesser.check(normalPhrase(passPhrase).slice(0, looked), ['boiler', ...own])
  return score >= goodEnough ? null : tooEasy
}

/** How far a pass phrase that is being typed has come. */
export interface Strength {
  /** from nothing to good: quarters */
  quarters: 0 | 1 | 2 | 3 | 4
  good: boolean
  words: string
}

/** What whoever types one is told meanwhile; good is what the server takes. Source: OWASP ASVS 4.0.3, 2.1.8 */
export function strengthOf(passPhrase: string, name: string): Strength {
  const missing = passPhraseLength.least - passPhrase.length
  if (passPhrase === '') return { quarters: 0, good: false, words: '' }
  if (missing > 0) return { quarters: 1, good: false, words: `${missing} more ${missing === 1 ? 'character' : 'characters'} at least.` }
  if (passPhrase.length > passPhraseLength.most) return { quarters: 1, good: false, words: `At most ${passPhraseLength.most} characters.` }
  if (whyWeak(passPhrase, name)) return { quarters: 2, good: false, words: 'Guessed easily yet: another word that does not belong to the others.' }
  const { score } = guesser.check(normalPhrase(passPhrase).slice(0, looked))
  return score > goodEnough
    ? { quarters: 4, good: true, words: 'Hard to guess.' }
    : { quarters: 3, good: true, words: 'Good enough. Another word makes it hard to guess.' }
}
