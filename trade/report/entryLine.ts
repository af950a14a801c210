import type { Entry, EntryOf, Payload } from '@dewpoint/core/casebook'
import { causeItem, outcomesOf, type Catalogue, type figureWords } from '@dewpoint/core/diagnosis'
import { formatQuantity, isUnit } from '@dewpoint/core/quantity'
import { reportTimes } from './reportTimes.ts'

const find = (list: readonly { id: string; label: string }[], id: string | undefined) => list.find((one) => one.id === id)?.label ?? id ?? ''
const figures: Record<(typeof figureWords)[number], string> = { tooLow: 'too low', right: 'as it should be', tooHigh: 'too high' }
const answers: Record<string, string> = {
  right: 'right',
  notRight: 'not right',
  notDone: 'not done',
  yes: 'yes',
  no: 'no',
  notReached: 'it never gets that far',
}
const decisions = {
  closed: 'Closed',
  lookalikePassedOver: 'Look-alike passed over',
  planChosen: 'Plan chosen',
  reopened: 'Opened again',
  checkNotPossible: 'Cannot be done',
  condemned: 'Condemned',
}
const visits = { setOut: 'set out', arrived: 'arrived', left: 'left' }

const events: Record<Payload<'history'>['event'], string> = {
  topUp: 'topped up',
  repair: 'repaired',
  visit: 'somebody was there',
  installation: 'put in',
  gaugeReading: 'gauge read',
  codeReturned: 'a code came back',
}

/** Something that happened before, in words. */
export function historyWords({ event, value, unit, note, state, loopOff, heating }: Payload<'history'>): string {
  const figure = value !== undefined && unit !== undefined && isUnit(unit) ? formatQuantity(value, unit) : ''
  // a note may say it itself
  const said = note?.toLowerCase().startsWith(events[event]) ? note : [events[event], note].filter(Boolean).join(', ')
  const since = [loopOff && 'filling loop off since', heating && `heating ${heating === 'off' ? 'left off' : 'on all the time'} since`]
  return [said, figure, state, ...since].filter(Boolean).join(', ')
}

/** What a reading came to, in words. */
export function resultWords(catalogue: Catalogue, { payload }: EntryOf<'reading'>): string {
  const { check: id, outcome, value, unit, note } = payload
  const check = catalogue.checks.find((one) => one.id === id)
  const said = check?.result.kind === 'outcome' ? [...check.result.outcomes, ...(check.result.once ?? [])].find((one) => one.id === outcome)?.label : undefined
  const known =
    check && check.result.kind === 'number' && outcome !== undefined && outcomesOf(check).includes(outcome)
      ? figures[outcome as keyof typeof figures]
      : undefined
  const words =
    outcome !== undefined
      ? (said ?? known ?? answers[outcome] ?? outcome)
      : value !== undefined && unit !== undefined && isUnit(unit)
        ? formatQuantity(value, unit)
        : String(value ?? '')
  return note ? `${words}: ${note}` : words
}

/** One entry of a journal as a report tells it. */
export function entryLine(catalogue: Catalogue, entry: Entry): { what: string; result: string } {
  switch (entry.type) {
    case 'complaint':
      return { what: 'Complaint', result: find(catalogue.complaints, entry.payload.what) }
    case 'said':
      return { what: 'Said', result: `“${entry.payload.words}”` }
    case 'fact':
      return { what: find(catalogue.facts, entry.payload.fact), result: `${entry.payload.value}${entry.payload.unit ? ` ${entry.payload.unit}` : ''}` }
    case 'history':
      return { what: 'History', result: `${reportTimes('UTC').day(entry.payload.on)}: ${historyWords(entry.payload)}` }
    case 'action':
      return { what: entry.payload.undone ? 'Undone' : 'Done', result: find(catalogue.actions, entry.payload.action) }
    case 'reading': {
      const { check } = entry.payload
      const cause = catalogue.faults.find((one) => causeItem(one.id) === check)
      const label = catalogue.checks.find((one) => one.id === check)?.label ?? catalogue.closing.find((one) => one.id === check)?.label
      return { what: label ?? (cause ? `Cause of: ${cause.label}` : 'Between two terminals'), result: resultWords(catalogue, entry) }
    }
    case 'finding':
      return { what: 'Found', result: entry.payload.what }
    case 'repair':
      return { what: 'Repaired', result: find(catalogue.remedies, entry.payload.remedy) }
    case 'advice':
      return { what: entry.payload.answer === 'declined' ? 'Advice declined' : 'Advice given', result: entry.payload.what }
    case 'decision': {
      const { kind, part, check, reason } = entry.payload
      if (kind === 'condemned') return { what: decisions[kind], result: find(catalogue.parts, part) }
      if (kind === 'checkNotPossible') return { what: find(catalogue.checks, check), result: 'cannot be done' }
      return { what: decisions[kind], result: reason }
    }
    case 'booking':
      return { what: 'Booking', result: [entry.payload.urgency, entry.payload.engineer].filter(Boolean).join(', ') }
    case 'visit':
      return { what: 'Visit', result: visits[entry.payload.event] }
    case 'step': {
      const { remedy, step, value, unit, note } = entry.payload
      const way = catalogue.waysIn
        ?.flatMap((one) => [
          { id: `open.${one.id}`, ...one.open },
          { id: `close.${one.id}`, ...one.close },
        ])
        .find((one) => one.id === remedy)
      const of = catalogue.remedies.find((one) => one.id === remedy.split(' ')[0])
      const noted = (way?.notes ?? of?.notes)?.[step - 1]
      const figure = value !== undefined && unit !== undefined && isUnit(unit) ? `: ${formatQuantity(value, unit)}` : ''
      return { what: noted ? 'Noted' : 'Step', result: `${noted ? noted.label : (way?.label ?? of?.label ?? remedy)}${figure}${note ? `. ${note}` : ''}` }
    }
    case 'photo':
      return { what: 'Photo', result: entry.payload.caption ?? '' }
    case 'followUp':
      return { what: 'Follow-up', result: `${entry.payload.what}, ${entry.payload.on.slice(0, 10)}` }
    case 'wording':
      return { what: 'Words for the customer', result: entry.payload.text }
    case 'signature':
      return { what: 'Signed', result: entry.payload.name }
    case 'retract':
      return { what: 'Taken back', result: '' }
  }
}
