import { ref } from 'vue'
import { recall, remember } from '../../keeping/device/storage.ts'
import { me } from '../../keeping/who.ts'
import { hasPin } from './pins.ts'

const key = 'dewpoint.used'
/** left alone for so long, ms, whoever has a PIN is asked for it */
const idle = 10 * 60_000
const often = 15_000

/** The screen is covered until somebody says by PIN who they are. What is typed stays. */
export const locked = ref(false)

const now = () => Date.now()
let noted = 0

/** Somebody is at work. */
function used(): void {
  if (locked.value || now() - noted < often) return
  noted = now()
  remember(key, String(noted))
}

/** Whether it was left alone too long. A clock that was set back counts as long. */
function look(): void {
  if (!me.value || !hasPin(me.value.id)) return
  const since = now() - Number(recall(key) ?? '0')
  if (since > idle || since < -often) locked.value = true
}

/** Covers the screen at once. */
export const lockNow = (): void => {
  if (me.value && hasPin(me.value.id)) locked.value = true
}

/** Somebody said who they are. */
export function unlock(): void {
  locked.value = false
  noted = 0
  used()
}

/** Watches whether this device is left alone. */
export function watchOver(): void {
  look()
  used()
  for (const sign of ['pointerdown', 'keydown'] as const) window.addEventListener(sign, () => (look(), used()), { capture: true, passive: true })
  document.addEventListener('visibilitychange', () => document.visibilityState === 'visible' && look())
}
