import {
  everyone,
  mostPasskeys,
  readPasskeyMade,
  readPasskeyUsed,
  readOnlyPasskey,
  type PasskeyOffer,
  type Passkeys,
  type PasskeyUsed,
  type Session,
} from '@dewpoint/contract'
import {
  generateAuthenticationOptions,
  generateRegistrationOptions,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
  type AuthenticationResponseJSON,
  type RegistrationResponseJSON,
} from '@simplewebauthn/server'
import type { FastifyPluginAsync, FastifyRequest } from 'fastify'
import { isIP } from 'node:net'
import { note } from '../audit/index.ts'
import { ownChangeWords } from '../audit/ownChanges.ts'
import { actingOf, fingerprint } from '../gate/index.ts'
import { ProblemError } from '../problems/index.ts'
import { comingIn, invalid, parsed, type SessionOptions } from '../session/coming.ts'
import { noteProved, passPhraseOf } from '../session/queries.ts'
import { dropPasskey, keepChallenge, keepPasskey, lineOf, notePasskeyUsed, passkeyBy, passkeysOf, setOnlyPasskey, takeChallenge } from './queries.ts'

const small = { bodyLimit: 2048 }
const answerLimit = { bodyLimit: 32 * 1024 }
/** so long somebody may take with their finger or face, ms */
const patience = 5 * 60_000

/** Passkeys: made by somebody who is signed in and proves it, and used instead of name and pass phrase. Source: W3C, "Web Authentication: Level 3". */
export const passkeysFeature: FastifyPluginAsync<SessionOptions & { publicAddress?: string }> = async (app, options) => {
  const { database, publicAddress } = options
  const { come } = comingIn(options)
  const list = async (person: string): Promise<Passkeys> => ({
    passkeys: (await passkeysOf(database, person)).map(lineOf),
    only: (await passPhraseOf(database, person)).onlyPasskey,
  })
  const asked = (challenge: string, person: string | null) => {
    const now = new Date()
    return keepChallenge(database, fingerprint(challenge), person, now, new Date(now.getTime() + patience))
  }
  /** whether it is what this device was asked to sign, for the first time */
  const wasAsked = (person: string | null) => (challenge: string) => takeChallenge(database, fingerprint(challenge), person, new Date())

  app.get('/api/passkeys', { config: { who: everyone } }, (request) => list(actingOf(request).person.id))

  app.post('/api/passkeys/offer', { ...small, config: { who: everyone, proved: true } }, async (request): Promise<PasskeyOffer> => {
    const { person } = actingOf(request)
    const { id } = partyOf(request, publicAddress)
    const present = await passkeysOf(database, person.id)
    const made = await generateRegistrationOptions({
      rpName: 'Dewpoint',
      rpID: id,
      userName: person.name,
      userID: new TextEncoder().encode(person.id),
      timeout: patience,
      attestationType: 'none',
      excludeCredentials: present.map((one) => ({ id: one.id, transports: one.transports })),
      // it knows whose it is, and asks for a finger, a face or a PIN
      authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
    })
    await asked(made.challenge, person.id)
    return { options: made }
  })

  app.post('/api/passkeys', { ...answerLimit, config: { who: everyone } }, async (request): Promise<Passkeys> => {
    const { label, answer } = parsed(readPasskeyMade(request.body))
    const { person } = actingOf(request)
    const { id, origin } = partyOf(request, publicAddress)
    const read = await verifyRegistrationResponse({
      response: { clientExtensionResults: {}, ...answer } as RegistrationResponseJSON,
      expectedChallenge: wasAsked(person.id),
      expectedOrigin: origin,
      expectedRPID: id,
      requireUserVerification: true,
    }).catch(() => null)
    if (!read?.verified) throw new ProblemError('wrongPasskey', 'It was not made as it was asked for, or too late. Make it again.')
    const { credential } = read.registrationInfo
    const kept = await keepPasskey(database, {
      key: fingerprint(credential.id),
      id: credential.id,
      person: person.id,
      publicKey: Buffer.from(credential.publicKey).toString('base64url'),
      counter: credential.counter,
      transports: answer.response.transports ?? [],
      label: label?.trim() || 'A device',
      madeAt: new Date(),
      usedAt: null,
    })
    if (!kept) throw invalid([{ field: 'answer', message: `there are ${mostPasskeys} already, or this one is there: remove one you no longer use` }])
    await note(database, request, { kind: 'people', of: 'person', subject: person.id, about: `${person.name}${ownChangeWords.passkey}` })
    return list(person.id)
  })

  app.post<{ Params: { id: string } }>(
    '/api/passkeys/:id/remove',
    { ...small, config: { who: everyone, proved: true } },
    async (request): Promise<Passkeys> => {
      const { person } = actingOf(request)
      const gone = await dropPasskey(database, request.params.id.slice(0, 64), person.id)
      if (gone === 'last') throw invalid([{ field: 'only', message: 'it is your last one and your pass phrase alone is not enough: say first that it is' }])
      if (gone === undefined) throw new ProblemError('notFound', 'You have no such passkey. Look at the list again.')
      await note(database, request, { kind: 'people', of: 'person', subject: person.id, about: `${person.name}${ownChangeWords.passkeyGone}` })
      return list(person.id)
    },
  )

  app.post('/api/passkeys/only', { ...small, config: { who: everyone, proved: true } }, async (request): Promise<Passkeys> => {
    const { only } = parsed(readOnlyPasskey(request.body))
    const { person } = actingOf(request)
    const came = await setOnlyPasskey(database, person.id, only)
    if (came === 'none') throw invalid([{ field: 'only', message: 'make a passkey first' }])
    if (came === 'changed') {
      const about = `${person.name}${only ? ownChangeWords.onlyPasskey : ownChangeWords.phraseEnough}`
      await note(database, request, { kind: 'people', of: 'person', subject: person.id, about })
    }
    return list(person.id)
  })

  app.post('/api/session/passkey/offer', { ...small, config: { who: 'anyone' } }, async (request): Promise<PasskeyOffer> => {
    const made = await generateAuthenticationOptions({ rpID: partyOf(request, publicAddress).id, timeout: patience, userVerification: 'required' })
    await asked(made.challenge, null)
    return { options: made }
  })

  app.post('/api/session/passkey', { ...answerLimit, config: { who: 'anyone' } }, async (request, reply): Promise<Session> => {
    const { label, answer } = parsed(readPasskeyUsed(request.body))
    return come(
      request,
      reply,
      await whoseIs(request, answer, 'Sign in with name and pass phrase, or with another passkey.'),
      label?.trim() ?? '',
      ', with a passkey',
    )
  })

  app.post('/api/session/passkey/prove', { ...answerLimit, config: { who: everyone } }, async (request) => {
    const { answer } = parsed(readPasskeyUsed(request.body))
    const { person, device } = actingOf(request)
    const whose = await whoseIs(request, answer, 'Type your pass phrase, or use another passkey.')
    if (whose !== person.id) throw new ProblemError('wrongPasskey', `It is somebody else’s. ${person.name} is asked for.`)
    await noteProved(database, person.id, device.id, new Date())
    return { proved: true }
  })

  /** Whose passkey signed what this server asked to be signed. */
  async function whoseIs(request: FastifyRequest, answer: PasskeyUsed['answer'], advice: string): Promise<string> {
    const { id, origin } = partyOf(request, publicAddress)
    const found = await passkeyBy(database, fingerprint(answer.id))
    const refuse = async (): Promise<never> => {
      await note(database, request, { kind: 'refused', of: 'person', subject: found?.person.id, about: found ? `${found.person.name}, with a passkey` : '' })
      throw new ProblemError('wrongPasskey', advice)
    }
    if (!found) return refuse()
    const { passkey, person } = found
    const read = await verifyAuthenticationResponse({
      response: { clientExtensionResults: {}, ...answer } as AuthenticationResponseJSON,
      expectedChallenge: wasAsked(null),
      expectedOrigin: origin,
      expectedRPID: id,
      credential: { id: passkey.id, publicKey: new Uint8Array(Buffer.from(passkey.publicKey, 'base64url')), counter: passkey.counter },
      requireUserVerification: true,
    }).catch(() => null)
    if (!read?.verified) return refuse()
    await notePasskeyUsed(database, passkey.key, read.authenticationInfo.newCounter, new Date())
    return person.id
  }
}

/** For whom a passkey is: the name people open Dewpoint by, and the address that goes with it. A number is no name: there browsers make none. */
function partyOf(request: FastifyRequest, publicAddress: string | undefined): { id: string; origin: string } {
  const { origin, hostname } = new URL(publicAddress ?? `http://${request.headers.host ?? ''}`)
  if (isIP(hostname) !== 0 || hostname.startsWith('['))
    throw new ProblemError('noPasskeys', 'On this machine open it as localhost; elsewhere by the address the firm gave it. Name and pass phrase work here.')
  return { id: hostname, origin }
}
