import { problemTypes, type PresentCase, type Problem, type ProblemName } from '@dewpoint/contract'
import type { FieldProblem } from '@dewpoint/core/casebook'
import type { FastifyError, FastifyInstance } from 'fastify'
import { failureOf, type Failure } from '../database/index.ts'

/** A refusal the client can act on. */
export class ProblemError extends Error {
  constructor(
    readonly problem: ProblemName,
    readonly detail: string,
    readonly fields?: FieldProblem[],
    readonly present?: PresentCase,
  ) {
    super(detail)
  }
}

type Told = { name: ProblemName; detail: string; fields?: FieldProblem[]; present?: PresentCase }

const kept = 'Keep working: what you enter stays on this device and is sent when the database is back.'

/** What the client is told of each failure of the database. */
const failures: Record<Failure['state'], { name: ProblemName; detail: string }> = {
  unreachable: { name: 'databaseAway', detail: kept },
  busy: { name: 'databaseBusy', detail: kept },
  readOnly: { name: 'databaseReadOnly', detail: kept },
  full: { name: 'databaseFull', detail: `${kept} Whoever looks after the server must make room.` },
}

/** seconds after which it is worth trying again */
const retryAfter = 5

/** Makes every error of the API a problem document. Source: RFC 9457. */
export function answerWithProblems(app: FastifyInstance): void {
  app.setErrorHandler((error: FastifyError, request, reply) => {
    const told = classify(error)
    const problem = problemOf(told, request.url)
    if (problem.status >= 500) request.log.error({ err: error }, problem.title)
    if (problem.status === 503) reply.header('retry-after', String(retryAfter))
    return reply.code(problem.status).type('application/problem+json').send(problem)
  })
}

/** A problem document for one thing that went wrong at an address. */
export function problemOf({ name, detail, fields, present }: Told, address: string): Problem {
  const { status, title } = problemTypes[name]
  return { type: `/problems/${name}`, title, status, detail, instance: address.slice(0, 300), ...(fields && { fields }), ...(present && { present }) }
}

/** What a request that the server could not even take apart is told. */
export function classify(error: FastifyError | ProblemError): Told {
  if (error instanceof ProblemError) return { name: error.problem, detail: error.detail, fields: error.fields, present: error.present }
  const failure = failureOf(error)
  if (failure) return failures[failure.state]
  switch (error.statusCode) {
    case 413:
      return { name: 'tooLarge', detail: 'Send less at a time.' }
    case 415:
      return { name: 'unsupported', detail: 'Send JSON, with content-type application/json.' }
    case 429:
      return { name: 'tooMany', detail: error.message }
  }
  if (error.statusCode && error.statusCode >= 400 && error.statusCode < 500) return { name: 'malformed', detail: error.message.slice(0, 300) }
  return { name: 'internal', detail: 'Try again. If it happens again, look in the server log at this time.' }
}
