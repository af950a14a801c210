import cookie from '@fastify/cookie'
import { may, type Role } from '@dewpoint/contract'
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify'
import { createHash } from 'node:crypto'
import type { Database } from '../database/index.ts'
import { ProblemError } from '../problems/index.ts'
import { askerOf, type Acting, type Asker } from './queries.ts'

export type { Acting, OnDevice } from './queries.ts'

declare module 'fastify' {
  interface FastifyRequest {
    /** who asks, as far as the token of the device tells */
    asker: Asker
    /** SHA-256 of the token it came with */
    token: string | null
  }
  interface FastifyContextConfig {
    /** who may: anyone at all, or those of a role; every route of the API says it */
    who?: 'anyone' | readonly Role[]
    /** also a device that was signed out from afar: to hand in what it has not sent */
    ended?: boolean
    /** only who proved a short while ago who they are: for what changes who may do what */
    proved?: boolean
  }
}

/** How the gate stands. */
export interface GateOptions {
  database: Database
  /** the address people use, where it is not this machine's own: https */
  publicAddress?: string
}

/** days a browser keeps the token */
const kept = 60 * 86_400
/** so long a proof of who somebody is holds, ms, by the clocks of servers that may differ */
const proofHolds = 15 * 60_000
const writing = new Set(['POST', 'PUT', 'PATCH', 'DELETE'])

/** The fingerprint under which a secret is kept: who reads the database cannot use it. */
export const fingerprint = (secret: string) => createHash('sha256').update(secret).digest('hex')

/** Lets nobody in who may not: each route of the API says who may, and none is there without saying it. */
export async function gate(app: FastifyInstance, { database, publicAddress }: GateOptions): Promise<void> {
  await app.register(cookie)
  app.decorateRequest('asker')
  app.decorateRequest('token', null)
  app.addHook('onRoute', ({ url, config }) => {
    if (url.startsWith('/api/') && !config?.who) throw new Error(`${url} does not say who may`)
  })
  const secure = publicAddress !== undefined
  // after what limits how often somebody may ask, and before a body is read
  app.addHook('preParsing', async (request) => {
    request.asker = { state: 'unknown' }
    // by the route that answers, never by the address as it was written: there are many ways to write one
    if (!isApi(request)) return
    if (writing.has(request.method)) refuseOtherSites(request, publicAddress)
    const { who, ended, proved } = request.routeOptions.config
    // nothing answers there: that is told to everybody alike
    if (!who) return
    if (request.routeOptions.url === '/api/health') return
    const token = request.cookies[cookieName(secure)]
    if (token !== undefined && /^[\w-]{43}$/.test(token)) {
      request.token = fingerprint(token)
      request.asker = await askerOf(database, request.token, wantedOf(request), new Date())
    } else {
      // signing in goes by what was written before through any node, too
      await database.catchUp()
    }
    if (who === 'anyone') return
    if (request.asker.state === 'ended') {
      if (ended) return
      throw new ProblemError('deviceEnded', 'Dewpoint empties this device now. Ask whoever runs the firm before you sign in on it again.')
    }
    if (request.asker.state !== 'acting') throw new ProblemError('signIn', 'Sign in. What you entered stays on this device and is sent then.')
    if (!may(request.asker.acting.person.role, who)) throw new ProblemError('notAllowed', `This is for ${who.map((one) => roleWords[one]).join(' or ')}.`)
    if (proved && Math.abs(Date.now() - request.asker.acting.provedAt.getTime()) > proofHolds)
      throw new ProblemError('proveAgain', 'Type your pass phrase once more, or use a passkey, then do it again.')
  })
  app.addHook('onSend', async (request, reply) => {
    // what is the firm's is kept by nobody on the way; what never changes says so itself
    if (isApi(request) && !reply.hasHeader('cache-control')) reply.header('cache-control', 'no-store')
  })
}

/** Whether it is the API that answers, however the address was written. */
export const isApi = (request: FastifyRequest): boolean => request.url.startsWith('/api/') || request.routeOptions.url?.startsWith('/api/') === true

const roleWords: Record<Role, string> = { owner: 'the owner', office: 'the office', engineer: 'an engineer', learner: 'a learner' }

/** Whoever acts; only behind a route that is for somebody. */
export function actingOf(request: FastifyRequest): Acting {
  if (request.asker.state !== 'acting') throw new ProblemError('signIn', 'Sign in. What you entered stays on this device and is sent then.')
  return request.asker.acting
}

/** Whether whoever began a request that lasts is still signed in. */
export async function stillActs(database: Database, request: FastifyRequest): Promise<boolean> {
  const { person } = actingOf(request)
  return request.token !== null && (await askerOf(database, request.token, person.id, new Date())).state === 'acting'
}

const cookieName = (secure: boolean) => (secure ? '__Host-dewpoint' : 'dewpoint')
/** Never read by a script, never sent from another site, over https where there is https. */
const cookieSettings = (secure: boolean) => ({ path: '/', httpOnly: true, sameSite: 'strict', secure }) as const

/** Gives the device its token. */
export function giveToken(reply: FastifyReply, token: string, secure: boolean): void {
  reply.setCookie(cookieName(secure), token, { ...cookieSettings(secure), maxAge: kept })
}

/** Takes the token from the device. */
export function takeToken(reply: FastifyReply, secure: boolean): void {
  reply.clearCookie(cookieName(secure), cookieSettings(secure))
}

/** As whom of those on a shared device; a picture or a paper that is only shown says nothing. */
function wantedOf(request: FastifyRequest): string | undefined {
  const said = request.headers['x-dewpoint-person']
  return typeof said === 'string' && /^[0-9a-f-]{36}$/.test(said) ? said : undefined
}

/** A browser says from which site a request comes: nothing is written for a page of somebody else's. Source: OWASP, CSRF prevention, "Verifying origin". */
function refuseOtherSites(request: FastifyRequest, publicAddress: string | undefined): void {
  const { origin, host } = request.headers
  const site = request.headers['sec-fetch-site']
  const ours = origin === undefined || origin === publicAddress || hostOf(origin) === host
  if (!ours || (site !== undefined && site !== 'same-origin' && site !== 'none'))
    throw new ProblemError('crossSite', 'Open Dewpoint at its own address and do it there.')
}

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host
  } catch {
    return null
  }
}
