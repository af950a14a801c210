import type { Skill } from './catalogue.ts'
import type { WayIn, WorkNote } from './work.ts'

/** What a fault is to those mended with it. */
type Role = 'root' | 'consequence' | 'alone'

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
  role: Role | 'alongside' | null
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
  role: 'cause' | Role | 'complaint'
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
