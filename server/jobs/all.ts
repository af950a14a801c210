import { caseJob, siteJob } from '../cases/derived/queries.ts'
import { opinionJob } from '../experience/queries.ts'
import type { Job } from './job.ts'

/** What is brought up to date after older versions, in this order. */
export const allJobs: readonly Job[] = [siteJob, caseJob, opinionJob]
