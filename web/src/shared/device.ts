import type { Case, NewCase } from '@dewpoint/contract'
import type { Entry } from '@dewpoint/core/casebook'
import { openDB, type DBSchema } from 'idb'

/** One thing still to be sent, in the order it was done. */
export type Unsent = { sequence?: number; kind: 'open'; caseId: string; body: NewCase } | { sequence?: number; kind: 'entry'; caseId: string; entry: Entry }

interface Device extends DBSchema {
  cases: { key: string; value: Case }
  unsent: { key: number; value: Unsent }
}

const device = openDB<Device>('dewpoint', 1, {
  upgrade(database) {
    database.createObjectStore('cases', { keyPath: 'id' })
    database.createObjectStore('unsent', { keyPath: 'sequence', autoIncrement: true })
  },
})

/** The copy of a case kept on this device. */
export const keptCase = async (id: string) => (await device).get('cases', id)

/** Keeps a case on this device. */
export const keepCase = async (one: Case) => void (await (await device).put('cases', one))

/** Notes something to be sent, before it is tried. */
export const noteUnsent = async (one: Unsent) => void (await (await device).add('unsent', one))

/** Everything still to be sent, oldest first. */
export const listUnsent = async () => (await device).getAll('unsent')

/** Forgets what was sent. */
export const forgetUnsent = async (sequence: number) => void (await (await device).delete('unsent', sequence))
