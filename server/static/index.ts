import fastifyStatic from '@fastify/static'
import type { FastifyPluginAsync } from 'fastify'
import { ProblemError } from '../problems/index.ts'

/** The built web application: hashed files cached for good, the page itself never, and every place reachable by its address. */
export const staticFeature: FastifyPluginAsync<{ folder: string }> = async (app, { folder }) => {
  await app.register(fastifyStatic, {
    root: folder,
    // packed by the build
    preCompressed: true,
    setHeaders: (reply, path) => {
      reply.header('cache-control', path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache')
    },
  })
  app.setNotFoundHandler(async (request, reply) => {
    const wantsPage = request.method === 'GET' && !request.url.startsWith('/api/') && !/\.\w+$/.test(request.url.split('?')[0] ?? '')
    if (wantsPage) return reply.header('cache-control', 'no-cache').sendFile('index.html')
    throw new ProblemError('notFound', `Nothing answers ${request.method} ${request.url.slice(0, 200)}.`)
  })
}
