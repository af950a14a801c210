/** Fetches what a case needs of the application before somebody opens one; without signal it is fetched when it is needed. */
export function fetchAhead(): void {
  const fetch = () => void import('../case/CasePage.vue').catch(() => undefined)
  if ('requestIdleCallback' in window) window.requestIdleCallback(fetch, { timeout: 2000 })
  else setTimeout(fetch, 300)
}
