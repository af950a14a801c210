import { readFirmCosts } from '@dewpoint/contract'
import type { FastifyPluginAsync } from 'fastify'
import type { Database } from '../database/index.ts'
import { ProblemError } from '../problems/index.ts'
import { costsOf, keepCosts } from './queries.ts'

/** What things cost the firm. */
export const firmFeature: FastifyPluginAsync<{ database: Database }> = async (app, { database }) => {
  app.get('/api/firm', async () => ({ costs: await costsOf(database) }))

  app.post('/api/firm', async (request) => {
    const parsed = readFirmCosts(request.body)
    if (!parsed.ok) throw new ProblemError('invalid', 'Correct the fields named and send them again.', parsed.problems)
    await keepCosts(database, parsed.value)
    return { costs: parsed.value }
  })
}
