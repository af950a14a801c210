import type { FastifyInstance } from 'fastify'
import helmet, { type HelmetOptions } from 'helmet'
import { isApi } from '../gate/index.ts'
import type { IncomingMessage, ServerResponse } from 'node:http'

/** what also concerns an answer that is no page: what may be done with it, and over what it came */
const ofAll = new Set([
  'content-security-policy',
  'cross-origin-resource-policy',
  'referrer-policy',
  'strict-transport-security',
  'x-content-type-options',
  'x-frame-options',
])

/** Gives every answer the headers that tell a browser what it may do with it. They are the same for all, so they are put together once. */
export function guardAnswers(app: FastifyInstance, options: HelmetOptions): void {
  const headers: [string, string][] = []
  const blank = { setHeader: (name: string, value: string) => headers.push([name.toLowerCase(), value]), removeHeader: () => undefined }
  helmet(options)({} as IncomingMessage, blank as unknown as ServerResponse, (error) => {
    if (error) throw error
  })
  const fewer = headers.filter(([name]) => ofAll.has(name))
  app.addHook('onRequest', (request, reply, done) => {
    for (const [name, value] of isApi(request) ? fewer : headers) reply.raw.setHeader(name, value)
    done()
  })
}
