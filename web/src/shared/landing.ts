let within = false

/** Somebody goes from one view to another within the application: a page that was loaded begins at its top, as any page does. */
export function goneWithin(): void {
  within = true
}

/** Puts the focus where the work is, after somebody went to another view. Whoever is in a field or a sheet by then stays there. */
export function land(): void {
  const at = document.activeElement
  if (!within || (at && at !== document.body && !at.closest('header.bar'))) return
  const work = document.querySelector('main')
  if (!work) return
  work.tabIndex = -1
  work.focus({ preventScroll: true })
}
