import { staff, type LiveNews } from '@dewpoint/contract'
import type { FastifyPluginAsync } from 'fastify'
import type { Database } from '../database/index.ts'
import { actingOf, stillActs } from '../gate/index.ts'
import { ProblemError } from '../problems/index.ts'
import { comeTo, goFrom } from './queries.ts'
import { watchChanges } from './watcher.ts'

/** a sign of life, and a look whether whoever listens is still signed in, ms */
const beat = 10_000
/** how long somebody counts as present after the last sign, s */
const present = 25
/** streams one device may hold: pages that are looked at */
const mostOfDevice = 8
/** what is not read by the other side is not heaped up, bytes */
const mostUnread = 256 * 1024

/** What others write, told as it happens: server-sent events. Source: HTML Living Standard, "Server-sent events". */
export const liveFeature: FastifyPluginAsync<{ database: Database }> = async (app, { database }) => {
  const watcher = watchChanges(database)
  const ending = new Set<() => void>()
  const ofDevice = new Map<string, number>()
  app.addHook('preClose', async () => {
    watcher.stop()
    for (const end of ending) end()
  })

  app.get<{ Querystring: { case?: unknown } }>('/api/live', { config: { who: staff } }, async (request, reply) => {
    const { case: caseId = null } = request.query
    if (caseId !== null && (typeof caseId !== 'string' || !/^[0-9a-f-]{36}$/.test(caseId)))
      throw new ProblemError('invalid', 'Ask again with the case as it stands in its address.', [{ field: 'case', message: 'case must be the id of a case' }])
    const { person, device } = actingOf(request)
    const held = ofDevice.get(device.id) ?? 0
    if (held >= mostOfDevice) throw new ProblemError('tooMany', 'Too many pages of this device listen. Close some.')
    ofDevice.set(device.id, held + 1)

    reply.hijack()
    const stream = reply.raw
    stream.writeHead(200, {
      'content-type': 'text/event-stream',
      'cache-control': 'no-store',
      // a proxy passes it on as it comes
      'x-accel-buffering': 'no',
      'x-content-type-options': 'nosniff',
    })
    let over = false
    const end = () => {
      if (over) return
      over = true
      clearInterval(signs)
      ending.delete(end)
      leave()
      ofDevice.set(device.id, (ofDevice.get(device.id) ?? 1) - 1)
      if (ofDevice.get(device.id) === 0) ofDevice.delete(device.id)
      if (caseId !== null) goFrom(database, caseId, device.id).catch(() => undefined)
      stream.end()
    }
    const write = (text: string) => {
      // whoever does not read comes again and asks for what is new
      if (stream.writableLength > mostUnread) end()
      else if (!over) stream.write(text)
    }
    const tell = (news: LiveNews) => write(`data: ${JSON.stringify(news)}\n\n`)
    const leave = watcher.listen({ caseId, person: person.id, tell })
    const signs = setInterval(() => {
      void (async () => {
        if (stream.destroyed) return end()
        // out means out: not only for what is asked next. A database that is away ends nothing
        const still = await stillActs(database, request).catch(() => true)
        if (!still) return end()
        if (caseId !== null) await comeTo(database, caseId, device.id, person.id, present).catch(() => undefined)
        write(': here\n\n')
      })()
    }, beat)
    ending.add(end)
    stream.on('close', end)
    stream.on('error', end)
    // whoever went before they were listened to
    if (stream.destroyed) return end()
    // when it was lost it is tried again after this, ms
    write('retry: 2000\n: here\n\n')
    if (caseId !== null) await comeTo(database, caseId, device.id, person.id, present).catch(() => undefined)
  })
}
