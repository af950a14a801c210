import { standing, type Entry } from '../../../casebook/index.ts'
import type { Catalogue, Danger, DangerQuestion, Stop } from '../../catalogue/index.ts'
import { unsafeReading } from './unsafeReading.ts'
import { hear } from './hear.ts'

/** What of a catalogue danger is judged by. */
type Knowledge = Pick<Catalogue, 'dangers' | 'speech' | 'complaints' | 'checks' | 'actions' | 'closing' | 'faults'>

/**
 * Danger comes before any ranking: a complaint of danger, words of danger in what anyone wrote anywhere, a reading that is unsafe, or a dangerous fault
 * that was found stops the case until an entry says it was made safe. Where words leave it open it is asked about, until somebody answers.
 *
 * @param entries the journal, in any order
 * @returns `had`: every danger the case was stopped for, also those made safe since
 */
export function dangersIn(catalogue: Knowledge, entries: readonly Entry[]): { stop: Stop | null; questions: DangerQuestion[]; had: string[] } {
  let stops: Omit<Stop, 'others'>[] = []
  let questions: DangerQuestion[] = []
  const had = new Set<string>()
  const stop = (id: string, entry: string, because: string) => {
    const danger = catalogue.dangers.find((one) => one.id === id)
    if (!danger) return
    had.add(id)
    if (!stops.some((one) => one.danger === id)) stops.push({ danger: id, label: danger.label, entry, because, say: danger.say, act: danger.act })
    questions = questions.filter((one) => one.danger !== id)
  }
  for (const entry of standing(entries)) {
    const act = entry.type === 'action' ? catalogue.actions.find((one) => one.id === entry.payload.action) : undefined
    if (entry.type === 'action' && act?.makesSafe) {
      // how it was made safe may name what was dangerous; what somebody is still to be asked about is another danger, and stays
      if (!entry.payload.undone) stops = []
      continue
    }
    if (entry.type === 'action' && act?.rulesOut) {
      questions = questions.filter((one) => one.danger !== entry.payload.value)
      continue
    }
    if (entry.type === 'complaint') {
      const complaint = catalogue.complaints.find((one) => one.id === entry.payload.what)
      if (complaint?.danger) stop(complaint.danger, entry.id, complaint.label)
    }
    if (entry.type === 'reading') {
      const unsafe = unsafeReading(catalogue, entry.payload)
      if (unsafe) stop(unsafe.danger, entry.id, unsafe.because)
    }
    const found = entry.type === 'finding' ? catalogue.faults.find((one) => one.id === entry.payload.fault) : undefined
    if (found?.danger) stop(found.danger, entry.id, found.label)
    // a fault named as the list names it says no more than that
    for (const text of wordsOf(entry).filter((one) => one !== found?.label))
      for (const { danger: id, sure, words } of hear(catalogue.speech, text)) {
        // what happened on a day long ago is asked about
        if (sure && entry.type !== 'history') stop(id, entry.id, `“${words}”`)
        else
          ask(
            catalogue.dangers.find((one) => one.id === id),
            entry.id,
            words,
          )
      }
  }
  const [first, ...others] = stops
  return {
    stop: first ? { ...first, others: others.map(({ danger, label, because, entry }) => ({ danger, label, because, entry })) } : null,
    questions,
    had: [...had],
  }

  function ask(danger: Danger | undefined, entry: string, words: string) {
    if (!danger || stops.some((one) => one.danger === danger.id) || questions.some((one) => one.danger === danger.id)) return
    questions.push({ danger: danger.id, question: danger.ask, entry, words })
  }
}

/** Everything anyone wrote in an entry. */
function wordsOf(entry: Entry): string[] {
  const { payload } = entry
  const texts = {
    said: ['words'],
    complaint: ['words', 'since'],
    booking: ['note'],
    visit: [],
    fact: ['value'],
    history: ['note', 'followedBy'],
    action: ['note', 'value'],
    reading: ['note', 'place'],
    finding: ['what', 'note'],
    repair: ['note'],
    advice: ['what', 'note'],
    decision: ['reason'],
    step: ['note'],
    photo: ['caption'],
    followUp: ['what'],
    // what is written for the customer to read may name a danger to look out for
    wording: [],
    signature: [],
    retract: [],
  }[entry.type]
  return texts.flatMap((field) => {
    const text = (payload as Record<string, unknown>)[field]
    return typeof text === 'string' && text.includes(' ') ? [text] : typeof text === 'string' && field !== 'value' && field !== 'place' ? [text] : []
  })
}
