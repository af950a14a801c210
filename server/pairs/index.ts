import { everyone, readPairReport } from '@dewpoint/contract'
import { catalogueHash, holdsPair, type Catalogue } from '@dewpoint/core/diagnosis'
import { catalogueFor } from '@dewpoint/trade'
import type { FastifyPluginAsync } from 'fastify'
import type { Database } from '../database/index.ts'
import { ProblemError } from '../problems/index.ts'
import { confirmedPairs, keepReport } from './queries.ts'

/**
 * Readings of pairs of faults, simulated by one device for all. Nobody is believed alone: a pair counts when two devices, each simulating it
 * for itself, found the same. They are a cache: whoever has none simulates.
 */
export const pairsFeature: FastifyPluginAsync<{ database: Database }> = async (app, { database }) => {
  const hashes = new Map<Catalogue, string>()
  const hashOf = (catalogue: Catalogue) => hashes.get(catalogue) ?? hashes.set(catalogue, catalogueHash(catalogue)).get(catalogue)!

  app.get<{ Params: { catalogue: string } }>('/api/pairs/:catalogue', { config: { who: everyone } }, async (request) => ({
    pairs: await confirmedPairs(database, named(request.params.catalogue)),
  }))

  app.post<{ Params: { catalogue: string } }>('/api/pairs/:catalogue', { bodyLimit: 1024 * 1024, config: { who: everyone } }, async (request) => {
    const parsed = readPairReport(request.body)
    if (!parsed.ok) throw new ProblemError('invalid', 'Correct the fields named and send the pairs again.', parsed.problems)
    const { device, system, controls, pairs } = parsed.value
    const catalogue = catalogueFor(system, controls)
    if (!catalogue || hashOf(catalogue) !== named(request.params.catalogue))
      throw new ProblemError('invalid', 'The server has a different version of this catalogue: its pairs stay on the device.')
    const wrong = pairs.findIndex((one) => !holdsPair(catalogue, one))
    if (wrong >= 0)
      throw new ProblemError('invalid', 'The catalogue has no such pair.', [{ field: `pairs[${wrong}]`, message: `pairs[${wrong}] is not in the catalogue` }])
    return { kept: await keepReport(database, named(request.params.catalogue), device, pairs) }
  })
}

function named(catalogue: string): string {
  if (!/^[0-9a-f]{16}$/.test(catalogue)) throw new ProblemError('invalid', 'The fingerprint of a catalogue is sixteen hexadecimal digits.')
  return catalogue
}
