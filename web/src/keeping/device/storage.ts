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
