import { hear, type Catalogue } from '@dewpoint/core/diagnosis'
import { heardOf } from '@dewpoint/trade/heard'

/** A complaint heard in somebody's words, or a question they answer with yes. */
export interface HeardOf {
  about: string
  label: string
  /** the checks it answers */
  answers: string[]
  isComplaint: boolean
  /** what is written down for it when it is no complaint */
  outcome: string
  /** the stretches of the words it was heard in, in lower case */
  parts: string[]
}

/** What of a catalogue is heard in words, each once: offered, and written down only when somebody says that it is so. */
export function heardIn({ complaints, checks }: Pick<Catalogue, 'complaints' | 'checks'>, words: string): HeardOf[] {
  const said = hear(heardOf, words).flatMap(({ danger: about, parts }): HeardOf[] => {
    const complaint = complaints.find((one) => one.id === about && !one.danger)
    if (complaint) return [{ about, label: complaint.label, answers: complaint.evidence.map((one) => one.check), isComplaint: true, outcome: '', parts }]
    const question = checks.find((one) => one.id === about)
    return question ? [{ about, label: `${question.label} yes`, answers: [about], isComplaint: false, outcome: 'yes', parts }] : []
  })
  return [...said, ...codesIn(checks, words)]
}

/** before a bare figure these say that a code is meant: else it is as likely a time or a temperature */
const codeWords = '(?:codes?|errors?|faults?|says?|saying|shows?|showing|displays?|displaying|flashes|flashing)[^\\p{L}\\p{N}]+(?:an?[^\\p{L}\\p{N}]+)?'

/** Fault codes of this boiler that stand in somebody's words: "stop B1", "it says b 1", "code 61". */
function codesIn(checks: Catalogue['checks'], words: string): HeardOf[] {
  const shown = checks.find((one) => one.answeredBy === 'codeReturned')
  if (shown?.result.kind !== 'outcome') return []
  const { id: about } = shown
  const heard = shown.result.outcomes.flatMap(({ id, label }): HeardOf[] => {
    const [code = '', meaning] = label.split(' · ')
    if (meaning === undefined) return []
    const last = code.split(' ').at(-1)!
    const loose = [...last].join('[\\s-]?')
    const short = /[a-z]/i.test(last) && /\d/.test(last) ? loose : `(?<=${codeWords})${loose}`
    const whole = code.includes(' ') ? code.split(' ').join('[\\s,-]+') : short
    const found = new RegExp(`(?<![\\p{L}\\p{N}])(?:${whole}|${short})(?![\\p{L}\\p{N}])`, 'iu').exec(words)
    return found ? [{ about, label: `Code ${label}`, answers: [about], isComplaint: false, outcome: id, parts: [found[0].toLowerCase()] }] : []
  })
  // two codes in one breath are asked about at the display
  return heard.length === 1 ? heard : []
}

/** A text cut where something is heard in it: each stretch with the place of what is heard there, −1 where nothing is. */
export function markedWords(words: string, heard: readonly Pick<HeardOf, 'parts'>[]): { text: string; of: number }[] {
  const of = new Int16Array(words.length).fill(-1)
  heard.forEach(({ parts }, index) => {
    for (const part of parts) {
      const pattern = part
        .split(/[^\p{L}\p{N}']+/u)
        .filter(Boolean)
        .join("[^\\p{L}\\p{N}']+")
      const found = pattern && new RegExp(`(?<![\\p{L}\\p{N}])${pattern}(?![\\p{L}\\p{N}])`, 'iu').exec(words)
      if (found) of.fill(index, found.index, found.index + found[0].length)
    }
  })
  const stretches: { text: string; of: number }[] = []
  for (let at = 0; at < words.length; at++) {
    const last = stretches.at(-1)
    if (last?.of === of[at]) last!.text += words[at]
    else stretches.push({ text: words[at]!, of: of[at]! })
  }
  return stretches
}
