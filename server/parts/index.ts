import { readStocked, staff, type Stock } from '@dewpoint/contract'
import type { FastifyPluginAsync } from 'fastify'
import type { Database } from '../database/index.ts'
import { ProblemError } from '../problems/index.ts'
import { keepStocked, stockOf } from './queries.ts'

/** What the firm has of parts, on the van and in the store, and what it pays for them. */
export const partsFeature: FastifyPluginAsync<{ database: Database }> = async (app, { database }) => {
  app.get('/api/parts', { config: { who: staff } }, async (): Promise<Stock> => ({ parts: await stockOf(database) }))

  app.post('/api/parts', { bodyLimit: 4 * 1024, config: { who: staff } }, async (request): Promise<Stock> => {
    const parsed = readStocked(request.body)
    if (!parsed.ok) throw new ProblemError('invalid', 'Correct the fields named and send them again.', parsed.problems)
    const came = await keepStocked(database, parsed.value)
    if (came === 'changed')
      throw new ProblemError('changed', 'Somebody else changed this part since you looked. Look at theirs, then change what you still want changed.')
    if (came === 'full') throw new ProblemError('invalid', 'The list of parts is full. Remove one, or put this one under a name that is there.')
    return { parts: await stockOf(database) }
  })
}
