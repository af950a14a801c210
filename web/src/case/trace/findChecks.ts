import type { Catalogue, Check } from '@dewpoint/core/diagnosis'
import { otherWords } from '@dewpoint/trade/otherWords'

/** What a check is done with, in a word for a list. */
export const kindWords: Record<Check['kind'], string> = {
  ask: 'Ask',
  look: 'Look',
  listen: 'Listen',
  display: 'Read the display',
  measure: 'Measure',
  try: 'Try',
}

interface Indexed {
  check: Check
  label: string
  /** everything else it is found by */
  text: string
}

/** The knowledge a check is found by. */
type Known = Pick<Catalogue, 'checks' | 'instruments' | 'faults' | 'parts' | 'system'>

const known = new WeakMap<object, Indexed[]>()

/** Every check with the words it is found by: its own, its place and instrument, the parts and the stage it tells of, and the trade's other words for them. */
function indexOf(catalogue: Known): Indexed[] {
  let made = known.get(catalogue.checks)
  if (made) return made
  const named = new Map(catalogue.parts.map((one) => [one, whole(folded(one.label))]))
  const rows = otherWords.map((words) => ({ words, standing: words.map(whole) }))
  made = catalogue.checks.map((check) => {
    const label = folded(check.label)
    const parts = partsOf(catalogue, check, named)
    const instrument =
      check.result.kind === 'number' ? catalogue.instruments.find((one) => one.id === (check.result as { instrument: string }).instrument) : undefined
    const own = [label, check.place, instrument?.label, kindWords[check.kind], stageOf(catalogue, check)?.label, ...parts, ...check.how].filter(Boolean)
    const text = folded(own.join(' '))
    const about = `${label} ${folded(parts.join(' '))}`
    const besides = rows.flatMap(({ words, standing }) => (standing.some((one) => one.test(about)) ? words : []))
    return { check, label, text: `${text} ${besides.join(' ')}` }
  })
  known.set(catalogue.checks, made)
  return made
}

/**
 * Checks that have all the words asked for, those that have them in their own name first.
 *
 * @param words as somebody types them; nothing finds everything
 */
export function findChecks(catalogue: Known, words: string): Check[] {
  const asked = folded(words).split(/\s+/).filter(Boolean)
  const found = indexOf(catalogue).filter(({ label, text }) => asked.every((word) => begins(label, word) || begins(text, word)))
  const inName = ({ label }: Indexed) => asked.filter((word) => begins(label, word)).length
  return found.sort((a, b) => inName(b) - inName(a) || (asked.length > 0 ? a.label.length - b.label.length : 0)).map((one) => one.check)
}

/** Checks put together by what they tell of: the steps of each sequence in their order, or the parts by name. */
export function browsed(catalogue: Known, by: 'stage' | 'part' | 'kind'): { title: string; checks: Check[] }[] {
  const groups = new Map<string, Check[]>()
  const add = (title: string, check: Check) => groups.set(title, [...(groups.get(title) ?? []), check])
  if (by === 'stage') {
    // the order of the sequence, not of the checks
    for (const [demand, stages] of Object.entries(catalogue.system.sequence))
      for (const stage of stages ?? [])
        for (const check of catalogue.checks)
          if (check.concerns?.demand === demand && check.concerns.stage === stage.id && !groups.get(stage.label)?.includes(check)) add(stage.label, check)
    for (const check of catalogue.checks) if (!check.concerns) add('Not of one step', check)
    return [...groups].map(([title, checks]) => ({ title, checks }))
  }
  const named = new Map(catalogue.parts.map((one) => [one, whole(folded(one.label))]))
  for (const check of catalogue.checks) {
    const titles = by === 'kind' ? [kindWords[check.kind]] : partsOf(catalogue, check, named)
    for (const title of titles.length > 0 ? titles : ['Not of one part']) add(title, check)
  }
  return [...groups].map(([title, checks]) => ({ title, checks })).sort((a, b) => (by === 'part' ? a.title.localeCompare(b.title) : 0))
}

/** The parts a check tells of: those whose defects show it as a sign, or that its name names. */
function partsOf({ faults, parts }: Known, check: Check, named: ReadonlyMap<Known['parts'][number], RegExp>): string[] {
  const label = folded(check.label)
  const showing = new Set(check.result.kind === 'cue' ? faults.filter((one) => (one.cues?.[check.id] ?? 0) >= 0.3).map((one) => one.part) : [])
  return parts.filter((one) => showing.has(one.id) || named.get(one)!.test(label)).map((one) => one.label)
}

const stageOf = ({ system }: Known, { concerns }: Check) => concerns && system.sequence[concerns.demand]?.find((one) => one.id === concerns.stage)

const folded = (text: string) => text.toLowerCase().replace(/[’']/g, '')
/** a word or a phrase that stands in a text as a whole; made once, as a catalogue is looked through for it some hundred times */
const whole = (phrase: string) => new RegExp(`(^|[^a-z0-9])${escaped(phrase)}(s|es)?($|[^a-z0-9])`)
/** whether a word of a text begins so */
const begins = (text: string, word: string) => new RegExp(`(^|[^a-z0-9])${escaped(word)}`).test(text)
const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
