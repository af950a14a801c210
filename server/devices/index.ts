import { everyone, ownerOnly, readCase, readHandIn, readSettle, staff, type Devices, type HandIns, type HandInSettled } from '@dewpoint/contract'
import { parseEntry } from '@dewpoint/core/casebook'
import type { FastifyPluginAsync, FastifyRequest } from 'fastify'
import { v5 } from 'uuid'
import { note } from '../audit/index.ts'
import { appendAll } from '../cases/append/queries.ts'
import { openCase } from '../cases/open/queries.ts'
import type { Database } from '../database/index.ts'
import { actingOf, takeToken } from '../gate/index.ts'
import { ProblemError } from '../problems/index.ts'
import { endDevice, handInOf, keepHandIn, listDevices, listHandIns, noteWiped, settleHandIn } from './queries.ts'

/** the space of names of bundles: the same from the same device is the same bundle */
const bundles = '5a0f3c1e-8d52-4b7b-9c64-0f5f0a2b7e33'
const handInLimit = 1024 * 1024

/** Devices: which there are, signing one out from afar, and what it had not sent. */
export const devicesFeature: FastifyPluginAsync<{ database: Database; secure: boolean }> = async (app, { database, secure }) => {
  app.get('/api/devices', { config: { who: everyone } }, async (request): Promise<Devices> => {
    const { person, device } = actingOf(request)
    return { devices: await listDevices(database, person.role === 'owner' ? null : person.id, device.id) }
  })

  app.post<{ Params: { id: string } }>('/api/devices/:id/end', { config: { who: everyone, proved: true } }, async (request): Promise<Devices> => {
    const { person, device } = actingOf(request)
    const { id } = request.params
    const own = person.role === 'owner' ? null : person.id
    // somebody else's device is not told apart from none
    const theirs = own === null || (await listDevices(database, own, device.id)).some((one) => one.id === id)
    const label = theirs && /^[0-9a-f-]{36}$/.test(id) ? await endDevice(database, id, new Date()) : undefined
    if (label === undefined) throw new ProblemError('notFound', 'There is no such device. Look at the list again.')
    await note(database, request, { kind: 'device', of: 'device', subject: id, about: `${label}: signed out from afar` })
    return { devices: await listDevices(database, own, device.id) }
  })

  app.post('/api/devices/hand-in', { bodyLimit: handInLimit, config: { who: staff, ended: true } }, async (request): Promise<{ kept: number }> => {
    const read = readHandIn(request.body)
    if (!read.ok) throw new ProblemError('invalid', 'Correct what is named and hand it in again.', read.problems)
    const { items } = read.value
    const device = deviceOf(request)
    if (items.length > 0 && !(await keepHandIn(database, v5(JSON.stringify(items), v5(device, bundles)), device, items, new Date())))
      throw new ProblemError('tooMany', 'Too much of this device waits to be looked through.')
    return { kept: items.length }
  })

  app.post('/api/devices/wiped', { config: { who: staff, ended: true } }, async (request, reply): Promise<{ ended: boolean }> => {
    const { asker } = request
    if (asker.state === 'ended') {
      await noteWiped(database, asker.device.id, new Date())
      await note(database, request, { kind: 'device', of: 'device', subject: asker.device.id, about: `${asker.device.label}: has emptied itself` })
      // from here on it is a device like any other that nobody is signed in on
      takeToken(reply, secure)
    }
    return { ended: asker.state === 'ended' }
  })

  app.get('/api/devices/hand-ins', { config: { who: ownerOnly } }, async (): Promise<HandIns> => ({ handIns: await listHandIns(database) }))

  app.post<{ Params: { id: string } }>('/api/devices/hand-ins/:id', { config: { who: ownerOnly } }, async (request): Promise<HandInSettled> => {
    const { id } = request.params
    const read = readSettle(request.body)
    if (!read.ok) throw new ProblemError('invalid', 'Correct the fields named and send them again.', read.problems)
    const items = /^[0-9a-f-]{36}$/.test(id) ? await handInOf(database, id) : undefined
    if (!items) throw new ProblemError('notFound', 'Nothing of that kind waits. Look at the list again.')
    const settled = read.value.take ? await putIn(items, request) : { kept: 0, refused: [] }
    await settleHandIn(database, id, new Date())
    await note(database, request, { kind: 'device', of: 'handIn', subject: id, about: read.value.take ? `put in: ${settled.kept}` : 'given up' })
    return settled
  })

  /** Puts what was handed in where it belongs, one by one: what does not pass is told. */
  async function putIn(items: readonly object[], request: FastifyRequest): Promise<HandInSettled> {
    const refused: string[] = []
    let kept = 0
    const now = new Date()
    for (const item of items as { kind?: unknown; body?: unknown; caseId?: unknown; entry?: unknown }[]) {
      if (item.kind === 'open') {
        const one = readCase(item.body)
        const came = one.ok ? await openCase(database, one.value) : null
        if (came === null || came.state === 'conflict') refused.push('A case that is there already, or not whole.')
        else kept++
        continue
      }
      const entry = parseEntry(item.entry)
      const caseId = typeof item.caseId === 'string' && /^[0-9a-f-]{36}$/.test(item.caseId) ? item.caseId : ''
      const sentBy = actingOf(request).person.id
      const [came] = entry.ok ? await appendAll(database, [{ caseId, incoming: [entry.value], since: undefined, now, sentBy }]) : []
      if (typeof came !== 'object' || came.kept.length === 0)
        refused.push(entry.ok ? `An entry of ${entry.value.authorName}: its case is not here, or is full.` : 'An entry that is not whole.')
      else kept++
    }
    return { kept, refused }
  }
}

function deviceOf({ asker }: FastifyRequest): string {
  if (asker.state === 'acting') return asker.acting.device.id
  if (asker.state === 'ended') return asker.device.id
  throw new ProblemError('signIn', 'Sign in. What you entered stays on this device and is sent then.')
}
