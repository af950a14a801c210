import { check, type Parsed } from '@dewpoint/core/casebook'
import { number, object, type InferType } from 'yup'

const money = (what: string) =>
  number()
    .typeError(`give ${what} as a number`)
    .min(0, `${what} cannot be below nothing`)
    .max(10_000, `${what} is over 10000: check it`)
    .required(`give ${what}`)

/** What things cost a firm, in its own money: what the next check is weighed by. */
export const firmCostsSchema = object({
  hourlyRate: money('the hour on site'),
  secondTrip: money('the second trip'),
  wrongPart: money('the part condemned in vain'),
})
  .noUnknown()
  .strict()

export type FirmCosts = InferType<typeof firmCostsSchema>

/** Reads a firm's costs, or says field by field what is wrong with them. */
export function readFirmCosts(input: unknown): Parsed<FirmCosts> {
  return check(() => firmCostsSchema.validateSync(input, { abortEarly: false }), '')
}
