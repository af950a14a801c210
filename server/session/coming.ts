import type { Member, Session } from '@dewpoint/contract'
import type { FieldProblem, Parsed } from '@dewpoint/core/casebook'
import type { FastifyReply, FastifyRequest } from 'fastify'
import { note } from '../audit/index.ts'
import type { Database } from '../database/index.ts'
import { fingerprint, giveToken } from '../gate/index.ts'
import { ProblemError } from '../problems/index.ts'
import { newToken } from './codes.ts'
import { isPassPhrase } from './passPhrase.ts'
import { beginTry, endTries, isFirst, passPhraseOf, peopleOn, signIn } from './queries.ts'

/** What signing in needs to know. */
export interface SessionOptions {
  database: Database
  secure: boolean
  /** made-up people who sign in with one tap; only of a demo */
  demo: readonly Member[]
}

/** tries from one address that cost nothing: a whole office signs in on a Monday morning */
const fromOneAddress = 60

/** What every way of signing in comes down to. */
export function comingIn({ database, secure, demo }: SessionOptions) {
  /** What a device is told of who uses it. */
  async function sessionOf(person: string | null, device: string | null, label: string): Promise<Session> {
    const onDevice = device === null ? [] : await peopleOn(database, device)
    return {
      person: onDevice.find((one) => one.id === person) ?? null,
      onDevice,
      device: device === null ? null : { id: device, label },
      first: demo.length === 0 && person === null && (await isFirst(database)),
      demo: [...demo],
    }
  }

  /** Counts a try by what it is for and by where it comes from. @returns what it is counted under, to be forgotten when it comes to something */
  async function mayTry(request: FastifyRequest, what: string): Promise<string[]> {
    const now = new Date()
    const key = fingerprint(what === 'code' ? `code ${request.ip}` : what)
    const from = fingerprint(`from ${request.ip}`)
    const waits = [await beginTry(database, from, now, fromOneAddress), await beginTry(database, key, now)]
    const wait = Math.max(...waits)
    if (wait > 0) throw new ProblemError('tooManyTries', `Wait ${wait < 90 ? `${wait} seconds` : `${Math.ceil(wait / 60)} minutes`}, then try again.`)
    return [key, from]
  }

  return {
    sessionOf,
    mayTry,

    /** Signs in on the device that asks. */
    async come(request: FastifyRequest, reply: FastifyReply, person: string, label: string, how = ''): Promise<Session> {
      const token = newToken()
      const device = await signIn(database, { person, token: fingerprint(token), device: deviceOf(request), label, now: new Date() })
      giveToken(reply, token, secure)
      const session = await sessionOf(person, device, label)
      await note(database, request, { kind: 'signedIn', of: 'person', subject: person, about: `${session.person?.name ?? ''}${how}`, person, device })
      return session
    },

    /** Whoever acts proves to be who they are, before something that outlasts this moment: the made-up people of a demo need not. */
    async proveSelf(request: FastifyRequest, person: Member, passPhrase: string | undefined): Promise<void> {
      const { kept, onlyPasskey } = await passPhraseOf(database, person.id)
      if (kept === null && demo.some((one) => one.id === person.id)) return
      if (passPhrase === undefined || passPhrase === '') throw invalid([{ field: 'passPhrase', message: 'type your pass phrase' }])
      const tried = await mayTry(request, `person ${person.id}`)
      if (!(await isPassPhrase(kept, passPhrase))) throw new ProblemError('wrongPassPhrase', 'Your pass phrase is another one. Look at it again.')
      await endTries(database, tried, new Date())
      if (onlyPasskey) throw notEnough()
    },
  }
}

/** The device that asks, where it is known. */
export const deviceOf = ({ asker }: FastifyRequest): string | undefined =>
  asker.state === 'acting' ? asker.acting.device.id : asker.state === 'nobody' ? asker.device.id : undefined

/** The pass phrase is right, and they have said that it is not enough. */
export const notEnough = () =>
  new ProblemError('passkeyNeeded', 'It is right, and you have said that it takes a passkey: use yours. Without one, ask for a code.')

export const invalid = (fields: FieldProblem[]) => new ProblemError('invalid', 'Correct the fields named and send them again.', fields)

/** What was read, or the refusal that names its fields. */
export function parsed<T>(read: Parsed<T>): T {
  if (!read.ok) throw invalid(read.problems)
  return read.value
}
