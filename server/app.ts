import compress from '@fastify/compress'
import rateLimit from '@fastify/rate-limit'
import Fastify, { type FastifyInstance, type FastifyReply, type FastifyServerOptions } from 'fastify'
import { casesFeature } from './cases/index.ts'
import type { Member } from '@dewpoint/contract'
import { auditFeature } from './audit/index.ts'
import type { Database } from './database/index.ts'
import { experienceFeature } from './experience/index.ts'
import { firmFeature } from './firm/index.ts'
import { devicesFeature } from './devices/index.ts'
import { gate, isApi } from './gate/index.ts'
import { guardAnswers } from './headers/index.ts'
import { healthFeature } from './health/index.ts'
import { refuseOtherHosts } from './hosts/index.ts'
import { allJobs } from './jobs/all.ts'
import { jobsFeature } from './jobs/index.ts'
import { answerInTime } from './late/index.ts'
import { liveFeature } from './live/index.ts'
import { partsFeature } from './parts/index.ts'
import { passkeysFeature } from './passkeys/index.ts'
import { peopleFeature } from './people/index.ts'
import { pairsFeature } from './pairs/index.ts'
import { photosFeature } from './photos/index.ts'
import { answerWithProblems, classify, ProblemError, problemOf } from './problems/index.ts'
import { reportFeature } from './report/index.ts'
import { sessionFeature } from './session/index.ts'
import { sitesFeature } from './sites/index.ts'
import { staticFeature } from './static/index.ts'

/** What a server is made of. */
export interface AppOptions {
  database: Database
  /** folder of the built web application; without it only the API answers */
  webFolder?: string
  logger?: FastifyServerOptions['logger']
  /** names it answers to besides those of this machine itself */
  hosts?: readonly string[]
  /** the address people use, where it is not this machine's own: https */
  publicAddress?: string
  /** machines that hand requests on: what they say of whoever asks is believed */
  proxies?: readonly string[]
  /** made-up people who sign in with one tap; only of a demo */
  demo?: readonly Member[]
  /** requests a client may make to the API in a minute */
  requestsPerMinute?: number
  /** milliseconds until an answer must be worked out */
  handling?: number
}

/** a whole office behind one address works within this */
const usualRate = 3000
/** milliseconds for a request to arrive, and for its answer to be worked out */
const arrival = 15_000
const usualHandling = 12_000

/** Assembles the server. It keeps no state of its own: several can stand behind one proxy. */
export async function buildApp({
  database,
  webFolder,
  logger = false,
  hosts = [],
  publicAddress,
  proxies = [],
  demo = [],
  requestsPerMinute = usualRate,
  handling = usualHandling,
}: AppOptions): Promise<FastifyInstance> {
  const app = Fastify({
    logger,
    trustProxy: proxies.length > 0 ? [...proxies] : false,
    bodyLimit: 16 * 1024,
    requestTimeout: arrival,
    connectionTimeout: arrival * 2,
    routerOptions: { maxParamLength: 120 },
    // an address that cannot be read reaches no handler
    frameworkErrors: (error, request, reply) => {
      const problem = problemOf(classify(error), request.url)
      return (reply as FastifyReply).code(problem.status).type('application/problem+json').send(problem)
    },
  })
  answerWithProblems(app)
  answerInTime(app, handling)
  guardAnswers(app, {
    contentSecurityPolicy: {
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        workerSrc: ["'self'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        upgradeInsecureRequests: null,
      },
    },
    // only where there is https, and for a year. Source: OWASP ASVS 4.0.3, 14.4.5
    strictTransportSecurity: publicAddress !== undefined && { maxAge: 31_536_000, includeSubDomains: false },
  })
  refuseOtherHosts(app, publicAddress === undefined ? hosts : [...hosts, new URL(publicAddress).hostname])
  await app.register(rateLimit, {
    max: requestsPerMinute,
    timeWindow: 60_000,
    cache: 10_000,
    // pages, fonts and health are cheap and come in bursts
    allowList: (request) => !isApi(request) || request.routeOptions.url === '/api/health',
    errorResponseBuilder: () => new ProblemError('tooMany', 'Wait a minute. What is not sent yet waits on the device and is sent by itself.'),
  })
  await app.register(compress)
  await gate(app, { database, publicAddress })
  await app.register(sessionFeature, { database, secure: publicAddress !== undefined, demo })
  await app.register(passkeysFeature, { database, secure: publicAddress !== undefined, demo, publicAddress })
  await app.register(devicesFeature, { database, secure: publicAddress !== undefined })
  await app.register(auditFeature, { database })
  await app.register(healthFeature, { database })
  await app.register(casesFeature, { database })
  await app.register(sitesFeature, { database })
  await app.register(experienceFeature, { database })
  await app.register(firmFeature, { database })
  await app.register(jobsFeature, { database, jobs: allJobs })
  await app.register(liveFeature, { database })
  await app.register(partsFeature, { database })
  await app.register(photosFeature, { database })
  await app.register(pairsFeature, { database })
  await app.register(peopleFeature, { database })
  await app.register(reportFeature, { database })
  if (webFolder) await app.register(staticFeature, { folder: webFolder })
  else
    app.setNotFoundHandler((request) => {
      throw new ProblemError('notFound', `Nothing answers ${request.method} ${request.url.slice(0, 200)}.`)
    })
  return app
}
