import type { Health } from '@dewpoint/contract'
import type { FastifyPluginAsync } from 'fastify'
import type { Database } from '../database/index.ts'
import { databaseAnswers } from './queries.ts'

/** Tells a proxy or a person whether the server and its database answer. */
export const healthFeature: FastifyPluginAsync<{ database: Database }> = async (app, { database }) => {
  app.get('/api/health', async (_request, reply) => {
    const up = await databaseAnswers(database)
    const health: Health = { status: up ? 'ok' : 'degraded', database: up ? 'ok' : 'unreachable' }
    return reply.code(up ? 200 : 503).send(health)
  })
}
