/**
 * The browser's small store. It may be shut, or full: then a choice lasts as long as the page, and what somebody would miss says so.
 */
const here = new Map<string, string>()

/** What was kept under a name, or null. */
export function recall(key: string): string | null {
  try {
    return here.get(key) ?? localStorage.getItem(key)
  } catch {
    return here.get(key) ?? null
  }
}

/** Keeps a text under a name. @returns whether it outlasts the page */
export function remember(key: string, text: string): boolean {
  try {
    localStorage.setItem(key, text)
    here.delete(key)
    return true
  } catch {
    here.set(key, text)
    return false
  }
}

/** Keeps nothing more under a name. */
export function forget(key: string): void {
  here.delete(key)
  try {
    localStorage.removeItem(key)
  } catch {
    // a store that is shut holds nothing
  }
}

/** Every name something is kept under that begins so. */
export function named(beginning: string): string[] {
  const names = [...here.keys()]
  try {
    for (let index = 0; index < localStorage.length; index++) names.push(localStorage.key(index)!)
  } catch {
    // a store that is shut holds nothing
  }
  return [...new Set(names)].filter((one) => one.startsWith(beginning))
}
