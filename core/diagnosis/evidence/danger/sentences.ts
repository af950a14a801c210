import { stemmer } from 'stemmer'

/** One word of a sentence, as it is compared. */
export interface Word {
  /** in lower case, "n't" written out as a word of its own */
  text: string
  stem: string
  /** a comma, colon, dash or bracket stands before it */
  pause: boolean
}

/** One sentence: its words, and whether it asks. */
export interface Sentence {
  words: Word[]
  asks: boolean
}

/** no note is longer (`longestText` of the journal's format); what is beyond would not be looked at */
const longest = 4000

const stretch = 60
const overlap = 14

/** A text cut into sentences and words; figures are words too. Time grows with the length of the text alone. */
export function sentencesOf(text: string): Sentence[] {
  const plain = text
    .slice(0, longest)
    .toLowerCase()
    .replace(/[’‘`´]/g, "'")
    .replace(/n't\b/g, ' not')
    .replace(/\bcan not\b|\bcannot\b/g, 'can not')
  const sentences: Sentence[] = []
  for (const [, body = '', end = ''] of plain.matchAll(/([^.!?;\n]+)([.!?;\n]*)/g)) {
    const words: Word[] = []
    for (const [, between = '', word = ''] of body.matchAll(/([^\p{L}\p{N}']*)([\p{L}\p{N}']+)/gu)) {
      const bare = word.replace(/'s$|^'+|'+$/g, '')
      if (bare) words.push({ text: bare, stem: stemmer(bare), pause: /[,:()/]|\s[-–—]+\s|[–—]/.test(between) })
    }
    // without full stops a note is one sentence: it is looked at in stretches that overlap
    for (let from = 0; from < words.length; from += stretch - overlap) {
      sentences.push({ words: words.slice(from, from + stretch), asks: end.includes('?') })
      if (from + stretch >= words.length) break
    }
  }
  return sentences
}
