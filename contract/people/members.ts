import { boolean, object, string, type InferType } from 'yup'
import { roles, type Role } from './roles.ts'
import { readingOf, type Member } from './signIn.ts'

/** Somebody of the firm, as its owner sees them. */
export interface MemberLine extends Member {
  /** has a pass phrase: can sign in */
  signsIn: boolean
  /** has left: signs in no more, what they wrote stays */
  left: boolean
  /** when they were last at work here, ISO 8601 */
  seenAt: string | null
}

/** Who is in the firm, and who is known only by what they wrote before people signed in. */
export interface Members {
  people: MemberLine[]
  /** names nobody signs in by, with the number of entries each wrote */
  byNameOnly: { name: string; entries: number }[]
}

/** A code for somebody to choose their pass phrase with, shown once. */
export interface CodeGiven {
  person: Member
  code: string
  /** until when it is good, ISO 8601 */
  until: string
}

const role = () => string<Role>().oneOf([...roles])
const newMemberSchema = object({
  name: string().trim().min(2, 'give a name of at least two letters').max(120).required('give a name'),
  role: role().required(),
  /** is the person who wrote under this name before people signed in */
  same: boolean().default(false),
})
  .noUnknown()
  .strict()
const memberChangeSchema = object({ name: string().trim().min(2, 'give a name of at least two letters').max(120), role: role(), left: boolean() })
  .noUnknown()
  .strict()

/** Somebody new in the firm. */
export type NewMember = InferType<typeof newMemberSchema>
/** What is otherwise with somebody. */
export type MemberChange = InferType<typeof memberChangeSchema>

export const readNewMember = readingOf(newMemberSchema)
export const readMemberChange = readingOf(memberChangeSchema)
