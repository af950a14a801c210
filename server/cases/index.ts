import { longestJournal, readAppend, readCase, readCaseCursor, readListQuery } from '@dewpoint/contract'
import type { FastifyPluginAsync } from 'fastify'
import type { Database } from '../database/index.ts'
import { ProblemError } from '../problems/index.ts'
import { appendEntries, findCase, findNews, listCases, openCase } from './queries.ts'

/** an append carries up to a hundred entries; a case alone is small */
const appendLimit = 512 * 1024
const caseLimit = 16 * 1024

/** Cases and their journals. */
export const casesFeature: FastifyPluginAsync<{ database: Database }> = async (app, { database }) => {
  app.get('/api/cases', async (request) => {
    const query = readListQuery(request.query, readCaseCursor)
    if (!query.ok) throw new ProblemError('invalid', 'Correct what is named and ask for the list again.', query.problems)
    return listCases(database, query.value)
  })

  app.post('/api/cases', { bodyLimit: caseLimit }, async (request, reply) => {
    const parsed = readCase(request.body)
    if (!parsed.ok) throw new ProblemError('invalid', 'Correct the fields named and send the case again.', parsed.problems)
    const came = await openCase(database, parsed.value)
    if (typeof came === 'object')
      throw new ProblemError('conflict', 'Compare the two, then use what is there or record yours as another.', undefined, came.conflict)
    return reply.code(came === 'opened' ? 201 : 200).send((await findCase(database, parsed.value.id)) ?? missing(parsed.value.id))
  })

  app.get<{ Params: { id: string } }>('/api/cases/:id', async (request) => (await findCase(database, named(request.params.id))) ?? missing(request.params.id))

  app.get<{ Params: { id: string }; Querystring: { since?: unknown } }>('/api/cases/:id/entries', async (request) => {
    const { since = '0' } = request.query
    if (typeof since !== 'string' || !/^\d{1,9}$/.test(since))
      throw new ProblemError('invalid', 'Ask again with since as a whole number, 0 or more.', [
        { field: 'since', message: 'since must be a whole number, 0 or more' },
      ])
    return (await findNews(database, named(request.params.id), Number(since))) ?? missing(request.params.id)
  })

  app.post<{ Params: { id: string } }>('/api/cases/:id/entries', { bodyLimit: appendLimit }, async (request) => {
    const parsed = readAppend(request.body)
    if (!parsed.ok) throw new ProblemError('invalid', 'Correct the fields named and send the entries again.', parsed.problems)
    const { entries, since } = parsed.value
    const result = await appendEntries(database, named(request.params.id), entries, since, new Date())
    if (result === 'full')
      throw new ProblemError('journalFull', `A case holds at most ${longestJournal} entries. Open another case for this place and go on there.`)
    return result ?? missing(request.params.id)
  })
}

/** What cannot be the id of a case is none. */
function named(id: string): string {
  return /^[0-9a-f-]{36}$/.test(id) ? id : missing(id)
}

function missing(id: string): never {
  throw new ProblemError('noCase', `There is no case ${id.slice(0, 40)}. Go back to the list of cases and open it from there.`)
}
