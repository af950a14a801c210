import type { ChosenRemedy, Job } from '@dewpoint/core/diagnosis'

/** A job as it is shown: a plan that may be chosen, or the one that was. */
export interface PlannedJob {
  plan: string
  remedies: ChosenRemedy[]
  job: Job
  /** the entry that chose it; null while it is only shown */
  entry: string | null
  /** minutes saved because what has to be got at is opened once */
  shared: number
}
