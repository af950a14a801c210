import { standing, type Entry } from '../casebook/index.ts'
import type { Catalogue, Danger } from './catalogue.ts'
import type { Stop } from './result.ts'

/**
 * Danger comes before any ranking: a danger complaint, or danger words in what anyone wrote, stops the case until an
 * entry says it was made safe.
 */
export function stopOf(catalogue: Catalogue, entries: readonly Entry[]): Stop | null {
  let stop: Stop | null = null
  for (const entry of standing(entries)) {
    if (entry.type === 'action' && entry.payload.action === 'madeSafe' && !entry.payload.undone) stop = null
    else stop = dangerIn(catalogue, entry) ?? stop
  }
  return stop
}

function dangerIn(catalogue: Catalogue, entry: Entry): Stop | null {
  const named = entry.type === 'complaint' ? catalogue.complaints.find((one) => one.id === entry.payload.what)?.danger : undefined
  const danger = catalogue.dangers.find((one) => one.id === named) ?? dangerousWords(catalogue.dangers, wordsOf(entry))
  return danger ? { danger: danger.id, label: danger.label, entry: entry.id, say: danger.say, act: danger.act } : null
}

/** Right before the danger word; anything looser would take "no hot water and the CO alarm" for a denial. */
const denied = /\b(no|not|never|without)\s+(any\s+)?$/i

/** The first danger whose words occur in a text; a plain denial ("no smell of gas") is not one. */
export function dangerousWords(dangers: readonly Danger[], text: string): Danger | undefined {
  return dangers.find((danger) =>
    danger.words.some((pattern) => {
      const match = pattern.exec(text)
      return match !== null && !denied.test(text.slice(0, match.index))
    }),
  )
}

function wordsOf(entry: Entry): string {
  if (entry.type === 'complaint') return entry.payload.words ?? ''
  if (entry.type === 'finding') return `${entry.payload.what} ${entry.payload.note ?? ''}`
  if (entry.type === 'reading') return entry.payload.note ?? ''
  return ''
}
