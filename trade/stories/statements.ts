import type { Entry, scriptedJournal } from '@dewpoint/core/casebook'
import type { Diagnosis } from '@dewpoint/core/diagnosis'

/** What must hold once everything so far has been written down. */
export interface Statement {
  /** ids of faults, checks and remedies as they are, parts in braces: whoever shows it puts the names there */
  says: string
  holds: (now: Diagnosis) => boolean
}

/** A call-out as practitioners live it: entries as they are written down, and what an expert would insist on after which of them. */
export interface Story {
  title: string
  /** what it was like, in a sentence or two */
  heard?: string
  system: string
  controls?: string
  tell: (journal: ReturnType<typeof scriptedJournal>) => (Entry | Statement)[]
}

export const isEntry = (one: Entry | Statement): one is Entry => 'payload' in one

/** what a text is looked for, as words */
const inPlain = ({ source }: RegExp) => source.split('|').join(' or ')
const share = (now: Diagnosis, fault: string) => now.faults[fault] ?? 0

/** One of some faults is nearly certain to stand. */
export const stands = (atLeast: number, ...faults: string[]): Statement => ({
  says: `${faults.join(' or ')} stands with ${atLeast} at least`,
  holds: (now) => faults.reduce((sum, one) => sum + share(now, one), 0) >= atLeast,
})
/** All of some faults are likely to stand, each by itself or together. */
export const allStand = (atLeast: number, ...faults: string[]): Statement => ({
  says: `each of ${faults.join(', ')} stands with ${atLeast} at least`,
  holds: (now) => faults.every((one) => share(now, one) >= atLeast),
})
export const leads = (...faults: string[]): Statement => ({
  says: `${faults.join(' or ')} leads`,
  holds: (now) => faults.some((one) => now.suspects[0]!.faults.includes(one)),
})
export const notLikely = (atMost: number, ...faults: string[]): Statement => ({
  says: `${faults.join(', ')}: not more than ${atMost}`,
  holds: (now) => faults.every((one) => share(now, one) <= atMost),
})
export const found = (part: string): Statement => ({ says: `the verdict is {${part}}`, holds: (now) => now.verdict?.part === part })
export const good = (part: string): Statement => ({
  says: `{${part}} is proven good`,
  holds: (now) => now.parts.find((one) => one.id === part)?.state === 'good',
})
export const noVerdict: Statement = { says: 'nothing is condemned yet', holds: (now) => now.verdict === null }
/** One of these checks is among the first offered. */
export const offers = (first: number, ...checks: string[]): Statement => ({
  says: `${checks.length > 1 ? 'one of ' : ''}${checks.join(', ')} is ${first > 1 ? `among the first ${first} checks` : 'the next check'}`,
  holds: (now) => now.next.slice(0, first).some((one) => checks.includes(one.check)),
})
/** Of some checks none is offered among the first so many; by how their ids begin. */
export const offersNone = (first: number, beginning: string, words: string): Statement => ({
  says: `none of the first ${first} checks is ${words}`,
  holds: (now) => now.next.slice(0, first).every((one) => !one.check.startsWith(beginning)),
})
export const causeToFind = (fault: string, cause: string): Statement => ({
  says: `${cause} is to be looked for behind ${fault}`,
  holds: (now) => now.causes.some((one) => one.fault === fault && one.by.some((each) => each.fault === cause || each.check?.check === cause)),
})
export const asksAboutUnit: Statement = { says: 'the unit is asked about', holds: (now) => now.refused.some((one) => one.instead !== undefined) }
export const remarks = (about: RegExp): Statement => ({
  says: `it is remarked: ${inPlain(about)}`,
  holds: (now) => now.remarks.some((one) => about.test(one.says)),
})
export const unlistedDoesNotLead: Statement = { says: 'a cause not listed does not lead', holds: (now) => now.suspects[0]!.key !== 'unlisted' }
/** Something is refused: it cannot be true as it was written. */
export const refuses: Statement = { says: 'the reading is not taken as it was written', holds: (now) => now.refused.length > 0 }
/** One of some faults is among the first suspects. */
export const among = (first: number, ...faults: string[]): Statement => ({
  says: `${faults.join(' or ')} is among the first ${first} suspects`,
  holds: (now) => now.suspects.slice(0, first).some((one) => one.faults.some((fault) => faults.includes(fault))),
})
export const stops: Statement = { says: 'danger stops the case', holds: (now) => now.stop !== null }
export const barsClosing = (about: RegExp): Statement => ({
  says: `it cannot be closed yet: ${inPlain(about)}`,
  holds: (now) => now.closing.some((one) => about.test(one)),
})
export const explainsIt: Statement = { says: 'what leads explains the complaint', holds: (now) => (now.suspects[0]!.explains?.length ?? 0) > 0 }

/** What must stand in the record is open, or is not. */
export const owes = (...items: string[]): Statement => ({
  says: `owed before closing: ${items.join(', ')}`,
  holds: (now) => items.every((id) => now.record.some((one) => one.id === id && (one.state === 'open' || one.state === 'notRight'))),
})
export const owesNot = (...items: string[]): Statement => ({
  says: `not owed before closing: ${items.join(', ')}`,
  holds: (now) => items.every((id) => !now.record.some((one) => one.id === id && (one.state === 'open' || one.state === 'notRight'))),
})
export const closes: Statement = { says: 'it can be closed', holds: (now) => now.closing.length === 0 }
/** The best plan does these, in this order. */
export const plans = (...remedies: string[]): Statement => ({
  says: `the plan is ${remedies.join(', ')}`,
  holds: (now) => {
    const steps = now.plans[0]?.steps.map((one) => one.remedy) ?? []
    const places = remedies.map((id) => steps.indexOf(id))
    return places.every((place, index) => place >= 0 && (index === 0 || place > places[index - 1]!))
  },
})
export const advisesFirst = (check: string): Statement => ({
  says: `${check} is owed first`,
  holds: (now) => now.advice?.does === 'check' && now.advice.first.some((one) => one.check === check) && now.next[0]?.check === check,
})
