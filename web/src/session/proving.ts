import { shallowRef } from 'vue'
import { sendProof } from '../keeping/api.ts'

/** Whoever works here is asked to say once more that it is them: what to call with whether they did; null while nobody is asked. */
export const askedToProve = shallowRef<((proved: boolean) => void) | null>(null)
let asked: Promise<boolean> | null = null

/**
 * Has whoever works here say once more that it is them; several that ask at once are answered by one.
 *
 * @param madeUp somebody of the demo, who has nothing to say it with
 */
export function proveAgain(madeUp: boolean): Promise<boolean> {
  asked ??= prove(madeUp).finally(() => (asked = askedToProve.value = null))
  return asked
}

async function prove(madeUp: boolean): Promise<boolean> {
  if (madeUp) {
    const done = await sendProof('').catch(() => null)
    if (done) return true
  }
  return new Promise((done) => (askedToProve.value = done))
}
