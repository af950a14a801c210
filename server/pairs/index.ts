import { readPairs } from '@dewpoint/contract'
import type { FastifyPluginAsync } from 'fastify'
import type { Database } from '../database/index.ts'
import { ProblemError } from '../problems/index.ts'
import { keepPairs, pairsOf } from './queries.ts'

/** Simulated pairs of faults, shared between devices. They are a cache: whoever has none simulates. */
export const pairsFeature: FastifyPluginAsync<{ database: Database }> = async (app, { database }) => {
  app.get<{ Params: { catalogue: string } }>('/api/pairs/:catalogue', async (request) => ({ pairs: await pairsOf(database, named(request.params.catalogue)) }))

  app.post<{ Params: { catalogue: string } }>('/api/pairs/:catalogue', async (request) => {
    const parsed = readPairs(request.body)
    if (!parsed.ok) throw new ProblemError('invalid', 'Correct the fields named and send the pairs again.', parsed.problems)
    await keepPairs(database, named(request.params.catalogue), parsed.value.pairs)
    return { kept: parsed.value.pairs.length }
  })
}

function named(catalogue: string): string {
  if (!/^[0-9a-f]{16}$/.test(catalogue)) throw new ProblemError('invalid', 'The fingerprint of a catalogue is sixteen hexadecimal digits.')
  return catalogue
}
