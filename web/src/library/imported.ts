import { readSystemFile, type LineProblem } from '@dewpoint/core/formats'
import type { BoilerSystem } from '@dewpoint/core/system'
import { catalogues } from '@dewpoint/trade'
import { ref, shallowRef } from 'vue'
import { recall, remember } from '../keeping/device/storage.ts'

const key = 'dewpoint.systems'

/** the device had no room for them: they last as long as the page */
export const notKept = ref(false)

/** Systems imported from files, kept on this device. */
export const imported = shallowRef<BoilerSystem[]>(restore())

function restore(): BoilerSystem[] {
  try {
    return JSON.parse(recall(key) ?? '[]') as BoilerSystem[]
  } catch {
    return []
  }
}

/** A stock system, a model, or an imported one. */
export function systemById(id: string): BoilerSystem | undefined {
  return catalogues[id]?.system ?? imported.value.find((one) => one.id === id)
}

/** Imports a system from the text of a file, or says line by line what is wrong with it. */
export function importSystem(text: string): { ok: true; system: BoilerSystem } | { ok: false; problems: LineProblem[] } {
  const stock = Object.fromEntries(Object.values(catalogues).map(({ system }) => [system.id, system]))
  const read = readSystemFile(text, stock)
  if (!read.ok) return read
  if (catalogues[read.system.id]) {
    const message = `id: “${read.system.id}” is a system that ships with Dewpoint. Give this one an id of its own.`
    return { ok: false, problems: [{ line: text.slice(0, text.indexOf(`"${read.system.id}"`)).split('\n').length, field: 'id', message }] }
  }
  imported.value = [...imported.value.filter((one) => one.id !== read.system.id), read.system]
  keep()
  return read
}

/** Removes an imported system from this device. */
export function removeSystem(id: string): void {
  imported.value = imported.value.filter((one) => one.id !== id)
  keep()
}

function keep(): void {
  notKept.value = !remember(key, JSON.stringify(imported.value))
}
