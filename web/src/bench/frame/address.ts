import type { LocationQueryRaw, Router } from 'vue-router'

let before: Promise<unknown> = Promise.resolve()
/** somebody is on the way to another page, which may take a moment to be fetched: an address written now would call them back */
let leaving = false
const watched = new WeakSet<Router>()

/** A page that tells its address watches from its beginning who leaves it. */
export function watchAddress(router: Router): void {
  if (watched.has(router)) return
  watched.add(router)
  router.beforeEach((to, from) => {
    leaving = to.path !== from.path
  })
  router.afterEach(() => {
    leaving = false
  })
  router.onError(() => {
    leaving = false
  })
}

/**
 * Writes into the address what a page shows, each part after the one before: two at once would take each other's words out again. Whoever has gone
 * to another page meanwhile, or is on the way, writes nothing there.
 *
 * @param parts names with what they say; without a value a name is taken out
 */
export function tellAddress(router: Router, parts: LocationQueryRaw): Promise<unknown> {
  watchAddress(router)
  const { path } = router.currentRoute.value
  before = before
    .then(() => {
      const now = router.currentRoute.value
      return now.path === path && !leaving ? router.replace({ query: { ...now.query, ...parts } }) : undefined
    })
    // an address that cannot be written says less, and loses nothing
    .catch(() => undefined)
  return before
}
