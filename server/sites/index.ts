import { readListQuery, readSiteCursor, staff } from '@dewpoint/contract'
import type { FastifyPluginAsync } from 'fastify'
import { noteHourly } from '../audit/index.ts'
import type { Database } from '../database/index.ts'
import { ProblemError } from '../problems/index.ts'
import { historyOf, knownOf, listSites } from './queries.ts'

/** Customers' places and their boilers. */
export const sitesFeature: FastifyPluginAsync<{ database: Database }> = async (app, { database }) => {
  app.get('/api/sites', { config: { who: staff } }, async (request) => {
    const query = readListQuery(request.query, readSiteCursor)
    if (!query.ok) throw new ProblemError('invalid', 'Correct what is named and ask for the list again.', query.problems)
    const [list] = await Promise.all([
      listSites(database, query.value),
      noteHourly(database, request, { kind: 'read', of: 'places', about: query.value.search }),
    ])
    return list
  })

  app.get<{ Params: { id: string } }>('/api/appliances/:id', { config: { who: staff } }, async (request) => {
    const { id } = request.params
    const known = /^[0-9a-f-]{36}$/.test(id) ? await knownOf(database, id) : undefined
    if (!known) throw new ProblemError('notFound', `There is no boiler ${id.slice(0, 40)}. Choose it from its place.`)
    await noteHourly(database, request, { kind: 'read', of: 'boiler', subject: id })
    return known
  })

  app.get<{ Params: { id: string } }>('/api/appliances/:id/history', { config: { who: staff } }, async (request) => {
    const { id } = request.params
    const history = /^[0-9a-f-]{36}$/.test(id) ? await historyOf(database, id) : undefined
    if (!history) throw new ProblemError('notFound', `There is no boiler ${id.slice(0, 40)}. Choose it from its place.`)
    await noteHourly(database, request, { kind: 'read', of: 'boiler', subject: id, about: history.site.name })
    return history
  })
}
