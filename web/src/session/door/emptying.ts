import { ref } from 'vue'
import { Refused, sendHandIn, sendPhoto, sendWiped } from '../../keeping/api.ts'
import { emptyDevice, keptPicture, letGoOfAll, listUnsent } from '../../keeping/device/device.ts'
import { forget, named, recall, remember } from '../../keeping/device/storage.ts'
import { leftOver } from '../../keeping/outbox/writtenAhead.ts'
import { here, lapsed, me } from '../../keeping/who.ts'

/** The firm has signed this device out: nothing of it is shown, also before it could be emptied. */
const key = 'dewpoint.ended'
export const ended = ref(recall(key) !== null)
/** what became of it */
export const emptied = ref<{ handedIn: number } | null>(null)
/** entries that are handed in at a time */
const atATime = 100
let busy: Promise<void> | null = null

/**
 * Empties a device that was signed out from afar. What was not sent is handed to the firm first: it is never lost for that. Without the server
 * nothing is thrown away, and nothing is shown.
 */
export function emptyThisDevice(): Promise<void> {
  ended.value = true
  remember(key, 'yes')
  busy ??= work().finally(() => (busy = null))
  return busy
}

async function work(): Promise<void> {
  try {
    const listed = await listUnsent().catch(() => [])
    const unsent = [...listed, ...leftOver()]
    for (const one of unsent) {
      const hash = one.kind === 'entry' && one.entry.type === 'photo' ? one.entry.payload.hash : null
      const picture = hash === null ? undefined : await keptPicture(hash).catch(() => undefined)
      if (picture && !picture.sent) await unlessRefused(sendPhoto(new Blob([picture.bytes], { type: picture.type })))
    }
    const items = unsent.map((one) =>
      one.kind === 'open' ? { kind: one.kind, body: one.body } : { kind: one.kind, caseId: one.caseId, entry: JSON.parse(JSON.stringify(one.entry)) as object },
    )
    for (let from = 0; from < items.length; from += atATime) await unlessRefused(sendHandIn(items.slice(from, from + atATime)))
    await emptyDevice()
    await sendWiped()
    // what another page of this device kept meanwhile
    await letGoOfAll(new Set(), new Set())
    for (const name of named('dewpoint.')) forget(name)
    me.value = null
    here.value = []
    lapsed.value = false
    ended.value = false
    emptied.value = { handedIn: items.length }
  } catch {
    // without the server it is tried again: at the next start, and when somebody presses the button
  }
}

/** What the server will never take is no reason to keep a device that is not the firm’s any more from being emptied. */
async function unlessRefused(sending: Promise<unknown>): Promise<void> {
  await sending.catch((error: unknown) => {
    if (!(error instanceof Refused)) throw error
  })
}
