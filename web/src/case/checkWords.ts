import { day } from '../shared/times.ts'
import { causeItem, type figureWords, isProbe, probeCheck, readsOf, specOf, type Catalogue, type Check } from '@dewpoint/core/diagnosis'
import type { Entry, Payload } from '@dewpoint/core/casebook'
import { schemesOf } from '@dewpoint/trade'
import { historyWords } from '@dewpoint/trade/report'
import { bookingWords } from './call/visit/bookingWords.ts'
import { formatQuantity, isUnit } from '@dewpoint/core/quantity'

/** What is said of a number where no figure was noted. */
export const figureChoices: { id: (typeof figureWords)[number]; label: string }[] = [
  { id: 'tooLow', label: 'too low' },
  { id: 'right', label: 'as it should be' },
  { id: 'tooHigh', label: 'too high' },
]

/** What is said where nothing could be read. */
export function notReachedWords(check: Check): string {
  const reads = readsOf(check)
  // what shows only while it burns may not get that far with the display lit
  const dark = reads.length > 0 && reads.every((one) => 'given' in one && one.given === 'displayOn' && one.reduce.by !== 'modeWhileLit')
  return dark ? 'the display is dark' : 'it never gets that far'
}

/** The answers a check can be given, with words for buttons. */
export function outcomeChoices(check: Check, withNotReached: boolean): { id: string; label: string }[] {
  const known =
    check.result.kind === 'outcome'
      ? check.result.outcomes
      : check.result.kind === 'cue'
        ? [
            { id: 'yes', label: 'yes' },
            { id: 'no', label: 'no' },
          ]
        : withNotReached
          ? figureChoices
          : []
  return withNotReached && check.result.kind !== 'cue' ? [...known, { id: 'notReached', label: notReachedWords(check) }] : known
}

/** An answer in words, one of earlier days among them. */
function said(check: Check, outcome: string): { label: string } | undefined {
  const before = check.result.kind === 'outcome' ? (check.result.once ?? []) : []
  return [...outcomeChoices(check, true), ...before].find((one) => one.id === outcome)
}

/** The check a reading was made by; a meter between two terminals is one for the occasion. */
function checkOf(catalogue: Catalogue, payload: Payload<'reading'>): Check | undefined {
  const scheme = catalogue.system.controls
  if (isProbe(payload.check) && scheme) return probeCheck(scheme, specOf(payload.check, payload))
  return catalogue.checks.find((one) => one.id === payload.check)
}

/** What stands for a version nobody knows. */
export const notKnown = 'notKnown'

/** What is said of something that must stand in the record. */
const recordAnswers = { right: 'right', notRight: 'not right', notDone: 'not done' } as const

/** A reading that answers for something in the record, in words; nothing of any other. */
function recordWords({ closing, faults }: Catalogue, { check, outcome, note }: Payload<'reading'>): { what: string; result: string } | undefined {
  const cause = faults.find((one) => causeItem(one.id) === check)
  const what = cause ? `Cause of: ${cause.label}` : closing.find((one) => one.id === check)?.label
  if (what === undefined) return undefined
  const said = recordAnswers[outcome as keyof typeof recordAnswers] ?? outcome ?? ''
  return { what, result: note ? `${said}: ${note}` : cause && outcome === 'right' ? 'found and put right' : said }
}

const decisionWords = { closed: 'Closed', lookalikePassedOver: 'Look-alike passed over', planChosen: 'Plan chosen', reopened: 'Opened again' }
const visitWords = { setOut: 'set out', arrived: 'arrived', left: 'left' }
const stepWords = { done: 'Step done', notDone: 'Step not done', open: 'Step open again' }

/** One journal entry in words: what, and what came of it. */
export function entryWords(catalogue: Catalogue, entry: Entry): { what: string; result: string } {
  const find = <T extends { id: string; label: string }>(list: readonly T[], id: string | undefined) => list.find((one) => one.id === id)?.label ?? id ?? ''
  switch (entry.type) {
    case 'complaint':
      return { what: 'Complaint', result: find(catalogue.complaints, entry.payload.what) }
    case 'fact': {
      const { fact, value, unit } = entry.payload
      if (fact === 'controls')
        return { what: 'Wired as', result: schemesOf(catalogue.system.id.split('+')[0]!).find((one) => one.id === value)?.label ?? 'not known' }
      const choice = catalogue.facts.find((one) => one.id === fact)?.choices?.find((one) => one.id === value)
      if (choice || value === notKnown) return { what: find(catalogue.facts, fact), result: choice?.label ?? 'not known' }
      return { what: find(catalogue.facts, fact), result: typeof value === 'number' && unit && isUnit(unit) ? formatQuantity(value, unit) : String(value) }
    }
    case 'history':
      return { what: `History, ${day(entry.payload.on)}`, result: historyWords(entry.payload) }
    case 'action': {
      const { action, undone, value, note } = entry.payload
      const kind = catalogue.actions.find((one) => one.id === action)
      const to = catalogue.parts.find((one) => one.id === value)?.label ?? note
      const done = undone ? `${kind?.undo ?? 'Undone'} (${kind?.label ?? action})` : (kind?.label ?? action)
      return { what: undone ? 'Undone' : 'Done', result: to ? `${done}: ${to}` : done }
    }
    case 'reading': {
      const ofRecord = recordWords(catalogue, entry.payload)
      if (ofRecord) return ofRecord
      const check = checkOf(catalogue, entry.payload)
      const { outcome, value, unit, sureness } = entry.payload
      const result =
        outcome !== undefined ? (check ? (said(check, outcome)?.label ?? outcome) : outcome) : unit && isUnit(unit) ? formatQuantity(value!, unit) : `${value}`
      return {
        what: check?.label ?? (isProbe(entry.payload.check) ? 'Between two terminals' : entry.payload.check),
        result: sureness === 'unsure' ? `${result} (not sure)` : result,
      }
    }
    case 'finding':
      return { what: 'Found', result: entry.payload.what }
    case 'repair':
      return { what: 'Repaired', result: find(catalogue.remedies, entry.payload.remedy) }
    case 'advice': {
      const { answer, what, due } = entry.payload
      return { what: answer === 'declined' ? 'Advice declined' : 'Advice given', result: due ? `${what}, ${day(due)}` : what }
    }
    case 'decision': {
      const { kind, part, check, reason } = entry.payload
      if (kind === 'condemned') return { what: 'Condemned', result: find(catalogue.parts, part) }
      if (kind === 'checkNotPossible') return { what: find(catalogue.checks, check), result: 'cannot be done' }
      return { what: decisionWords[kind], result: reason }
    }
    case 'said':
      return { what: 'Said', result: `“${entry.payload.words}”` }
    case 'booking':
      return { what: 'Booking', result: bookingWords(entry.payload) }
    case 'visit':
      return { what: 'Visit', result: visitWords[entry.payload.event] }
    case 'step': {
      const { remedy, step, state, value, unit, note } = entry.payload
      const of = catalogue.remedies.find((one) => one.id === remedy.split(' ')[0])
      const way = catalogue.waysIn
        ?.flatMap((one) => [
          { id: `open.${one.id}`, ...one.open },
          { id: `close.${one.id}`, ...one.close },
        ])
        .find((one) => one.id === remedy)
      const measured = value !== undefined && unit && isUnit(unit) ? `: ${formatQuantity(value, unit)}` : ''
      // the first is the step itself, the others are figures noted with it
      const noted = (way?.notes ?? of?.notes)?.[step - 1]
      const label = noted ? noted.label : (way?.label ?? of?.label ?? remedy)
      return { what: noted ? 'Noted' : stepWords[state], result: `${label}${measured}${note ? `. ${note}` : ''}` }
    }
    case 'photo':
      return { what: 'Photo', result: entry.payload.caption ?? '' }
    case 'followUp':
      return { what: 'Follow-up', result: `${entry.payload.what}, ${day(entry.payload.on)}` }
    case 'wording':
      return { what: 'Words for the customer', result: entry.payload.text }
    case 'signature':
      return { what: 'Signed', result: entry.payload.name }
    case 'retract':
      return { what: 'Taken back', result: '' }
  }
}
