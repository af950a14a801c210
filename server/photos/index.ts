import { largestPhoto, photoTypes, staff, type KeptPhoto } from '@dewpoint/contract'
import type { FastifyPluginAsync } from 'fastify'
import { noteHourly } from '../audit/index.ts'
import type { Database } from '../database/index.ts'
import { ProblemError } from '../problems/index.ts'
import { findPhoto, keepPhoto } from './queries.ts'
import { readPhoto } from './readPhoto.ts'

/** Pictures, by the hash of their content: taken once, however often they are sent; never changed. */
export const photosFeature: FastifyPluginAsync<{ database: Database }> = async (app, { database }) => {
  app.addContentTypeParser([...photoTypes], { parseAs: 'buffer', bodyLimit: largestPhoto.bytes }, (_request, body, done) => done(null, body))

  app.post('/api/photos', { bodyLimit: largestPhoto.bytes, config: { who: staff, ended: true } }, async (request): Promise<KeptPhoto> => {
    const bytes = request.body
    const read = Buffer.isBuffer(bytes) ? readPhoto(bytes) : { ok: false as const, why: 'Send the picture itself, as JPEG, PNG or WebP.' }
    if (!read.ok) throw new ProblemError('invalid', read.why, [{ field: 'photo', message: read.why }])
    await keepPhoto(database, read.photo, bytes as Buffer, new Date())
    return read.photo
  })

  app.get<{ Params: { hash: string } }>('/api/photos/:hash', { config: { who: staff } }, async (request, reply) => {
    const { hash } = request.params
    const found = /^[0-9a-f]{64}$/.test(hash) ? await findPhoto(database, hash) : undefined
    if (!found) throw new ProblemError('notFound', 'The server does not have this picture yet. It follows from the device it was taken on.')
    await noteHourly(database, request, { kind: 'read', of: 'picture', subject: hash })
    // what is under a hash never changes; shown as a picture and as nothing else
    return reply
      .header('cache-control', 'private, max-age=31536000, immutable')
      .header('content-security-policy', "default-src 'none'")
      .header('x-content-type-options', 'nosniff')
      .type(found.type)
      .send(found.bytes)
  })
}
