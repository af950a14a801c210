import { parseEntries, readCase } from '@dewpoint/contract'
import type { FastifyPluginAsync } from 'fastify'
import type { Database } from '../database/index.ts'
import { ProblemError } from '../problems/index.ts'
import { appendEntries, findCase, listCases, openCase } from './queries.ts'

/** Cases and their journals. */
export const casesFeature: FastifyPluginAsync<{ database: Database }> = async (app, { database }) => {
  app.get('/api/cases', async () => ({ cases: await listCases(database) }))

  app.post('/api/cases', async (request, reply) => {
    const parsed = readCase(request.body)
    if (!parsed.ok) throw new ProblemError('invalid', 'Correct the fields named and send the case again.', parsed.problems)
    await openCase(database, parsed.value)
    return reply.code(201).send(await found(parsed.value.id))
  })

  app.get<{ Params: { id: string } }>('/api/cases/:id', async (request) => found(request.params.id))

  app.post<{ Params: { id: string } }>('/api/cases/:id/entries', async (request) => {
    const parsed = parseEntries(request.body)
    if (!parsed.ok) throw new ProblemError('invalid', 'Correct the fields named and send the entries again.', parsed.problems)
    return (await appendEntries(database, request.params.id, parsed.value)) ?? missing(request.params.id)
  })

  async function found(id: string) {
    return (await findCase(database, id)) ?? missing(id)
  }
}

function missing(id: string): never {
  throw new ProblemError('notFound', `No case ${id}. Go back to the list of cases and open it from there.`)
}
