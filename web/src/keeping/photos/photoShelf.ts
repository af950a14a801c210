import type { Entry } from '@dewpoint/core/casebook'
import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex } from '@noble/hashes/utils.js'
import { sendPhoto } from '../api.ts'
import { keepPicture, keptPicture, pictureSent } from '../device/device.ts'

/** pictures this page holds because the device would not keep them, until the server has them */
const here = new Map<string, Blob>()

/**
 * Keeps a picture on this device until the server has it, and for looking at without it.
 *
 * @returns the hash it goes by, and whether it outlasts this page
 */
export async function shelve(blob: Blob): Promise<{ hash: string; kept: boolean }> {
  const hash = bytesToHex(sha256(new Uint8Array(await blob.arrayBuffer())))
  here.set(hash, blob)
  const kept = await keepPicture({ hash, bytes: await blob.arrayBuffer(), type: blob.type, sent: false, at: new Date().toISOString() }).then(
    () => true,
    () => false,
  )
  if (kept) here.delete(hash)
  return { hash, kept }
}

/** A picture as this device has it; undefined where only the server may. */
export async function pictureHere(hash: string): Promise<Blob | undefined> {
  const held = here.get(hash)
  if (held) return held
  const kept = await keptPicture(hash).catch(() => undefined)
  return kept && new Blob([kept.bytes], { type: kept.type })
}

/**
 * Sends the pictures of entries before the entries go: the server is not told of a picture it lacks.
 *
 * @throws Refused or Unreachable, as the server answers
 */
export async function sendPictures(entries: readonly Entry[]): Promise<void> {
  for (const entry of entries) {
    if (entry.type !== 'photo') continue
    const { hash } = entry.payload
    const kept = await keptPicture(hash).catch(() => undefined)
    const blob = here.get(hash) ?? (kept && !kept.sent ? new Blob([kept.bytes], { type: kept.type }) : undefined)
    if (!blob) continue
    await sendPhoto(blob)
    here.delete(hash)
    // not known to be sent it is sent again, which does no harm
    await pictureSent(hash, true).catch(() => undefined)
  }
}

/** The server lost an entry with a picture, or never had it: its picture goes again with it. */
export async function sendPictureAgain(entries: readonly Entry[]): Promise<void> {
  for (const entry of entries) if (entry.type === 'photo') await pictureSent(entry.payload.hash, false).catch(() => undefined)
}
