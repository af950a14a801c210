import type { Health } from '@dewpoint/contract'
import type { FastifyPluginAsync } from 'fastify'
import type { Database } from '../database/index.ts'
import { databaseState } from './queries.ts'

/** Tells a proxy or a person whether the server can take entries. */
export const healthFeature: FastifyPluginAsync<{ database: Database }> = async (app, { database }) => {
  app.get('/api/health', { config: { who: 'anyone' } }, async (_request, reply) => {
    const state = await databaseState(database)
    const health: Health = { status: state === 'ok' ? 'ok' : 'degraded', database: state }
    if (state !== 'ok') reply.header('retry-after', '5')
    return reply.code(state === 'ok' ? 200 : 503).send(health)
  })
}
