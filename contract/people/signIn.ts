import { check, outOfBounds, personId, type Bounds, type Parsed, type Person } from '@dewpoint/core/casebook'
import { boolean, object, string, type InferType, type ObjectSchema } from 'yup'
import type { Role } from './roles.ts'

/** Somebody who signs in, as others see them. */
export interface Member extends Person {
  role: Role
}

/** What a device is told of who uses it. */
export interface Session {
  /** who acts on this device now; null when nobody is signed in */
  person: Member | null
  /** everybody signed in on this device: a shared telephone has several */
  onDevice: Member[]
  device: { id: string; label: string } | null
  /** nobody can sign in yet: the firm's owner begins with the code from the terminal */
  first: boolean
  /** made-up people to sign in as with one tap: this is the demo */
  demo: Member[]
}

/** characters of a pass phrase. Source: OWASP ASVS 4.0.3, 2.1.1 and 2.1.2: at least 12, at least 64 taken, none longer than 128 */
export const passPhraseLength = { least: 12, most: 128 }

const passPhrase = () =>
  string()
    .min(passPhraseLength.least, `choose a pass phrase of at least ${passPhraseLength.least} characters: four or five words do`)
    .max(passPhraseLength.most, `choose a pass phrase of at most ${passPhraseLength.most} characters`)
    .required()
const name = () => string().trim().min(2).max(120)
const label = () => string().trim().max(60).default('')
const bounds: Bounds = { depth: 2, values: 12, text: 300, list: 0, fields: 8 }

const signInSchema = object({ name: name().required(), passPhrase: string().min(1).max(passPhraseLength.most).required(), label: label() })
  .noUnknown()
  .strict()
const codeSchema = object({ code: string().trim().min(4).max(40).required(), name: name(), passPhrase: passPhrase(), label: label() })
  .noUnknown()
  .strict()
const changeSchema = object({ old: string().min(1).max(passPhraseLength.most).required(), passPhrase: passPhrase() })
  .noUnknown()
  .strict()
const proofSchema = object({ passPhrase: string().max(passPhraseLength.most) })
  .noUnknown()
  .strict()
const actSchema = object({ person: personId().required(), label: label() }).noUnknown().strict()
const outSchema = object({ everywhere: boolean().default(false) })
  .noUnknown()
  .strict()

/** By name and pass phrase. */
export type SignIn = InferType<typeof signInSchema>
/** By a code that is used once: the first owner, somebody new, somebody who forgot. */
export type CodeIn = InferType<typeof codeSchema>

/** what is typed with a space before or after it is the same; of a pass phrase it is not */
const asTyped = new Set(['passPhrase', 'old'])
const trimmed = (input: unknown): unknown =>
  typeof input === 'object' && input !== null && !Array.isArray(input)
    ? Object.fromEntries(
        Object.entries(input).map(([key, value]: [string, unknown]) => [key, typeof value === 'string' && !asTyped.has(key) ? value.trim() : value]),
      )
    : input

const reading =
  <T extends object>(schema: ObjectSchema<T>) =>
  (input: unknown): Parsed<T> => {
    const large = outOfBounds(input ?? {}, bounds)
    if (large) return { ok: false, problems: [large] }
    const read = check(() => schema.validateSync(trimmed(input ?? {}), { abortEarly: false }), '')
    // a strict reading fills nothing in
    return read.ok ? { ok: true, value: schema.cast(read.value) as T } : (read as Parsed<T>)
  }

export const readSignIn = reading(signInSchema)
export const readCodeIn = reading(codeSchema)
export const readPassPhraseChange = reading(changeSchema)
export const readActAs = reading(actSchema)
export const readSignOut = reading(outSchema)
/** Reads what somebody proves themselves with; the made-up people of a demo have nothing. */
export const readProof = reading(proofSchema)
export { reading as readingOf }
