import type { Unsent } from '../device/device.ts'
import { forget, named, recall, remember } from '../device/storage.ts'

/**
 * What is on its way to the disk. The disk takes its time to say that it has something; the browser's small store takes it at once, so that a reload in
 * between loses nothing.
 */
const prefix = 'dewpoint.ahead.'
const gonePrefix = 'dewpoint.gone.'

export const keyOf = (one: Unsent): string => (one.kind === 'open' ? one.caseId : one.entry.id)

/** Notes at once what the disk does not have yet. Where the small store is shut or full, the disk alone has to do. */
export function writeAhead(list: readonly Unsent[]): void {
  for (const one of list) remember(prefix + keyOf(one), JSON.stringify(one))
}

/** The disk has it, or nobody wants it any more. */
export function settle(keys: readonly string[]): void {
  for (const key of keys) forget(prefix + key)
}

/** What was noted and never settled: the page was left before the disk answered. In the order it was written in. */
export function leftOver(): Unsent[] {
  return named(prefix)
    .sort()
    .flatMap((key) => {
      try {
        const one = JSON.parse(recall(key) ?? 'null') as Unsent | null
        return one && key === prefix + keyOf(one) ? [one] : []
      } catch {
        // not written by this version, or half written: nothing anybody could send
        return []
      }
    })
}

/** Somebody gave an entry up: noted at once, so that a reload before the disk has let go of it does not bring it back. */
export const noteGone = (caseId: string, entry: string): void => void remember(`${gonePrefix}${caseId}.${entry}`, 'gone')

/** The disk has let go of it. */
export const settleGone = (caseId: string, entry: string): void => forget(`${gonePrefix}${caseId}.${entry}`)

/** What was given up and is perhaps still on the disk. */
export const stillGone = (): { caseId: string; entry: string }[] =>
  named(gonePrefix).map((key) => {
    const [caseId = '', entry = ''] = key.slice(gonePrefix.length).split('.')
    return { caseId, entry }
  })
