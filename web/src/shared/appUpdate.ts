import { readonly, ref } from 'vue'

/** What is known of a newer build: one that waits to be used, or one another tab of this browser went over to. */
type Newer = 'none' | 'waiting' | 'elsewhere'

const newer = ref<Newer>('none')
/** a newer build is looked for at most this often, ms */
const often = 30 * 60_000
let waiting: ServiceWorker | null = null
let asked = false

/**
 * Lets the application start and work without a network, and takes a newer build over when somebody says so, never under their hands.
 * Where the browser allows no service worker, the application works as far as it is fetched.
 */
export async function keepApplication(): Promise<void> {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return
  const hadOne = navigator.serviceWorker.controller !== null
  navigator.serviceWorker.addEventListener('controllerchange', () => {
    if (asked) window.location.reload()
    else if (hadOne) newer.value = 'elsewhere'
  })
  const registration = await navigator.serviceWorker.register('/sw.js')
  const look = () => {
    waiting = registration.waiting
    if (waiting && navigator.serviceWorker.controller) newer.value = 'waiting'
  }
  look()
  registration.addEventListener('updatefound', () => registration.installing?.addEventListener('statechange', look))
  let last = Date.now()
  document.addEventListener('visibilitychange', () => {
    if (document.visibilityState !== 'visible' || Date.now() - last < often) return
    last = Date.now()
    registration.update().catch(() => undefined)
  })
}

/** A newer build, and going over to it. */
export function useNewer() {
  return {
    newer: readonly(newer),
    goOver: () => {
      asked = true
      if (newer.value === 'waiting' && waiting) waiting.postMessage({ type: 'SKIP_WAITING' })
      else window.location.reload()
    },
  }
}
