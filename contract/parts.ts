import { check, outOfBounds, type Parsed } from '@dewpoint/core/casebook'
import { number, object, string, type InferType } from 'yup'

const most = 10_000

/** What a firm has of a part and pays for it, as it is sent: with the revision it was read in, so that nobody's change is undone unseen. */
const stockedSchema = object({
  part: string().trim().min(1, 'name the part').max(120).required('name the part'),
  /** what the firm pays; null where it pays what is assumed */
  price: number().typeError('give the price as a number').min(0, 'a price is 0 or more').max(1_000_000, 'a price is at most 1000000').nullable().defined(),
  van: count('on the van'),
  store: count('in the store'),
  revision: number().integer().min(0).max(2_000_000_000).required(),
})
  .noUnknown()
  .strict()

function count(where: string) {
  const message = `say how many are ${where}: a whole number from 0 to ${most}`
  return number().typeError(message).integer(message).min(0, message).max(most, message).required(message)
}

/** What a firm has of a part, on the van and in the store, and what it pays for it. */
export type Stocked = InferType<typeof stockedSchema>

/** Everything a firm has said of parts. */
export interface Stock {
  parts: Stocked[]
}

/** Reads what a firm says of a part, or says field by field what is wrong with it. */
export function readStocked(input: unknown): Parsed<Stocked> {
  const large = outOfBounds(input, { depth: 2, values: 8, text: 120, list: 0, fields: 6 })
  return large ? { ok: false, problems: [large] } : check(() => stockedSchema.validateSync(input, { abortEarly: false }), '')
}
