import {
  everyone,
  folded,
  readActAs,
  readCodeIn,
  readPassPhraseChange,
  readProof,
  readSignIn,
  readSignOut,
  type Member,
  type OwnChanges,
  type Session,
} from '@dewpoint/contract'
import { whyWeak } from '@dewpoint/contract/strength'
import type { FastifyPluginAsync, FastifyRequest } from 'fastify'
import { note } from '../audit/index.ts'
import { ownChangeWords } from '../audit/ownChanges.ts'
import { ownChangesOf } from '../audit/queries.ts'
import { actingOf, fingerprint, giveToken, takeToken } from '../gate/index.ts'
import { ProblemError } from '../problems/index.ts'
import { newToken, typedCode } from './codes.ts'
import { comingIn, deviceOf, invalid, notEnough, parsed, type SessionOptions } from './coming.ts'
import { isPassPhrase, keptOf } from './passPhrase.ts'
import { actAs, changePassPhrase, endTries, memberNamed, noteProved, passPhraseOf, signOut, useCode, whoseCode } from './queries.ts'

const small = { bodyLimit: 2048 }
/** so long it is told what changed of how somebody signs in, ms */
const told = 30 * 86_400_000
/** Signing in and out, and as whom a shared device goes on. */
export const sessionFeature: FastifyPluginAsync<SessionOptions> = async (app, options) => {
  const { database, secure, demo } = options
  const { come, mayTry, proveSelf, sessionOf } = comingIn(options)
  app.get('/api/session', { config: { who: 'anyone' } }, (request) => answer(request))

  app.get('/api/session/changes', { config: { who: everyone } }, async (request): Promise<OwnChanges> => {
    const { person, device } = actingOf(request)
    return { changes: await ownChangesOf(database, person.id, device.id, new Date(Date.now() - told)) }
  })

  app.post('/api/session', { ...small, config: { who: 'anyone' } }, async (request, reply) => {
    const said = parsed(readSignIn(request.body))
    const member = await memberNamed(database, said.name)
    // by the person, however their name is written: the database takes no notice of capitals and accents
    const tried = await mayTry(request, `person ${member?.id ?? folded(said.name)}`)
    if (!(await isPassPhrase(member?.passPhrase ?? null, said.passPhrase)) || !member) {
      // what somebody typed there may be their pass phrase: a name nobody has is not written down
      await note(database, request, { kind: 'refused', of: 'person', subject: member?.id, about: member?.name })
      throw new ProblemError('wrongPassPhrase', 'Look at both again. Whoever runs the firm can give you a code for a new pass phrase.')
    }
    await endTries(database, tried, new Date())
    if (member.onlyPasskey) {
      await note(database, request, { kind: 'refused', of: 'person', subject: member.id, about: `${member.name}, with the pass phrase alone` })
      throw notEnough()
    }
    return come(request, reply, member.id, said.label)
  })

  app.post('/api/session/code', { ...small, config: { who: 'anyone' } }, async (request, reply) => {
    const said = parsed(readCodeIn(request.body))
    const tried = await mayTry(request, 'code')
    const notGood = () => new ProblemError('wrongCode', 'Type it again as it was given. It is used once and is good for a week: ask for a new one if need be.')
    const code = fingerprint(typedCode(said.code))
    const whose = await whoseCode(database, code, new Date())
    if (whose === undefined) throw notGood()
    const name = whose?.name ?? said.name
    if (name === undefined) throw invalid([{ field: 'name', message: 'say what you are called: it stands beside everything you write' }])
    strongEnough(said.passPhrase, name)
    const token = newToken()
    const signing = { token: fingerprint(token), device: deviceOf(request), label: said.label, now: new Date() }
    const came = await useCode(database, code, name, await keptOf(said.passPhrase), signing)
    if (came === 'notGood') throw notGood()
    await endTries(database, tried, new Date())
    giveToken(reply, token, secure)
    await note(database, request, { kind: 'signedIn', of: 'person', subject: came.person, about: `${name}${ownChangeWords.withCode}`, ...came })
    return sessionOf(came.person, came.device, said.label)
  })

  app.post('/api/session/demo', { ...small, config: { who: 'anyone' } }, async (request, reply) => {
    const said = parsed(readActAs(request.body))
    if (!demo.some((one) => one.id === said.person))
      throw new ProblemError('notAllowed', 'Only the made-up people of the demo are there without a pass phrase.')
    return come(request, reply, said.person, said.label)
  })

  app.post('/api/session/as', { ...small, config: { who: everyone } }, async (request) => {
    const said = parsed(readActAs(request.body))
    const { device, onDevice } = actingOf(request)
    const person = onDevice.find((one) => one.id === said.person)
    if (!person) throw new ProblemError('signIn', 'Sign in on this device first.')
    await actAs(database, device.id, person.id)
    return sessionOf(person.id, device.id, device.label)
  })

  app.post('/api/session/prove', { ...small, config: { who: everyone } }, async (request) => {
    const { passPhrase } = parsed(readProof(request.body))
    const { person, device } = actingOf(request)
    await proveSelf(request, person, passPhrase)
    await noteProved(database, person.id, device.id, new Date())
    return { proved: true }
  })

  app.post('/api/session/out', { ...small, config: { who: everyone } }, async (request, reply) => {
    const { everywhere } = parsed(readSignOut(request.body))
    const { person, device, onDevice } = actingOf(request)
    await signOut(database, person.id, everywhere ? null : device.id, new Date())
    await note(database, request, { kind: 'signedOut', of: 'person', subject: person.id, about: everywhere ? `${person.name}, everywhere` : person.name })
    const left = onDevice.filter((one) => one.id !== person.id)
    if (left.length === 0) {
      takeToken(reply, secure)
      return sessionOf(null, null, '')
    }
    await actAs(database, device.id, left[0]!.id)
    return sessionOf(left[0]!.id, device.id, device.label)
  })

  app.post('/api/session/pass-phrase', { ...small, config: { who: everyone } }, async (request) => {
    const said = parsed(readPassPhraseChange(request.body))
    const { person, device } = actingOf(request)
    const tried = await mayTry(request, `person ${person.id}`)
    if (!(await isPassPhrase((await passPhraseOf(database, person.id)).kept, said.old)))
      throw new ProblemError('wrongPassPhrase', 'The old pass phrase is another one. Look at it again.')
    strongEnough(said.passPhrase, person.name)
    await endTries(database, tried, new Date())
    await changePassPhrase(database, person.id, await keptOf(said.passPhrase), device.id, new Date())
    await note(database, request, { kind: 'people', of: 'person', subject: person.id, about: `${person.name}${ownChangeWords.passPhrase}` })
    return answer(request)
  })

  /** What the device that asks is told. */
  async function answer(request: FastifyRequest): Promise<Session> {
    const { asker } = request
    if (asker.state === 'ended')
      throw new ProblemError('deviceEnded', 'Dewpoint empties this device now. Ask whoever runs the firm before you sign in on it again.')
    if (asker.state !== 'acting') return sessionOf(null, null, '')
    const { person, onDevice, device } = asker.acting
    const bare = ({ id, name, role }: Member): Member => ({ id, name, role })
    return { person: bare(person), onDevice: onDevice.map(bare), device, first: false, demo: [...demo] }
  }
}

function strongEnough(passPhrase: string, name: string): void {
  const weak = whyWeak(passPhrase, name)
  if (weak) throw invalid([{ field: 'passPhrase', message: weak }])
}
