import { pbkdf2Async } from '@noble/hashes/pbkdf2.js'
import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex, hexToBytes, randomBytes } from '@noble/hashes/utils.js'
import { forget, recall, remember } from '../../keeping/device/storage.ts'

/**
 * A PIN keeps colleagues apart who share a telephone. It is checked on the device, so it works without the server; it is no pass phrase: whoever
 * can take the browser’s store apart is not kept out by it.
 */
interface Kept {
  salt: string
  hash: string
  wrong: number
}

/** Source: OWASP Password Storage Cheat Sheet, PBKDF2 with SHA-256; fewer rounds, for the sake of old telephones: ten thousand PINs are tried anyhow */
const rounds = 20_000
/** wrong ones in a row, and the pass phrase is asked for */
const most = 5
const keyOf = (person: string) => `dewpoint.pin.${person}`

/** What a PIN looks like. */
export const isPin = (text: string) => /^\d{4,8}$/.test(text)

function keptOf(person: string): Kept | null {
  try {
    const one = JSON.parse(recall(keyOf(person)) ?? 'null') as Kept | null
    return one && typeof one.salt === 'string' && typeof one.hash === 'string' && typeof one.wrong === 'number' ? one : null
  } catch {
    return null
  }
}

const hashOf = async (pin: string, salt: string) => bytesToHex(await pbkdf2Async(sha256, pin, hexToBytes(salt), { c: rounds, dkLen: 32 }))

/** Whether somebody has a PIN on this device. */
export const hasPin = (person: string): boolean => keptOf(person) !== null

/** Whether the PIN was wrong too often: then only the pass phrase helps. */
export const isSpent = (person: string): boolean => (keptOf(person)?.wrong ?? 0) >= most

/** Gives somebody a PIN on this device. */
export async function setPin(person: string, pin: string): Promise<void> {
  const salt = bytesToHex(randomBytes(16))
  remember(keyOf(person), JSON.stringify({ salt, hash: await hashOf(pin, salt), wrong: 0 }))
}

/** Takes somebody’s PIN from this device. */
export const dropPin = (person: string): void => forget(keyOf(person))

/** Whether it is the PIN; a wrong one is counted before it is looked at. */
export async function isPinOf(person: string, pin: string): Promise<boolean> {
  const kept = keptOf(person)
  if (!kept || kept.wrong >= most) return false
  remember(keyOf(person), JSON.stringify({ ...kept, wrong: kept.wrong + 1 }))
  if ((await hashOf(pin, kept.salt)) !== kept.hash) return false
  remember(keyOf(person), JSON.stringify({ ...kept, wrong: 0 }))
  return true
}
