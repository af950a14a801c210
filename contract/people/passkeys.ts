import { check, outOfBounds, type Bounds, type Parsed } from '@dewpoint/core/casebook'
import { array, boolean, object, string, type InferType, type ObjectSchema } from 'yup'

/** A passkey of somebody’s: what their telephone or computer signs them in with instead of a pass phrase. */
export interface PasskeyLine {
  id: string
  label: string
  madeAt: string
  /** when somebody last signed in with it; null where nobody did */
  usedAt: string | null
}

/** The passkeys of whoever asks, the newest first. */
export interface Passkeys {
  passkeys: PasskeyLine[]
  /** their pass phrase alone lets nobody in: a passkey does */
  only: boolean
}

/** What the browser is to make a passkey with, or to sign in with. Source: W3C, "Web Authentication: Level 3", the JSON forms of its options. */
export interface PasskeyOffer {
  options: object
}

/** passkeys one person can have */
export const mostPasskeys = 10

// what a browser answers: an identifier of 1023 bytes at most (Source: W3C, "Web Authentication: Level 3", 4), a statement of nobody’s, some hundred bytes of key
const bounds: Bounds = { depth: 6, values: 120, text: 8000, list: 20, fields: 24 }
const code = (most: number) =>
  string()
    .max(most)
    .matches(/^[\w-]+$/, { message: '${path} must be base64url' })
const label = () => string().max(60)
const around = {
  id: code(1400).required(),
  rawId: code(1400).required(),
  type: string()
    .oneOf(['public-key'] as const)
    .required(),
}

const madeSchema = object({
  label: label(),
  answer: object({
    ...around,
    response: object({
      clientDataJSON: code(4000).required(),
      attestationObject: code(8000).required(),
      transports: array(string().max(30).required()).max(10),
    }).required(),
  }).required(),
}).strict()
const usedSchema = object({
  label: label(),
  answer: object({
    ...around,
    response: object({ clientDataJSON: code(4000).required(), authenticatorData: code(4000).required(), signature: code(4000).required() }).required(),
  }).required(),
}).strict()

const onlySchema = object({ only: boolean().required() }).noUnknown().strict()

/** A passkey that was made on a device. */
export type PasskeyMade = InferType<typeof madeSchema>
/** A passkey somebody signs in with. */
export type PasskeyUsed = InferType<typeof usedSchema>

/** Reads what a browser answers; what it says besides is taken no notice of, within bounds. */
const answering =
  <T extends object>(schema: ObjectSchema<T>) =>
  (input: unknown): Parsed<T> => {
    const large = outOfBounds(input ?? {}, bounds)
    return large ? { ok: false, problems: [large] } : (check(() => schema.validateSync(input ?? {}, { abortEarly: false }), '') as Parsed<T>)
  }

export const readPasskeyMade = answering(madeSchema)
export const readPasskeyUsed = answering(usedSchema)
/** Reads whether the pass phrase alone is to be enough. */
export const readOnlyPasskey = answering(onlySchema)
