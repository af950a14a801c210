import type { Passkeys, Session } from '@dewpoint/contract'
import { sendPasskeyMade, sendPasskeyOffer, sendPasskeyProof, sendPasskeyUsed, sendUseOffer } from '../keeping/api.ts'

/** What the device, not the server, had against it, in words. */
export class PasskeyTrouble extends Error {}

/** a number is no name: at such an address browsers make no passkey */
const isNumber = (host: string) => /^(\d{1,3}\.){3}\d{1,3}$|^\[/.test(host)

/** Whether this browser can make and use passkeys at this address. */
export const canPasskeys = (host = location.hostname): boolean => 'PublicKeyCredential' in window && !isNumber(host)

/** Where Dewpoint can be opened for passkeys to work, when it is open on this machine by a number; null elsewhere. */
export const byName = ({ hostname, port, protocol } = location): string | null =>
  hostname === '127.0.0.1' || hostname === '[::1]' ? `${protocol}//localhost${port ? `:${port}` : ''}` : null

/** Makes a passkey on this device for whoever works here. */
export async function makePasskey(label: string): Promise<Passkeys> {
  const { options } = await sendPasskeyOffer()
  const { startRegistration } = await import('@simplewebauthn/browser')
  const answer = await asked(startRegistration({ optionsJSON: options as never }))
  return sendPasskeyMade({ label, answer })
}

/** Signs in with a passkey this device, or one beside it, has. */
export const usePasskey = async (label: string): Promise<Session> => sendPasskeyUsed({ label, answer: await signed() })

/** Says with a passkey that it is still whoever is signed in. */
export const proveWithPasskey = async () => sendPasskeyProof({ answer: await signed() })

async function signed() {
  const { options } = await sendUseOffer()
  const { startAuthentication } = await import('@simplewebauthn/browser')
  return asked(startAuthentication({ optionsJSON: options as never }))
}

/** What the device answers, or why it did not. Source: W3C, "Web Authentication: Level 3", 5.1.3 and 5.1.4, the errors by name. */
async function asked<T>(question: Promise<T>): Promise<T> {
  try {
    return await question
  } catch (error) {
    const { name } = error as Error
    if (name === 'InvalidStateError') throw new PasskeyTrouble('This device has a passkey of yours already.')
    if (name === 'NotAllowedError' || name === 'AbortError')
      throw new PasskeyTrouble('The device did not do it: it was called off, took too long, or has none for Dewpoint.')
    throw new PasskeyTrouble('This device cannot do it. A pass phrase works.')
  }
}
