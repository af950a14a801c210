import { ownerOnly, type AuditKind, type AuditList } from '@dewpoint/contract'
import type { FastifyPluginAsync, FastifyRequest } from 'fastify'
import { v5, v7 } from 'uuid'
import { gathered, type Database } from '../database/index.ts'
import { ProblemError } from '../problems/index.ts'
import { cursorOf, listAudit, record, type Recorded } from './queries.ts'

/** the space of names of what is told once an hour */
const hourly = 'b7c1a6f0-53a4-4a0e-9d0c-2f4f3a7c5d10'
const hour = 3_600_000
/** what this server has recorded in this hour: asked again, nothing is written */
const recorded = new Set<string>()
const mostRecorded = 50_000
let since = 0

/** what is recorded of a crowd goes in one go */
const gathering = new WeakMap<Database, (one: Recorded) => Promise<void>>()

function recordedTogether(database: Database): (one: Recorded) => Promise<void> {
  const lines = new Map<string, Recorded>()
  const write = gathered(async (ids) => {
    const these = ids.map((id) => lines.get(id)!)
    for (const id of ids) lines.delete(id)
    await record(database, ...these)
    return new Map<string, never>()
  })
  return async (one) => {
    lines.set(one.id, one)
    await write(one.id)
  }
}

/** Something somebody did: `of` what, by its id and its name. */
export interface Done {
  kind: AuditKind
  of: string
  subject?: string
  about?: string
  /** whoever did it, where the request does not tell yet */
  person?: string
  device?: string
}

/** Records what somebody did. */
export async function note(database: Database, request: FastifyRequest, done: Done, now = new Date()): Promise<void> {
  await record(database, { id: v7(), ...lineOf(request, done, now) })
}

/**
 * Records that somebody read or wrote, once an hour for the same by the same: what a screen asks for every few seconds is one line. Whoever
 * reads is not held up by a record that cannot be written; it is tried again with the next reading.
 */
export async function noteHourly(database: Database, request: FastifyRequest, done: Done, now = new Date()): Promise<void> {
  const line = lineOf(request, done, now)
  const began = Math.floor(now.getTime() / hour)
  if (began !== since || recorded.size > mostRecorded) recorded.clear()
  since = began
  const what = [began, line.person, line.device, line.kind, line.of, line.subject, line.about].join(' ')
  if (recorded.has(what)) return
  const together = gathering.get(database) ?? recordedTogether(database)
  gathering.set(database, together)
  try {
    await together({ id: v5(what, hourly), ...line })
    recorded.add(what)
  } catch (error) {
    request.log.warn({ err: error }, 'what was read could not be recorded')
  }
}

function lineOf(request: FastifyRequest, { kind, of, subject = '', about = '', person, device }: Done, now: Date) {
  const { asker } = request
  const acting = asker.state === 'acting' ? asker.acting : null
  return {
    at: now,
    person: person ?? acting?.person.id ?? null,
    device: device ?? (asker.state === 'acting' ? asker.acting.device.id : asker.state === 'unknown' ? null : asker.device.id),
    kind,
    of,
    subject: subject.slice(0, 120),
    about: about.slice(0, 200),
  }
}

/** Who read and changed what: for the owner. */
export const auditFeature: FastifyPluginAsync<{ database: Database }> = async (app, { database }) => {
  app.get<{ Querystring: Record<string, unknown> }>('/api/audit', { config: { who: ownerOnly } }, async (request): Promise<AuditList> => {
    const { person, about, before } = request.query
    for (const [field, value, right] of [
      ['person', person, (text: string) => /^[0-9a-f-]{36}$/.test(text)],
      ['about', about, (text: string) => text.length <= 100],
      ['before', before, (text: string) => cursorOf(text) !== undefined],
    ] as const)
      if (value !== undefined && !(typeof value === 'string' && right(value)))
        throw new ProblemError('invalid', 'Ask for the record again from its beginning.', [{ field, message: `${field} is not one of this record` }])
    return listAudit(database, { person, about, before } as { person?: string; about?: string; before?: string })
  })
}
