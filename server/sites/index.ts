import { readListQuery, readSiteCursor } from '@dewpoint/contract'
import type { FastifyPluginAsync } from 'fastify'
import type { Database } from '../database/index.ts'
import { ProblemError } from '../problems/index.ts'
import { listSites } from './queries.ts'

/** Customers' places and their boilers. */
export const sitesFeature: FastifyPluginAsync<{ database: Database }> = async (app, { database }) => {
  app.get('/api/sites', async (request) => {
    const query = readListQuery(request.query, readSiteCursor)
    if (!query.ok) throw new ProblemError('invalid', 'Correct what is named and ask for the list again.', query.problems)
    return listSites(database, query.value)
  })
}
