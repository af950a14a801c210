import { check, type Parsed } from '@dewpoint/core/casebook'
import type { SimulatedPair } from '@dewpoint/core/diagnosis'
import { array, number, object, tuple } from 'yup'

const pairsSchema = object({
  pairs: array(
    object({
      pair: number().integer().min(0).required(),
      exceptions: array(tuple([number().integer().min(0).required(), number().nullable().defined()]).required())
        .max(20_000)
        .required(),
    })
      .noUnknown()
      .strict(),
  )
    .max(200)
    .required(),
})
  .noUnknown()
  .strict()

/** Reads simulated pairs, or says field by field what is wrong with them. */
export function readPairs(input: unknown): Parsed<{ pairs: SimulatedPair[] }> {
  return check(() => pairsSchema.validateSync(input, { abortEarly: false }) as { pairs: SimulatedPair[] }, '')
}
