import type { EntryOf } from '../../casebook/index.ts'
import { type Catalogue, type Check, type Doubt, type Experience, placeOfOutcome, type Refusal } from '../catalogue/index.ts'
import type { Act } from './acts.ts'
import type { GaugeWatch } from './gaugeWatch.ts'

/** One reading as the likelihood takes it: several of one check between two repairs are one. */
export interface Evidence {
  check: Check
  /** entries it stands for */
  entries: string[]
  /** index of the outcome; −1 for "not reached"; for a cue 1 yes, 0 no */
  outcomes: number[]
  /** numbers in the check's unit, or as a resistance factor */
  values: number[]
  doubt: number
  /** how many repairs came before it */
  epoch: number
  /** the visit it was made on */
  visit: string
  /** told of the past by somebody else, not made today */
  told: boolean
}

/** What was changed between readings: a remedy carried out, or something put out of the way or back. */
export interface Mending {
  entry: string
  /** faults it takes out for good, with its chance of doing so */
  faults: number[]
  works: number
  /** faults out of the way from here to the next change */
  aside: number[]
  /** the water pressure was set right with it */
  filled: boolean
  visit: string
}

/** What a journal says to the reasoning. */
export interface JournalRead {
  evidence: Evidence[]
  mendings: Mending[]
  refused: Refusal[]
  doubted: Doubt[]
  /** what was done and is not undone */
  acts: readonly Act[]
  /** remedies carried out, and how often */
  tried: Map<string, number>
  /** what is known of the place apart from readings */
  circumstances: Circumstances
  /** chance that a fault which comes and goes was away through a visit, by the pattern of the complaint */
  comesAndGoes: number
  /** parameters fixed by facts */
  known: Record<string, number>
  /** checks that cannot be done on this visit */
  impossible: Set<string>
  /** the visit of the last entry: what was opened, or found impossible, on another does not count on this one */
  visit: string
  complaints: EntryOf<'complaint'>[]
  /** defects seen directly, as fault index and entry */
  seen: { fault: number; entry: string; epoch: number }[]
  /** the gauge read over days, one series between two repairs */
  watches: GaugeWatch[]
}

/** Checks that would tell nothing new if made again now: made since the last change, or about the time before. */
export function answered({ evidence, mendings }: Pick<JournalRead, 'evidence' | 'mendings'>): string[] {
  return evidence.filter((one) => one.check.before || one.epoch === mendings.length).map((one) => one.check.id)
}

/** Checks nothing can be read at, by what was seen last since the last change: a figure on a display that is dark. */
export function blind({ checks }: Pick<Catalogue, 'checks'>, { evidence, mendings }: Pick<JournalRead, 'evidence' | 'mendings'>): string[] {
  const seen = evidence.filter((one) => one.epoch === mendings.length && one.doubt === 0)
  return checks.flatMap(({ id, blindBy }) => {
    const last = blindBy && seen.findLast((one) => one.check.id === blindBy.check)
    return last && last.outcomes.at(-1) === placeOfOutcome(last.check, blindBy!.outcome) ? [id] : []
  })
}

/** Whether anything has been put right, as it seems. */
export function isRepaired({ mendings }: Pick<JournalRead, 'mendings'>): boolean {
  return mendings.some((one) => one.faults.length > 0)
}

/** What is known of an appliance before any reading of today. */
export interface Circumstances {
  /** years */
  age?: number
  experience?: Experience
  /** parts worked on within the last months, and how many times likelier a fault of theirs is for it */
  recentWork?: ReadonlyMap<string, number>
  /** kinds of background this installation is known for, such as a recent installation */
  known?: ReadonlySet<string>
  /** which version of a part is fitted, by fact */
  versions?: ReadonlyMap<string, string>
  /** parameters that are known */
  parameters?: Readonly<Record<string, number>>
}
