import { type Entry, standing } from '../../casebook/index.ts'
import type { ActionKind, Catalogue, Check } from '../catalogue/index.ts'

/** Something done that changes the situation and is not undone. */
export interface Act {
  entry: string
  at: string
  kind: ActionKind
  /** what it was done to: a part, or a conductor and where it went */
  value?: string
  note?: string
}

/** The acts that stand once an entry has been read: one undone goes, and so does a part on trial once a repair has fitted it for good. */
export function actsAfter(catalogue: Catalogue, acts: readonly Act[], entry: Entry): readonly Act[] {
  if (entry.type === 'repair') {
    const mends = catalogue.remedies.find((one) => one.id === entry.payload.remedy)?.mends ?? []
    const parts = new Set(catalogue.faults.filter((one) => mends.includes(one.id)).map((one) => one.part))
    return acts.filter((one) => one.kind.aside !== 'part' || !parts.has(one.value ?? ''))
  }
  if (entry.type !== 'action') return acts
  const kind = catalogue.actions.find((one) => one.id === entry.payload.action)
  if (!kind?.undo) return acts
  const value = entry.payload.value?.toString()
  const others = acts.filter((one) => one.kind !== kind || (value !== undefined && one.value !== value))
  return entry.payload.undone ? others : [...others, { entry: entry.id, at: entry.at, kind, value, note: entry.payload.note }]
}

/** The acts that stand at the end of a journal. */
export function standingActs(catalogue: Catalogue, entries: readonly Entry[]): readonly Act[] {
  return standing(entries).reduce<readonly Act[]>((acts, entry) => actsAfter(catalogue, acts, entry), [])
}

/** Faults that these acts put out of the way, as indices. */
export function setAside(catalogue: Catalogue, acts: readonly Act[]): number[] {
  return catalogue.faults.flatMap((fault, index) =>
    acts.some(({ kind: { aside }, value }) => (aside === 'part' ? fault.part === value : aside?.includes(fault.id))) ? [index] : [],
  )
}

/** Words of an act within a sentence. */
export const within = (words: string) => words.charAt(0).toLowerCase() + words.slice(1)

/**
 * Why a check cannot be made as it should be while these acts stand, in words: what of them is in its way; null when nothing is.
 * A check made with the boiler isolated, or drained, is not barred by that.
 */
export function barring(acts: readonly Act[], { id, situation }: Pick<Check, 'id' | 'situation'>): string | null {
  if (situation.powerOff || situation.drained || situation.demand === 'none') return null
  const found = acts.find(({ kind: { bars } }) => bars && !bars.except?.includes(id) && (bars.demand === 'any' || bars.demand === situation.demand))
  return found ? `taken before this was undone: ${within(found.kind.label)}` : null
}
