import { type Entry, standing } from '../../casebook/index.ts'
import type { Catalogue, Opening, Remedy } from '../catalogue/index.ts'

/** What a journal says of what was found, opened, done, and answered for: each with its place in the order of the journal. */
export interface RecordRead {
  /** remedies and acts that put something right, with the faults they are for */
  done: { id: string; faults: string[]; place: number }[]
  openings: { what: Opening; place: number }[]
  /** faults seen or condemned */
  seen: { fault: string; place: number }[]
  /** what was found by the way: a fault, or only words */
  besides: { entry: string; what: string; fault: string | null; place: number }[]
  /** answers to checks and to items of the record */
  said: { check: string; outcome?: string; value?: number; unit?: string; note?: string; entry: Entry; place: number }[]
  advised: { about?: string; what: string; answer: 'given' | 'declined'; due?: string; entry: string; place: number }[]
  /** complaints, as they were taken */
  complained: string[]
  /** where something dangerous was last made safe */
  madeSafe: number
}

/** What a remedy opens: what it must get at, and what it says. */
function openedBy({ access, skill, opens = [] }: Pick<Remedy, 'access' | 'skill' | 'opens'>): Opening[] {
  return [
    ...opens,
    ...(access === 'caseOff' ? (['case'] as const) : []),
    ...(access === 'drained' ? (['water'] as const) : []),
    ...(skill === 'electrical' ? (['electrics'] as const) : []),
    ...(skill === 'unvented' ? (['storedWater'] as const) : []),
  ]
}

/** Reads what the record of a case has to answer for, from the entries that stand. */
export function readRecord({ checks, remedies, actions, faults }: Catalogue, entries: readonly Entry[]): RecordRead {
  const read: RecordRead = { done: [], openings: [], seen: [], besides: [], said: [], advised: [], complained: [], madeSafe: -1 }
  standing(entries).forEach((entry, place) => {
    switch (entry.type) {
      case 'complaint':
        read.complained.push(entry.payload.what)
        break
      case 'repair': {
        const remedy = remedies.find((one) => one.id === entry.payload.remedy)
        if (!remedy) break
        const named = entry.payload.faults?.filter((id) => remedy.mends.includes(id)) ?? []
        read.done.push({ id: remedy.id, faults: named.length > 0 ? named : remedy.mends, place })
        read.openings.push(...openedBy(remedy).map((what) => ({ what, place })))
        break
      }
      case 'action': {
        const kind = actions.find((one) => one.id === entry.payload.action)
        if (!kind || entry.payload.undone) break
        if (kind.mends) read.done.push({ id: kind.id, faults: kind.mends, place })
        if (kind.drains) read.openings.push({ what: 'water', place })
        if (kind.makesSafe) read.madeSafe = place
        break
      }
      case 'reading': {
        const { check: id, outcome, value, unit, note } = entry.payload
        read.said.push({ check: id, outcome, value, unit, note, entry, place })
        const access = checks.find((one) => one.id === id)?.access
        if (access === 'caseOff' || access === 'drained') read.openings.push({ what: 'case', place })
        if (access === 'drained') read.openings.push({ what: 'water', place })
        break
      }
      case 'finding': {
        const fault = faults.find((one) => one.id === entry.payload.fault)?.id ?? null
        if (fault) read.seen.push({ fault, place })
        if (fault || entry.payload.explainsComplaint === false) read.besides.push({ entry: entry.id, what: entry.payload.what, fault, place })
        break
      }
      case 'decision':
        if (entry.payload.kind === 'condemned' && entry.payload.fault) read.seen.push({ fault: entry.payload.fault, place })
        break
      case 'advice': {
        const { about, what, answer, due } = entry.payload
        read.advised.push({ about, what, answer, due, entry: entry.id, place })
        break
      }
    }
  })
  return read
}
