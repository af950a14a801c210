import type { CaseLine } from '@dewpoint/contract'
import { summarise } from '@dewpoint/core/casebook'
import { fetchCase } from '../api.ts'
import { changeKept, dropSentPictures, keptCase, keptCases, mergeCase, type KeptCase, type Unsent } from './device.ts'
import { knownPast } from './keptAnswers.ts'

const day = 86_400_000
/** cases opened within this time are kept on the device, and so many at most */
const recent = 28 * day
const most = 200
/** a case of this age that nothing unsent belongs to is let go of */
const old = 56 * day

/**
 * Keeps the cases of the last weeks on this device as the server has them now, so that they are there without it. Stops quietly where the
 * server or the device does: what is kept stays.
 *
 * @param wanted whether to go on
 */
export async function keepRecent(lines: readonly CaseLine[], now: number, wanted: () => boolean): Promise<void> {
  const kinds = new Set<string>()
  try {
    for (const line of lines.filter((one) => now - Date.parse(one.openedAt) < recent).slice(0, most)) {
      if (!wanted()) return
      const kept = await keptCase(line.id)
      if (kept?.keptAt !== undefined && kept.position === line.position && kept.erasedAt === line.erasedAt) continue
      await mergeCase({ ...(await fetchCase(line.id)), keptAt: new Date(now).toISOString() })
      // once for each kind of boiler: that is what moves the odds
      if (!kinds.has(line.appliance.system)) await knownPast(line.id, line.appliance.system)
      kinds.add(line.appliance.system)
    }
  } catch {
    // no signal or no room: the next look at the list goes on from here
  }
}

/** Lets go of cases of long ago, unless something of theirs is not sent yet. */
export async function letGoOfOld(unsent: readonly Unsent[], now: number): Promise<void> {
  const needed = new Set(unsent.map((one) => one.caseId))
  try {
    for (const one of await keptCases())
      if (!needed.has(one.id) && one.keptAt !== undefined && now - Date.parse(one.keptAt) > old) await changeKept(one.id, () => null)
    await dropSentPictures(new Date(now - recent).toISOString())
  } catch {
    // a device that cannot be read has nothing to let go of
  }
}

/** A kept case as the list shows it. */
export function lineOf({ entries, received: _received, keptAt: _keptAt, ...rest }: KeptCase): CaseLine {
  return { ...rest, position: rest.position ?? entries.length, summary: summarise(entries) }
}
