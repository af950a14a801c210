/** The catalogue of what can go wrong at the API, each with its status and title. */
export const problemTypes = {
  invalid: { status: 422, title: 'Something in what was sent is not right' },
  malformed: { status: 400, title: 'The request could not be read' },
  notFound: { status: 404, title: 'There is no such thing here' },
  conflict: { status: 409, title: 'It is there already, with other content' },
  tooLarge: { status: 413, title: 'The request is too large' },
  databaseAway: { status: 503, title: 'The database does not answer' },
  internal: { status: 500, title: 'The server failed' },
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
}
