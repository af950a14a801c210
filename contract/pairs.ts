import { check, outOfBounds, uuid7, type Parsed } from '@dewpoint/core/casebook'
import type { SimulatedPair } from '@dewpoint/core/diagnosis'
import { array, number, object, string, tuple } from 'yup'

/** Pairs of faults one device has simulated, and of which catalogue. */
export interface PairReport {
  /** the device that simulated them: a pair counts when a second one found the same */
  device: string
  system: string
  controls: string
  pairs: SimulatedPair[]
}

/** pairs in one report */
export const mostPairs = 12
const mostExceptions = 4000

const reportSchema = object({
  device: uuid7().required(),
  system: string().min(1).max(60).required(),
  controls: string().min(1).max(60).required(),
  pairs: array(
    object({
      pair: number().integer().min(0).required(),
      exceptions: array(tuple([number().integer().min(0).required(), number().nullable().defined()]).required())
        .max(mostExceptions)
        .required(),
    })
      .noUnknown()
      .strict(),
  )
    .min(1)
    .max(mostPairs)
    .required(),
})
  .noUnknown()
  .strict()

/** Reads a report of simulated pairs, or says field by field what is wrong with it. */
export function readPairReport(input: unknown): Parsed<PairReport> {
  const large = outOfBounds(input, { depth: 6, values: mostPairs * (mostExceptions * 3 + 3) + 6, text: 60, list: mostExceptions, fields: 4 })
  return large ? { ok: false, problems: [large] } : check(() => reportSchema.validateSync(input, { abortEarly: true }) as PairReport, '')
}
