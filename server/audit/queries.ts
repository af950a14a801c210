import { ownChangeKinds, type AuditKind, type AuditLine, type AuditList, type AuditQuery, type OwnChange } from '@dewpoint/contract'
import { and, desc, eq, gt, like, lt, or, sql } from 'drizzle-orm'
import { hasWords, patternsOf, retried, tables, type Database } from '../database/index.ts'
import { ownChangeWords } from './ownChanges.ts'

const { audit, cases, devices, people, sites } = tables

/** One thing to be recorded. */
export interface Recorded {
  id: string
  at: Date
  person: string | null
  device: string | null
  kind: AuditKind
  of: string
  subject: string
  about: string
}

/** Records what was done; the same again changes nothing. */
export async function record(database: Database, ...done: readonly Recorded[]): Promise<void> {
  await retried(() =>
    database
      .insert(audit)
      .values([...done])
      .onDuplicateKeyUpdate({ set: { id: sql`values(${audit.id})` } }),
  )
}

const most = 100

/** A stretch of the record, newest first. */
export async function listAudit(database: Database, { person, about, before }: AuditQuery): Promise<AuditList> {
  const from = before === undefined ? undefined : cursorOf(before)
  const rows = await retried(() =>
    database
      .select({ line: audit, name: people.name, device: devices.label, place: sites.name })
      .from(audit)
      .leftJoin(people, eq(people.id, audit.person))
      .leftJoin(devices, eq(devices.id, audit.device))
      // a place goes by the name it has now: one that was erased by none
      .leftJoin(cases, eq(cases.id, audit.subject))
      .leftJoin(sites, eq(sites.id, cases.siteId))
      .where(
        and(
          person ? eq(audit.person, person) : undefined,
          about ? or(...patternsOf(about).map((one) => like(audit.about, one)), hasWords(sites.searched, about), eq(audit.subject, about)) : undefined,
          from ? or(lt(audit.at, from.at), and(eq(audit.at, from.at), lt(audit.id, from.id))) : undefined,
        ),
      )
      .orderBy(desc(audit.at), desc(audit.id))
      .limit(most + 1),
  )
  const lines = rows.slice(0, most).map(({ line, name, device, place }): AuditLine => ({
    id: line.id,
    at: line.at.toISOString(),
    person: line.person === null ? null : { id: line.person, name: name ?? 'Somebody no longer known' },
    device: device ?? '',
    kind: line.kind,
    of: line.of,
    subject: line.subject,
    about: line.about || (place ?? ''),
  }))
  const last = lines.at(-1)
  return { lines, next: rows.length > most && last ? `${last.at}.${last.id}` : null }
}

/** Where a stretch goes on: `time.id`; null of what is none. */
export function cursorOf(text: string): { at: Date; id: string } | undefined {
  const [, at, id] = /^(\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}\.\d{3}Z)\.([0-9a-f-]{36})$/.exec(text) ?? []
  const time = new Date(at ?? '')
  return at === undefined || id === undefined || Number.isNaN(time.getTime()) ? undefined : { at: time, id }
}

/** what is told of how somebody signs in */
const mostOwn = 20

/** What changed of how somebody signs in since a moment, but for what they did themselves on the device they ask from; the newest first. */
export async function ownChangesOf(database: Database, person: string, device: string, since: Date): Promise<OwnChange[]> {
  const rows = await retried(() =>
    database
      .select({ line: audit, device: devices.label, by: people.name })
      .from(audit)
      .leftJoin(devices, eq(devices.id, audit.device))
      .leftJoin(people, eq(people.id, audit.person))
      .where(
        and(
          eq(audit.subject, person),
          eq(audit.of, 'person'),
          gt(audit.at, since),
          or(...ownChangeKinds.map((kind) => like(audit.about, `%${ownChangeWords[kind]}`))),
          sql`not (${audit.person} <=> ${person} and ${audit.device} <=> ${device})`,
        ),
      )
      .orderBy(desc(audit.at), desc(audit.id))
      .limit(mostOwn),
  )
  return rows.flatMap(({ line, device: label, by }) => {
    const what = ownChangeKinds.find((kind) => line.about.endsWith(ownChangeWords[kind]))
    return what ? [{ id: line.id, at: line.at.toISOString(), what, device: label ?? '', by: line.person === person ? null : by }] : []
  })
}
