import type { FastifyInstance } from 'fastify'
import { ProblemError } from '../problems/index.ts'

const ofThisMachine = ['localhost', '127.0.0.1', '[::1]']

/** Answers only to names it was given: a page of somebody else's, led here by a name of its own, gets nothing. */
export function refuseOtherHosts(app: FastifyInstance, hosts: readonly string[]): void {
  const known = new Set([...ofThisMachine, ...hosts.map((one) => one.toLowerCase())])
  app.addHook('onRequest', async (request) => {
    const name = (request.headers.host ?? '').toLowerCase().replace(/:\d{1,5}$/, '')
    if (!known.has(name))
      throw new ProblemError('wrongHost', 'Use the address Dewpoint was started with, or name this one in ALLOWED_HOSTS and start it again.')
  })
}
