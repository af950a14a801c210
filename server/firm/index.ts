import { everyone, officeOnly, readFirmSettings, type Firm } from '@dewpoint/contract'
import type { FastifyPluginAsync } from 'fastify'
import { note } from '../audit/index.ts'
import type { Database } from '../database/index.ts'
import { ProblemError } from '../problems/index.ts'
import { keepSettings, settingsOf } from './queries.ts'

/** What the firm has set: what things cost, and which clock it works by. */
export const firmFeature: FastifyPluginAsync<{ database: Database }> = async (app, { database }) => {
  app.get('/api/firm', { config: { who: everyone } }, async (): Promise<Firm> => ({ settings: await settingsOf(database) }))

  app.post('/api/firm', { bodyLimit: 4 * 1024, config: { who: officeOnly } }, async (request): Promise<Firm> => {
    const parsed = readFirmSettings(request.body)
    if (!parsed.ok) throw new ProblemError('invalid', 'Correct the fields named and send them again.', parsed.problems)
    const settings = await keepSettings(database, parsed.value)
    if (!settings)
      throw new ProblemError('changed', 'Somebody else changed the settings since you opened them. Look at theirs, then change what you still want changed.')
    await note(database, request, { kind: 'changed', of: 'settings' })
    return { settings }
  })
}
