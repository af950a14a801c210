/** a second press sooner than this is one with the first, in milliseconds */
const together = 450
/** the latest press: which, when its finger or key moved (not when it was come to: a busy device comes late to a press made in time), and whether the device itself calls it a second one */
const press = { count: 0, at: 0, again: false }
for (const kind of ['pointerdown', 'keydown'] as const)
  window.addEventListener(
    kind,
    (event) => {
      press.count++
      press.at = event.timeStamp
      press.again = 'repeat' in event && event.repeat
    },
    { capture: true },
  )
// the clicks of a double click count themselves, however late they arrive
window.addEventListener('click', (event) => (press.again ||= event.detail > 1), { capture: true })

/**
 * Tells a press that is meant from the second one of a double press: the very next press after one that was taken, and soon after it.
 * When anything else was pressed between them, a key or a place on the page, both are meant, however fast.
 */
export function doublePressGuard(): () => boolean {
  let taken = { count: -2, at: -Infinity }
  return () => {
    const { count, at, again } = press
    if (count <= taken.count + 1 && (again || at - taken.at < together)) {
      taken.count = count
      return false
    }
    taken = { count, at }
    return true
  }
}
