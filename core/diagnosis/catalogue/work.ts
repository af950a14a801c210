/** What must be noted while working: a figure with its unit. */
export interface WorkNote {
  label: string
  unit: string
  /** what it should be, where that is the same everywhere */
  low?: number
  high?: number
  /** what it should be comes from a sum: the vessel’s charge, the pressure it is filled to */
  sum?: 'charge' | 'fill'
  because?: string
}

/** One line of work that is not a repair by itself. */
export interface WorkRow {
  label: string
  steps: string[]
  cautions?: string[]
  notes?: WorkNote[]
  seals?: string[]
}

/** A way of getting at something: opened once, and put together again once. */
export type WayIn = 'dead' | 'case' | 'drained' | 'gas'

/** How a boiler is got at. */
export interface WayInRow {
  id: WayIn
  /** in two words, for the margin */
  label: string
  open: WorkRow
  close: WorkRow
}

/** A part with a bad record that the job reaches anyway. */
export interface BadRecord {
  remedy: string
  /** chance that it fails within a year */
  perYear: number
  because: string
}
