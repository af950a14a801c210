import type { FastifyPluginAsync } from 'fastify'
import type { Database } from '../database/index.ts'
import { ProblemError } from '../problems/index.ts'
import { pastOf } from './queries.ts'

/** What earlier cases teach: of one appliance, and of its kind. */
export const experienceFeature: FastifyPluginAsync<{ database: Database }> = async (app, { database }) => {
  app.get<{ Params: { id: string } }>('/api/cases/:id/past', async (request) => {
    const { id } = request.params
    const past = /^[0-9a-f-]{36}$/.test(id) ? await pastOf(database, id) : undefined
    if (!past) throw new ProblemError('noCase', `There is no case ${id.slice(0, 40)}. Go back to the list of cases and open it from there.`)
    return past
  })
}
