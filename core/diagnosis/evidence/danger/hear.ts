import { stemmer } from 'stemmer'
import type { DangerSign, Speech } from '../../catalogue/index.ts'
import { certaintyOf, type Certainty } from './denial.ts'
import { sentencesOf, type Sentence, type Word } from './sentences.ts'

/** A danger heard in what somebody said. */
export interface Heard {
  danger: string
  /** said plainly; else it is to be asked about */
  sure: boolean
  /** the words it was heard in */
  words: string
  /** the stretches of them that say so, in lower case and without signs */
  parts: string[]
}

/** Words of one family in a sentence, from the first to the last. */
interface Hit {
  family: string
  from: number
  to: number
}

/**
 * The dangers a text speaks of. Every sign is looked for in every sentence by families of words; each place it is found is judged by itself: said,
 * left open, or denied. Time grows with the length of the text alone.
 *
 * @param speech families of words and the signs made of them
 * @returns one of each danger, said plainly before left open; in the order of the signs
 */
export function hear(speech: Speech, text: string): readonly Heard[] {
  let known = heardBefore.get(speech)
  if (!known) heardBefore.set(speech, (known = new Map()))
  let heard = known.get(text)
  if (!heard) {
    if (known.size >= keptTexts) known.clear()
    known.set(text, (heard = listen(speech, text)))
  }
  return heard
}

/** notes are looked at again with every entry that is added: what was made of them is kept */
const heardBefore = new WeakMap<Speech, Map<string, Heard[]>>()
const keptTexts = 500

function listen(speech: Speech, text: string): Heard[] {
  const heard = new Map<string, Heard>()
  const sentences = sentencesOf(text)
  const { phrases, exact } = prepared(speech)
  // what is asked about comes last: it says nothing more of words that were denied already
  const signs = [...speech.signs].sort((a, b) => Number(a.ask ?? false) - Number(b.ask ?? false))
  sentences.forEach((sentence, index) => {
    const hits = hitsIn(sentence, phrases, exact)
    const answer = sentence.asks ? sentences[index + 1]?.words[0]?.text : undefined
    const deniedHits = new Map<string, Set<Hit>>()
    for (const sign of signs) {
      const denied = deniedHits.get(sign.danger) ?? deniedHits.set(sign.danger, new Set()).get(sign.danger)!
      const { found, parts } = judged(sign, sentence, hits, speech.listed, denied)
      if (found === 'denied' || (found === 'doubtful' && answer === 'no')) continue
      const sure = !sign.ask && (found === 'said' || answer === 'yes')
      if (heard.get(sign.danger)?.sure || (heard.has(sign.danger) && !sure)) continue
      const said = (from = 0, to = sentence.words.length - 1) => sentence.words.slice(from, to + 1).map((one) => one.text)
      heard.set(sign.danger, { danger: sign.danger, sure, words: said().join(' '), parts: parts.map(({ from, to }) => said(from, to).join(' ')) })
    }
  })
  return [...heard.values()]
}

/**
 * What is made of a sign in one sentence: the plainest of all places it is found in.
 *
 * @param denied words of this danger that were denied here: added to, and too little to ask about by themselves
 */
function judged(
  { all, within = 8, inOrder, unless = [], ask }: DangerSign,
  sentence: Sentence,
  hits: readonly Hit[],
  listed: readonly string[],
  denied: Set<Hit>,
): { found: Certainty; parts: Hit[] } {
  if (hits.some((one) => unless.includes(one.family))) return { found: 'denied', parts: [] }
  const [first = [], ...others] = all.map((families) => hits.filter((one) => families.split('|').includes(one.family)))
  const own = new Set([...listed, ...all.flatMap((families) => families.split('|'))])
  const beside = hits.filter((one) => own.has(one.family))
  let plainest: ReturnType<typeof judged> = { found: 'denied', parts: [] }
  for (const start of first) {
    const parts = [start]
    for (const place of others) {
      const fitting = place.filter((one) => !parts.includes(one) && (!inOrder || one.from > parts.at(-1)!.to) && apart(one, start) <= within)
      const nearest = fitting.reduce<Hit | undefined>((best, one) => (best && apart(best, start) <= apart(one, start) ? best : one), undefined)
      if (nearest) parts.push(nearest)
    }
    if (parts.length < all.length || (ask && parts.every((one) => denied.has(one)))) continue
    const certainties = parts.map(({ from, to }) => certaintyOf(sentence, from, to, (at) => beside.some((one) => one.from <= at && at <= one.to)))
    const found: Certainty = certainties.includes('denied') ? 'denied' : certainties.includes('doubtful') ? 'doubtful' : 'said'
    if (found === 'said') return { found, parts }
    if (found === 'doubtful') plainest = { found, parts }
    if (found === 'denied') parts.forEach((one) => denied.add(one))
  }
  return plainest
}

const apart = (a: Hit, b: Hit) => (a.from > b.to ? a.from - b.to : b.from > a.to ? b.from - a.to : 0)

/** Families in a sentence; where a longer phrase lies over a shorter one, the longer one counts: a gas hob is no gas. */
function hitsIn({ words }: Sentence, phrases: Map<string, Phrase[]>, exact: Map<string, Phrase[]>): Hit[] {
  const hits: Hit[] = []
  for (let at = 0; at < words.length;) {
    const fitting = [...(exact.get(words[at]!.text) ?? []), ...(phrases.get(words[at]!.stem) ?? [])].filter((one) => stands(one, words, at))
    const longest = Math.max(0, ...fitting.map((one) => one.words.length))
    for (const one of fitting) if (one.words.length === longest) hits.push({ family: one.family, from: at, to: at + longest - 1 })
    at += Math.max(longest, 1)
  }
  return hits
}

interface Phrase {
  family: string
  words: { form: string; exact: boolean }[]
}

const stands = ({ words: own }: Phrase, words: readonly Word[], at: number) =>
  own.every(({ form, exact }, index) => (exact ? words[at + index]?.text : words[at + index]?.stem) === form)

const known = new WeakMap<Speech, { phrases: Map<string, Phrase[]>; exact: Map<string, Phrase[]> }>()

/** Families by their first word: by its stem, or as it is written where a row says so with "=". */
function prepared(speech: Speech): { phrases: Map<string, Phrase[]>; exact: Map<string, Phrase[]> } {
  let made = known.get(speech)
  if (made) return made
  made = { phrases: new Map(), exact: new Map() }
  for (const [family, rows] of Object.entries(speech.families))
    for (const row of rows) {
      const words = row.split(' ').map((word) => (word.startsWith('=') ? { form: word.slice(1), exact: true } : { form: stemmer(word), exact: false }))
      const by = words[0]!.exact ? made.exact : made.phrases
      by.set(words[0]!.form, [...(by.get(words[0]!.form) ?? []), { family, words }])
    }
  known.set(speech, made)
  return made
}
