import { readStated, staff, type Experienced } from '@dewpoint/contract'
import { catalogueFor, schemesOf, unknownWiring } from '@dewpoint/trade'
import type { FastifyPluginAsync } from 'fastify'
import type { Database } from '../database/index.ts'
import { actingOf } from '../gate/index.ts'
import { ProblemError } from '../problems/index.ts'
import { keepStated, pastOf, statedOf } from './queries.ts'

/** What earlier cases teach: of one appliance, and of its kind. */
export const experienceFeature: FastifyPluginAsync<{ database: Database }> = async (app, { database }) => {
  app.get<{ Params: { id: string } }>('/api/cases/:id/past', { config: { who: staff } }, async (request) => {
    const { id } = request.params
    const past = /^[0-9a-f-]{36}$/.test(id) ? await pastOf(database, id) : undefined
    if (!past) throw new ProblemError('noCase', `There is no case ${id.slice(0, 40)}. Go back to the list of cases and open it from there.`)
    return past
  })

  app.post<{ Params: { system: string } }>(
    '/api/experience/:system',
    { bodyLimit: 4 * 1024, config: { who: staff } },
    async (request): Promise<Pick<Experienced, 'stated' | 'opinions'>> => {
      const { system } = request.params
      const parsed = readStated(request.body)
      if (!parsed.ok) throw new ProblemError('invalid', 'Correct the fields named and send them again.', parsed.problems)
      if (!knows(system, parsed.value.fault))
        throw new ProblemError('invalid', 'Choose the fault from the list of this boiler.', [{ field: 'fault', message: 'fault: no fault of this boiler' }])
      const { id, name } = actingOf(request).person
      await keepStated(database, system, { id, name }, parsed.value)
      return statedOf(database, system)
    },
  )
}

/** Whether a kind of boiler has a fault, however it is wired. */
function knows(system: string, fault: string): boolean {
  if (!catalogueFor(system, unknownWiring)) return false
  const wirings = [unknownWiring, ...schemesOf(system).map((one) => one.id)]
  return wirings.some((controls) => catalogueFor(system, controls)?.faults.some((one) => one.id === fault))
}
