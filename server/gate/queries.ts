import type { Member } from '@dewpoint/contract'
import { and, eq, isNull, sql } from 'drizzle-orm'
import { gathered, retried, tables, type Database } from '../database/index.ts'

const { devices, people, signIns } = tables

/** Somebody signed in on a device, with the names they have gone by. */
export interface OnDevice extends Member {
  formerNames: string[]
}

/** Who asks. */
export interface Acting {
  person: OnDevice
  onDevice: OnDevice[]
  device: { id: string; label: string }
  /** when they last proved who they are on it */
  provedAt: Date
}

/** What a token tells: who acts, or that nobody does any more. */
export type Asker = { state: 'acting'; acting: Acting } | { state: 'nobody' | 'ended'; device: { id: string; label: string } } | { state: 'unknown' }

/** a device that did not come by for so long is asked to sign in again, ms */
export const idle = 30 * 86_400_000
/** so often it is written down that a device was here, ms */
const seenEvery = 60_000

type Row = { device: typeof devices.$inferSelect; person: typeof people.$inferSelect | null; provedAt: Date | null }
const askings = new WeakMap<Database, (token: string) => Promise<Row[] | undefined>>()
/** Devices by their token, with who is signed in on each: those of many who ask at once in one question, once this node has what was written before. */
function asking(database: Database): (token: string) => Promise<Row[] | undefined> {
  const present = askings.get(database)
  if (present) return present
  // put together once: it is asked for every request
  const question = database
    .select({ device: devices, person: people, provedAt: signIns.provedAt })
    .from(devices)
    .leftJoin(signIns, and(eq(signIns.device, devices.id), isNull(signIns.endedAt)))
    .leftJoin(people, and(eq(people.id, signIns.person), isNull(people.leftAt)))
    .where(sql`${devices.token} in (${sql.placeholder('tokens')})`)
    .prepare()
  const made = gathered<Row[]>(async (tokens) => {
    await database.catchUp()
    const rows = await retried(() => question.execute({ tokens }))
    const byToken = new Map<string, Row[]>()
    for (const row of rows) byToken.set(row.device.token, [...(byToken.get(row.device.token) ?? []), row])
    return byToken
  })
  askings.set(database, made)
  return made
}

/**
 * Who asks with a token.
 *
 * @param token its SHA-256
 * @param wanted as whom of those on the device; otherwise whoever acted on it last
 */
export async function askerOf(database: Database, token: string, wanted: string | undefined, now: Date): Promise<Asker> {
  const rows = (await asking(database)(token)) ?? []
  const [first] = rows
  if (!first) return { state: 'unknown' }
  const { device: row } = first
  const device = { id: row.id, label: row.label }
  if (row.endedAt) return { state: 'ended', device }
  const onDevice = rows
    .flatMap(({ person }) => (person ? [{ id: person.id, name: person.name, role: person.role, formerNames: person.formerNames }] : []))
    .sort((a, b) => (a.name < b.name ? -1 : 1))
  if (now.getTime() - row.seenAt.getTime() > idle) return { state: 'nobody', device }
  const person = onDevice.find((one) => one.id === (wanted ?? row.person)) ?? (wanted === undefined ? onDevice[0] : undefined)
  if (!person) return { state: 'nobody', device }
  if (person.id !== row.person || now.getTime() - row.seenAt.getTime() > seenEvery)
    // whoever only reads is served by a database that takes nothing
    await database
      .update(devices)
      .set({ person: person.id, seenAt: now })
      .where(eq(devices.id, row.id))
      .catch(() => undefined)
  const provedAt = rows.find((one) => one.person?.id === person.id)?.provedAt ?? new Date(0)
  return { state: 'acting', acting: { person, onDevice, device, provedAt } }
}
