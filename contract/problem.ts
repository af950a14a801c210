import type { PresentCase } from './cases/case.ts'

/** The catalogue of what can go wrong at the API, each with its status and title. */
export const problemTypes = {
  malformed: { status: 400, title: 'The request could not be read' },
  notFound: { status: 404, title: 'There is nothing at this address' },
  signIn: { status: 401, title: 'Nobody is signed in on this device' },
  deviceEnded: { status: 401, title: 'This device was signed out by the firm' },
  wrongPassPhrase: { status: 403, title: 'Name and pass phrase do not belong together' },
  wrongCode: { status: 403, title: 'This code is not good, or no longer' },
  wrongPasskey: { status: 403, title: 'This passkey is not known here' },
  passkeyNeeded: { status: 403, title: 'The pass phrase alone is not enough' },
  proveAgain: { status: 403, title: 'Say once more that it is you' },
  noPasskeys: { status: 422, title: 'Passkeys need Dewpoint to be opened by its name' },
  notAllowed: { status: 403, title: 'Not for your role' },
  notYours: { status: 403, title: 'Somebody else wrote it' },
  crossSite: { status: 403, title: 'The request came from another site' },
  tooManyTries: { status: 429, title: 'Too many tries' },
  noCase: { status: 404, title: 'The server does not have this case' },
  conflict: { status: 409, title: 'It is there already, with different content' },
  changed: { status: 409, title: 'Somebody else has changed it since' },
  journalFull: { status: 422, title: 'The journal of this case is full' },
  tooLarge: { status: 413, title: 'The request is too large' },
  unsupported: { status: 415, title: 'Only JSON is accepted' },
  wrongHost: { status: 421, title: 'This server does not answer to that name' },
  invalid: { status: 422, title: 'Something in the request is not valid' },
  tooMany: { status: 429, title: 'Too many requests' },
  internal: { status: 500, title: 'The server failed' },
  databaseAway: { status: 503, title: 'The database does not answer' },
  databaseBusy: { status: 503, title: 'The database is too busy' },
  databaseReadOnly: { status: 503, title: 'The database accepts nothing new' },
  databaseFull: { status: 503, title: 'The database has no room left' },
  tooSlow: { status: 503, title: 'The server took too long' },
} as const

/** The name of a problem type. */
export type ProblemName = keyof typeof problemTypes

/** The one error shape of the API. Source: RFC 9457, Problem Details for HTTP APIs. */
export interface Problem {
  type: string
  title: string
  status: number
  /** what to do about it */
  detail: string
  instance?: string
  /** the fields that were wrong */
  fields?: { field: string; message: string }[]
  /** what is there instead, for a conflict */
  present?: PresentCase
}
