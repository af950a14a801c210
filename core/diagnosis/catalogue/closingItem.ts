import type { UnitSymbol } from '../../quantity/index.ts'

/** What of an installation was opened, and owes something before it may be left. */
export type Opening = 'case' | 'chamber' | 'gasWay' | 'flue' | 'water' | 'electrics' | 'storedWater'

/** When something is owed: after any of these. */
export interface Occasion {
  /** after any repair */
  repair?: true
  /** something was opened, by a check or a repair */
  opened?: Opening[]
  /** remedies or acts that were done */
  done?: string[]
  /** faults that were found: seen, condemned, or mended */
  found?: string[]
  /** what was complained of */
  complained?: string[]
  /** a check was answered so */
  answered?: { check: string; outcome: string }[]
  /** faults that may still stand after the repair */
  mayStand?: string[]
  /** dangers the case was stopped for */
  danger?: string[]
}

/** Something that must stand in the record before a case is closed, by what was found and done. */
export interface ClosingItem {
  id: string
  label: string
  /** why it is owed, in words */
  why: string
  after: Occasion
  /** not owed where one of these was found as well: it explains what was found */
  unless?: string[]
  /** a check of the catalogue whose reading settles it; without, it is said to be right or not */
  check?: string
  /** what its figure must be, where that is not the model's: a limit of the place or of common practice */
  limit?: { low?: number; high?: number; source: string }
  /** settled as soon as the check was answered, whatever it says */
  anyAnswer?: true
  /** its check comes among the first that are offered */
  asks?: true
  /** what was told to the customer: given or declined; `due` with a day to come back on */
  advice?: 'told' | 'due'
  /** the advice in words, as it is written down */
  tell?: string
  /** it cannot be left out with a reason */
  never?: true
  /** the danger it is where it is not right: everything else stops */
  unsafe?: string
}

/** What is said of an item that no check settles. Not done needs a reason. */
export const closingAnswers = ['right', 'notRight', 'notDone'] as const

/** Ids of items that are no rows of a catalogue: the cause of a fault, something seen and not mended. */
export const causeItem = (fault: string) => `cause.${fault}`
export const seenItem = (finding: string) => `seen.${finding}`

/** What a figure is held against, with where that comes from. */
export interface Limit {
  low: number | null
  high: number | null
  unit: UnitSymbol
  source: string
}

/** An item with what the record says of it. */
export interface RecordItem {
  id: string
  label: string
  why: string
  /** how it is settled: by a check of the catalogue, by a word, by advice, by a day to come back on */
  by: 'check' | 'word' | 'told' | 'due'
  check: string | null
  state: 'open' | (typeof closingAnswers)[number] | 'given' | 'declined'
  /** of a figure: what it is held against, in the check's unit; null where there is no such figure */
  limit: Limit | null
  /** the advice in words; null where none is given */
  tell: string | null
  /** the entry that says so */
  entry: string | null
  /** in words: the reading, the reason it was not done, the advice */
  said: string | null
  /** its check comes among the first that are offered */
  asks: boolean
  /** whether it may be left out with a reason */
  leaves: boolean
}
