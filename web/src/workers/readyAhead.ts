import { recall, remember } from '../keeping/device/storage.ts'
import { reasoning } from './reasoning.ts'

/** How a boiler is known to the reasoning. */
export interface Kind {
  system: string
  controls: string
}

const key = 'dewpoint.kinds'
/** kinds got ready: as many as the reasoning holds at once */
const most = 3

/** The kinds of the boilers somebody is likely to open next, each once, the likeliest first. */
export function kindsOf(lines: readonly { appliance: { system: string }; controls: string }[]): Kind[] {
  const seen = new Map(lines.map(({ appliance: { system }, controls }) => [`${system} ${controls}`, { system, controls }]))
  return [...seen.values()].slice(0, most)
}

/** The kinds of last time, before the list is there. */
export function kindsBefore(): Kind[] {
  try {
    const kept: unknown = JSON.parse(recall(key) ?? '[]')
    return Array.isArray(kept)
      ? kept.filter((one: Partial<Kind> | null) => typeof one?.system === 'string' && typeof one.controls === 'string').slice(0, most)
      : []
  } catch {
    return []
  }
}

/**
 * Gets the reasoning ready for these kinds one after the other, while nobody waits for it. A kind this version does not know is passed over: the case
 * itself will say so.
 *
 * @param wanted whether to go on: what somebody asks for now comes first
 */
export async function readyAhead(kinds: readonly Kind[], wanted: () => boolean): Promise<void> {
  if (kinds.length > 0) remember(key, JSON.stringify(kinds))
  for (const [place, { system, controls }] of kinds.entries()) {
    if (!wanted()) return
    // the sums for the likeliest alone: whoever opens a case meanwhile must not wait for those of another
    await reasoning.ready(system, controls, place === 0).catch(() => undefined)
  }
}
