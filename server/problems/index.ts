import { problemTypes, type Problem, type ProblemName } from '@dewpoint/contract'
import type { FieldProblem } from '@dewpoint/core/casebook'
import type { FastifyError, FastifyInstance } from 'fastify'

/** A refusal the client can act on. */
export class ProblemError extends Error {
  constructor(
    readonly problem: ProblemName,
    readonly detail: string,
    readonly fields?: FieldProblem[],
  ) {
    super(detail)
  }
}

const databaseCodes = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'ENOENT',
  'ETIMEDOUT',
  'EPIPE',
  'PROTOCOL_CONNECTION_LOST',
  'ER_SERVER_SHUTDOWN',
  'ER_CONNECTION_KILLED',
])

/** Makes every error of the API a problem document. Source: RFC 9457. */
export function answerWithProblems(app: FastifyInstance): void {
  app.setErrorHandler((error: FastifyError, request, reply) => {
    const { name, detail, fields } = classify(error)
    const { status, title } = problemTypes[name]
    if (status >= 500) request.log.error({ err: error }, title)
    const problem: Problem = { type: `/problems/${name}`, title, status, detail, instance: request.url, ...(fields && { fields }) }
    return reply.code(status).type('application/problem+json').send(problem)
  })
}

function classify(error: FastifyError): { name: ProblemName; detail: string; fields?: FieldProblem[] } {
  if (error instanceof ProblemError) return { name: error.problem, detail: error.detail, fields: error.fields }
  const cause = (error.cause ?? error) as { code?: string }
  if (cause.code && databaseCodes.has(cause.code)) {
    return { name: 'databaseAway', detail: 'Keep working: what you enter stays on this device and is sent when the database is back.' }
  }
  if (error.statusCode === 413) return { name: 'tooLarge', detail: 'Send fewer entries at a time.' }
  if (error.statusCode && error.statusCode >= 400 && error.statusCode < 500) return { name: 'malformed', detail: error.message }
  return { name: 'internal', detail: 'Try again. If it stays, the server log says more under this time.' }
}
