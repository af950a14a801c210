import type { NewCase } from '@dewpoint/contract'
import { byName, newEntry, type Entry, type EntryType, type Payload } from '@dewpoint/core/casebook'
import drawn from './photos/index.json' with { type: 'json' }

/** A case of the demo with its journal. */
export interface DemoCase {
  open: NewCase
  entries: Entry[]
}

export const engineer = 'Ines Quill'
export const office = 'Bo Larkspur'
export const minute = 60_000

/** A picture of the demo, drawn by us, as an entry shows it. */
export function photo(name: keyof typeof drawn, place?: string): Payload<'photo'> {
  return { ...drawn[name], type: 'image/jpeg', ...(place && { place }) }
}

/** A line of a journal: minutes from the call on, who wrote it, what. */
export type Line = { [T in EntryType]: [minutes: number, author: string, type: T, payload: Payload<T>] }[EntryType]

export function site(name: string, address: string, note: string, phone = '') {
  return { name, address, note, phone }
}

export function build(
  writer: Writer,
  at: number,
  place: ReturnType<typeof site>,
  label: string,
  installedOn: string,
  lines: Line[],
  system = 'premix-combi',
  controls = 'direct',
): DemoCase {
  return {
    open: {
      id: writer.id(at),
      openedAt: new Date(at).toISOString(),
      site: { id: writer.id(at), ...place },
      appliance: { id: writer.id(at), system, label, installedOn },
      controls,
      settings: {},
    },
    entries: lines.reduce<Entry[]>((seen, [minutes, author, type, payload]) => {
      const now = at + minutes * minute
      return [...seen, newEntry(type, payload, { id: writer.id(now), now, author: byName(author), seen })]
    }, []),
  }
}

/** Ids of one demo. */
export type Writer = ReturnType<typeof journalWriter>

/** UUIDs of version 7 from a time and a counter: the same demo gets the same ids. */
export function journalWriter() {
  let count = 0
  return {
    id(time: number): string {
      const stamp = Math.floor(time).toString(16).padStart(12, '0')
      const number = (++count).toString(16).padStart(12, '0')
      return `${stamp.slice(0, 8)}-${stamp.slice(8)}-7000-8000-${number}`
    },
  }
}
