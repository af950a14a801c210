import type { FastifyPluginAsync } from 'fastify'
import type { Database } from '../database/index.ts'
import { listSites } from './queries.ts'

/** Customers' places and their boilers. */
export const sitesFeature: FastifyPluginAsync<{ database: Database }> = async (app, { database }) => {
  app.get('/api/sites', async () => ({ sites: await listSites(database) }))
}
