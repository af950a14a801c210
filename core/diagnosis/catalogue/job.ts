import type { Skill } from './catalogue.ts'
import type { Origin } from './result.ts'

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

/** A figure to note, with what it should be here. */
export interface JobNote extends Omit<WorkNote, 'sum'> {
  /** counted from one, as it is written down */
  step: number
}

/** One line of a job, in the order of work. */
export interface JobLine {
  /** of a way in `open.…` or `close.…`, else the remedy, with its fault where one remedy is done for several; as it is written down */
  id: string
  /** the repair it is; null where it only gets at something */
  remedy: string | null
  kind: 'open' | 'work' | 'close'
  label: string
  minutes: number
  faults: string[]
  role: Origin['role'] | 'alongside' | null
  /** why it belongs to the job */
  because: string | null
  skill: Skill
  steps: string[]
  /** always new */
  seals: string[]
  parts: string[]
  torque: string | null
  cautions: string[]
  notes: JobNote[]
}

/** A link of the chain from cause to complaint, with the line that cures it. */
export interface ChainLink {
  role: 'cause' | Origin['role'] | 'complaint'
  label: string
  /** place of the line that cures it, from 0; null where nothing of the job does */
  line: number | null
}

/** A plan as it is worked through: every way in paid once. */
export interface Job {
  lines: JobLine[]
  /** ways in, by the places of the lines that open and close them */
  ways: { id: WayIn; label: string; from: number; to: number; minutes: number }[]
  minutes: number
  chain: ChainLink[]
}

/** A part with a bad record that the job reaches anyway. */
export interface BadRecord {
  remedy: string
  /** chance that it fails within a year */
  perYear: number
  because: string
}

/** What doing it now costs against leaving it. */
export interface WhileOpen {
  remedy: string
  label: string
  because: string
  perYear: number
  /** a later visit by its chance within a year, with the repair then */
  later: number
  /** its part and its own minutes now, the way in being paid */
  now: number
  minutes: number
  take: boolean
}

/** What is done when a remedy is carried out: chosen once, kept while it is worked through. */
export interface ChosenRemedy {
  remedy: string
  faults: string[]
}
