import compress from '@fastify/compress'
import helmet from '@fastify/helmet'
import Fastify, { type FastifyInstance, type FastifyServerOptions } from 'fastify'
import { casesFeature } from './cases/index.ts'
import type { Database } from './database/index.ts'
import { experienceFeature } from './experience/index.ts'
import { firmFeature } from './firm/index.ts'
import { healthFeature } from './health/index.ts'
import { pairsFeature } from './pairs/index.ts'
import { answerWithProblems, ProblemError } from './problems/index.ts'
import { sitesFeature } from './sites/index.ts'
import { staticFeature } from './static/index.ts'

/** What a server is made of. */
export interface AppOptions {
  database: Database
  /** folder of the built web application; without it only the API answers */
  webFolder?: string
  logger?: FastifyServerOptions['logger']
}

/** Assembles the server. It keeps no state of its own: several can stand behind one proxy. */
export async function buildApp({ database, webFolder, logger = false }: AppOptions): Promise<FastifyInstance> {
  const app = Fastify({ logger, bodyLimit: 2 * 1024 * 1024 })
  answerWithProblems(app)
  await app.register(helmet, {
    contentSecurityPolicy: {
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        workerSrc: ["'self'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:'],
        upgradeInsecureRequests: null,
      },
    },
    strictTransportSecurity: false,
  })
  await app.register(compress)
  await app.register(healthFeature, { database })
  await app.register(casesFeature, { database })
  await app.register(sitesFeature, { database })
  await app.register(experienceFeature, { database })
  await app.register(firmFeature, { database })
  await app.register(pairsFeature, { database })
  if (webFolder) await app.register(staticFeature, { folder: webFolder })
  else
    app.setNotFoundHandler((request) => {
      throw new ProblemError('notFound', `Nothing answers ${request.method} ${request.url}.`)
    })
  return app
}
