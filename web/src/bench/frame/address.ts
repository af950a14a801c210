import type { LocationQueryRaw, Router } from 'vue-router'

let before: Promise<unknown> = Promise.resolve()

/**
 * Writes into the address what a page shows, each part after the one before: two at once would take each other's words out again. Whoever has gone
 * to another page meanwhile writes nothing there.
 *
 * @param parts names with what they say; without a value a name is taken out
 */
export function tellAddress(router: Router, parts: LocationQueryRaw): Promise<unknown> {
  const { path } = router.currentRoute.value
  before = before
    .then(() => {
      const now = router.currentRoute.value
      return now.path === path ? router.replace({ query: { ...now.query, ...parts } }) : undefined
    })
    // an address that cannot be written says less, and loses nothing
    .catch(() => undefined)
  return before
}
