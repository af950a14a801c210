import { check, outOfBounds, type Parsed } from '@dewpoint/core/casebook'
import { number, object, string } from 'yup'

/** What an engineer says of a kind of boiler from own experience: of ten calls to it, how many turned out to be this fault. */
export interface Stated {
  fault: string
  /** 1 to 10; null takes it back */
  inTen: number | null
}

const statedSchema = object({
  fault: string().min(1).max(120).required(),
  inTen: number().integer().min(1, 'say how many calls in ten: 1 to 10').max(10, 'say how many calls in ten: 1 to 10').nullable().defined(),
})
  .noUnknown()
  .strict()

/** Reads what somebody says from own experience, or says field by field what is wrong with it. */
export function readStated(input: unknown): Parsed<Stated> {
  const large = outOfBounds(input, { depth: 2, values: 6, text: 120, list: 0, fields: 4 })
  return large ? { ok: false, problems: [large] } : check(() => statedSchema.validateSync(input, { abortEarly: false }) as Stated, '')
}
