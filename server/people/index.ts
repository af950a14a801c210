import type { People } from '@dewpoint/contract'
import type { FastifyPluginAsync } from 'fastify'
import type { Database } from '../database/index.ts'
import { writers } from './queries.ts'

/** Who writes: for whoever has to say who they are. */
export const peopleFeature: FastifyPluginAsync<{ database: Database }> = async (app, { database }) => {
  app.get('/api/people', async (): Promise<People> => ({ people: await writers(database) }))
}
