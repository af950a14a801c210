import type { Sentence } from './sentences.ts'

/** How far something said is to be taken: said, said in doubt (or of another time), or denied. */
export type Certainty = 'said' | 'doubtful' | 'denied'

const set = (words: string) => new Set(words.split(' '))

/** what denies the thing named right after it */
const denies = set('no not never without none nobody nothing neither nor nowhere cannot denies deny denied denying')
/** what may stand between a denial and what it denies */
const between = set(
  `any a an the of sign signs trace traces hint evidence such kind sort real obvious visible noticeable strong bad funny strange odd unusual more at all
  whatever further or nor anything anyone one like is are was were be been being there here have has had having notice noticed see saw seen hear heard feel feels felt
  smell smells smelt smelled smelling detect detected find found report reported get got come comes coming show shows near from my his her their our it to gone going go went
  yet ever really actually`
    .split(/\s+/)
    .join(' '),
)
/** what ends the reach of a denial */
const turns = set('but however though although yet except only because since when while whereas if as so then instead after until')
/** what begins a statement of its own after "and" */
const beginsAnew = set('i we you he she it they there the a an my our his her their now also something someone this that these some its it has have is')
/** "no doubt", "not only": these deny nothing */
const asserts = [/^no (doubt|question|way out)/, /^not (only|just|merely)/]
/** "not sure", "do not know": these leave it open */
const leavesOpen = [
  /^not (sure|certain|know|tell|say|clear|remember)/,
  /^(maybe|perhaps|possibly|might|wonder|unsure|whether|in case)/,
  /^(check|checked|checking|test|tested|testing|look|looked|looking|sniffed|searched) for/,
]
/** what stands before it makes it a supposition */
const supposes = set('if should unless whether')
/** what people miss: "no hot water" says all that its "no" has to say */
const missed = /^(no|not any|without) (more |proper |central |mains |warm |hot |any )*(water|heating|heat|power|pressure|display|flow|luck|joy|idea)\b/
/** how far a denial reaches, words */
const reach = 12

/**
 * How far what is said from one word to another of a sentence is to be taken.
 *
 * A denial counts only where it stands tight before: "no smell of gas", "never noticed any smell". Anything looser ("no hot water smell of gas")
 * leaves it open. Source: scope of negation by cue words and closed classes, after Chapman et al., "A simple algorithm for identifying negated
 * findings and diseases in discharge summaries", Journal of Biomedical Informatics 34, 2001; the word lists are our own.
 *
 * @param from first word of what is said
 * @param to its last word
 * @param own words that belong to what is said, or to things said beside it: they may stand between a denial and it
 */
export function certaintyOf({ words, asks }: Sentence, from: number, to: number, own: (at: number) => boolean): Certainty {
  const after = (at: number) =>
    words
      .slice(at, at + 3)
      .map((one) => one.text)
      .join(' ')
  let open = asks
  for (let at = Math.max(0, from - reach); at < from; at++) {
    const { text } = words[at]!
    const phrase = after(at)
    if (leavesOpen.some((one) => one.test(phrase)) || supposes.has(text)) open ||= !turnsBetween(words, at + 1, from, false)
    else if (denies.has(text) && !asserts.some((one) => one.test(phrase))) {
      if (turnsBetween(words, at + 1, from, true)) continue
      const lacking = missed.exec(
        words
          .slice(at, from)
          .map((one) => one.text)
          .join(' '),
      )
      if (lacking && !words.slice(at, from).some((one) => one.text === 'or' || one.text === 'nor')) continue
      const tight = words.slice(at + 1, from).every((one, index) => between.has(one.text) || own(at + 1 + index))
      if (tight) return 'denied'
      open = true
    }
  }
  const next = words.slice(to + 1, to + 5)
  const end = next.findIndex((one) => turns.has(one.text) || one.pause)
  const told = (end < 0 ? next : next.slice(0, Math.max(end, next[0]?.pause ? 2 : 0))).map((one) => one.text).join(' ')
  if (/^(is |are |was |were |has been |have been )?(no$|(none(?! of)|nil|negative|absent|nowhere|not (present|there|detected|found|seen))\b)/.test(told))
    return 'denied'
  if (/^(is |are |was |were |has been )?ruled out\b/.test(told)) return 'denied'
  if (/\b(gone|cleared|stopped|disappeared|repaired|fixed|cured)\b/.test(told) && !/\bnot\b/.test(told)) open = true
  return open || isPast(words.map((one) => one.text).join(' ')) ? 'doubtful' : 'said'
}

/** Whether the reach of a denial ends between it and what is said. */
function turnsBetween(words: Sentence['words'], after: number, from: number, atPauses: boolean): boolean {
  for (let at = after; at <= from; at++) {
    const { text, pause } = words[at]!
    // "no smell, soot or fumes" is one list; "no heating, smell of gas" is two statements
    if (atPauses && pause && !words.slice(at, at + 5).some((one) => one.text === 'or' || one.text === 'nor')) return true
    if (at === from) break
    if (turns.has(text)) return true
    if (text === 'and' && beginsAnew.has(words[at + 1]?.text ?? '')) return true
  }
  return false
}

/** Said of a time that is over, and of nothing nearer. */
function isPast(sentence: string): boolean {
  return (
    /\b(last (year|month|winter|summer|autumn|spring)|(years?|months?|weeks) ago|used to|back in|yesterday)\b/.test(sentence) &&
    !/\b(now|today|again|still|this (morning|evening|afternoon)|tonight|since)\b/.test(sentence)
  )
}
