/** a second press sooner than this is one with the first, in milliseconds */
const together = 450
let count = 0
for (const kind of ['pointerdown', 'keydown']) window.addEventListener(kind, () => count++, { capture: true })

/**
 * Tells a press that is meant from the second one of a double press: the very next press after one that was taken, and soon after it.
 * When anything else was pressed between them, a key or a place on the page, both are meant, however fast.
 */
export function doublePressGuard(): () => boolean {
  let taken = { count: -2, at: -Infinity }
  return () => {
    const now = performance.now()
    if (count <= taken.count + 1 && now - taken.at < together) return false
    taken = { count, at: now }
    return true
  }
}
