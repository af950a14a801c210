import { clockOf } from './clock.ts'
import type { Entry, EntryOf, EntryType, Payload } from './entry.ts'

/** What came of adding entries to a journal. */
export interface Appended {
  entries: Entry[]
  /** entries that were new */
  added: Entry[]
  /** ids that were there already with other content: refused, the first stays */
  conflicts: string[]
}

/**
 * Adds entries to a journal. Sending the same entry again changes nothing, so a client may
 * repeat a request whose answer it never saw.
 */
export function append(journal: readonly Entry[], incoming: readonly Entry[]): Appended {
  const known = new Map(journal.map((entry) => [entry.id, entry]))
  const added: Entry[] = []
  const conflicts: string[] = []
  for (const entry of incoming) {
    const present = known.get(entry.id)
    if (!present) {
      known.set(entry.id, entry)
      added.push(entry)
    } else if (!sameContent(present, entry)) conflicts.push(entry.id)
  }
  return { entries: inOrder([...known.values()]), added, conflicts }
}

/** Whether two things from outside have the same content, whatever the order of their keys. */
export function sameContent(a: unknown, b: unknown): boolean {
  return canonical(a) === canonical(b)
}

/** The entries by clock, then id: the order every reader sees, whoever sent them first and whatever their clocks say. */
export function inOrder(entries: readonly Entry[]): Entry[] {
  return entries
    .map((entry) => ({ entry, clock: clockOf(entry) }))
    .sort((a, b) => (a.clock < b.clock ? -1 : a.clock > b.clock ? 1 : a.entry.id < b.entry.id ? -1 : a.entry.id > b.entry.id ? 1 : 0))
    .map(({ entry }) => entry)
}

/** The entries that stand: without retracted ones, without the retractions themselves. A retraction can be retracted. */
export function standing(entries: readonly Entry[]): Entry[] {
  const retractions = inOrder(entries).filter((entry): entry is EntryOf<'retract'> => entry.type === 'retract')
  const gone = new Set<string>()
  for (const retraction of [...retractions].reverse()) {
    if (!gone.has(retraction.id)) gone.add(retraction.payload.entry)
  }
  return inOrder(entries).filter((entry) => entry.type !== 'retract' && !gone.has(entry.id))
}

/** The standing entries of one type, oldest first. */
export function entriesOf<T extends EntryType>(entries: readonly Entry[], type: T): EntryOf<T>[] {
  return standing(entries).filter((entry): entry is EntryOf<T> => entry.type === type)
}

/** How the system is wired, as the journal says last; what stands on the case where it says nothing. */
export function controlsOf(entries: readonly Entry[], otherwise: string): string {
  const said = entriesOf(entries, 'fact').findLast((entry) => entry.payload.fact === 'controls')?.payload.value
  return typeof said === 'string' ? said : otherwise
}

/** The entry that closed a case; null while it is open, also once it was opened again. */
export function closingOf(entries: readonly Entry[]): EntryOf<'decision'> | null {
  const last = entriesOf(entries, 'decision').findLast(({ payload }) => payload.kind === 'closed' || payload.kind === 'reopened')
  return last?.payload.kind === 'closed' ? last : null
}

/** Who goes when and what was said of it: of each field what was said last. */
export function bookingOf(entries: readonly Entry[]): Payload<'booking'> {
  return Object.assign({}, ...entriesOf(entries, 'booking').map((one) => one.payload)) as Payload<'booking'>
}

/** What is known of the configuration by its name: of each fact what was said last. */
export function factsOf(entries: readonly Entry[]): Record<string, EntryOf<'fact'>> {
  return Object.fromEntries(entriesOf(entries, 'fact').map((one) => [one.payload.fact, one]))
}

/** What a list of cases shows of one, folded from its journal. */
export interface CaseSummary {
  /** catalogue ids of what the customer complains of */
  complaints: string[]
  entries: number
  readings: number
  condemned: string[]
  repairs: number
  closed: boolean
  /** what was told of the gauge or the past since it was closed; unknown of what an older version folded */
  later?: number
  /** how a closed case ended; null where it is open or nobody said */
  ending: Payload<'decision'>['ending'] | null
  /** who goes when, and how urgent it is, as said last */
  booking: Pick<Payload<'booking'>, 'urgency' | 'vulnerable' | 'engineer' | 'from' | 'to'>
  /** faults the case proved, for what the firm has learnt */
  proven: string[]
  lastAt: string | null
}

/** Folds a journal into the line a list of cases shows. */
export function summarise(entries: readonly Entry[]): CaseSummary {
  const live = standing(entries)
  const decisions = live.filter((entry) => entry.type === 'decision')
  const closing = closingOf(live)
  const { urgency, vulnerable, engineer, from, to } = bookingOf(live)
  return {
    complaints: live.filter((entry) => entry.type === 'complaint').map((entry) => entry.payload.what),
    entries: live.length,
    readings: live.filter((entry) => entry.type === 'reading').length,
    condemned: decisions.filter((entry) => entry.payload.kind === 'condemned').map((entry) => entry.payload.part ?? entry.payload.fault ?? ''),
    repairs: live.filter((entry) => entry.type === 'repair').length,
    closed: closing !== null,
    later: closing ? live.slice(live.indexOf(closing) + 1).filter(({ type }) => type === 'history').length : 0,
    ending: closing?.payload.ending ?? null,
    booking: { ...(urgency && { urgency }), ...(vulnerable && { vulnerable }), ...(engineer && { engineer }), ...(from && { from }), ...(to && { to }) },
    proven: provenFaults(entries),
    lastAt: live.at(-1)?.at ?? null,
  }
}

/**
 * Faults that a closed case proved: condemned, mended by a repair that was not called a failure, the case then closed.
 * Nothing else counts as experience: what was only suspected, or never proved, teaches odds that are not so.
 */
export function provenFaults(entries: readonly Entry[]): string[] {
  const live = standing(entries)
  // what was left without proof, not mended or unsafe proves nothing
  const closing = closingOf(live)
  if (!closing || (closing.payload.ending ?? 'proven') !== 'proven') return []
  const mended = new Set(live.flatMap((entry) => (entry.type === 'repair' && entry.payload.result !== 'failed' ? (entry.payload.faults ?? []) : [])))
  const condemned = live.flatMap((entry) =>
    entry.type === 'decision' && entry.payload.kind === 'condemned' && entry.payload.fault ? [entry.payload.fault] : [],
  )
  return [...new Set(condemned)].filter((fault) => mended.has(fault))
}

function canonical(value: unknown): string {
  return JSON.stringify(value, (_key, part: unknown) =>
    typeof part === 'object' && part !== null && !Array.isArray(part) ? Object.fromEntries(Object.entries(part).sort(([a], [b]) => (a < b ? -1 : 1))) : part,
  )
}
