import type { Case, NewCase, PresentCase } from '@dewpoint/contract'
import { append, type Entry, type FieldProblem } from '@dewpoint/core/casebook'
import { openDB, type DBSchema, type IDBPDatabase, type IDBPObjectStore } from 'idb'

/** Why something waits: to be sent, or because the server would not take it and somebody has to look. */
export type Standing =
  | { state?: 'waiting' }
  | {
      state: 'refused'
      /** the name of the problem, and what it said */
      problem: string
      why: string
      fields?: FieldProblem[]
      /** what the server has under the same ids */
      present?: PresentCase
    }
  | { state: 'conflict'; why: string; theirs: Entry }

/** One thing done here that the server is not known to keep. */
export type Unsent = { sequence?: number; caseId: string } & ({ kind: 'open'; body: NewCase } | { kind: 'entry'; entry: Entry }) & Standing

/** A case as it is kept here: and when it was last the same as the server's. */
export interface KeptCase extends Case {
  keptAt?: string
}

/** A picture on this device: sent ones are kept a while for looking at without the server. */
export interface KeptPicture {
  hash: string
  bytes: ArrayBuffer
  type: string
  sent: boolean
  at: string
}

interface Device extends DBSchema {
  cases: { key: string; value: KeptCase }
  unsent: { key: number; value: Unsent }
  /** answers of the server worth having without it, by what was asked */
  answers: { key: string; value: { asked: string; answer: unknown; at: string } }
  pictures: { key: string; value: KeptPicture }
}

/** The device will not keep anything now: no room, not allowed, or an older page in the way. */
export class DeviceRefused extends Error {}

/** an older page that is open elsewhere may keep the store shut; after this long, ms, work goes on without it */
const patience = 4000
let opening: Promise<IDBPDatabase<Device>> | null = null

function device(): Promise<IDBPDatabase<Device>> {
  if (opening) return opening
  const mine = open().catch((error: unknown) => {
    if (opening === mine) opening = null
    throw error
  })
  opening = mine
  return mine
}

async function open(): Promise<IDBPDatabase<Device>> {
  let timer = 0
  try {
    // a browser that lets nothing be kept refuses at once: then there is nothing to be patient with
    const opened = openDB<Device>('dewpoint', 3, {
      upgrade(database, from) {
        if (from < 1) {
          database.createObjectStore('cases', { keyPath: 'id' })
          database.createObjectStore('unsent', { keyPath: 'sequence', autoIncrement: true })
        }
        if (from < 2) database.createObjectStore('answers', { keyPath: 'asked' })
        if (from < 3) database.createObjectStore('pictures', { keyPath: 'hash' })
      },
      // a newer page wants to change the store: out of its way
      blocking: (_current, _blocked, event) => {
        ;(event.target as IDBDatabase).close()
        opening = null
      },
      terminated: () => (opening = null),
    })
    const shut = new Promise<never>((_done, fail) => {
      timer = window.setTimeout(() => fail(new DeviceRefused('Dewpoint is open in another tab in an older version. Close that tab.')), patience)
    })
    return await Promise.race([opened, shut])
  } finally {
    window.clearTimeout(timer)
  }
}

/** Does something with the store; whatever goes wrong comes out as one kind of error, in words. */
async function using<T>(work: (database: IDBPDatabase<Device>) => Promise<T>): Promise<T> {
  try {
    return await work(await device())
  } catch (error) {
    if (error instanceof DeviceRefused) throw error
    if ((error as { name?: string }).name === 'InvalidStateError') opening = null
    const full = (error as { name?: string }).name === 'QuotaExceededError'
    throw new DeviceRefused(full ? 'This device has no room left.' : 'This browser does not let Dewpoint save anything.')
  }
}

/** Ends a transaction of which part failed; one that is over already is left alone. */
function abort(tx: { abort(): void }): void {
  try {
    tx.abort()
  } catch {
    // it ended by itself
  }
}

/** Changes one of the stores, whole or not at all. */
const changing = <S extends 'cases' | 'unsent' | 'pictures', T>(
  name: S,
  work: (store: IDBPObjectStore<Device, [S], S, 'readwrite'>) => Promise<T>,
): Promise<T> =>
  using(async (database) => {
    const tx = database.transaction(name, 'readwrite')
    // what fails inside ends the whole: its error is the one that is told
    tx.done.catch(() => undefined)
    try {
      const result = await work(tx.store)
      await tx.done
      return result
    } catch (error) {
      if (!tx.error) abort(tx)
      throw error
    }
  })

/** The copy of a case kept on this device. */
export const keptCase = (id: string) => using((database) => database.get('cases', id))

/** Every case kept on this device, newest first. */
export const keptCases = () => using(async (database) => (await database.getAll('cases')).sort((a, b) => (a.openedAt < b.openedAt ? 1 : -1)))

/** set once this page emptied the device: what was asked for before and is answered late is not kept any more */
let emptied = false
/** Somebody signed in on this device: it keeps things again. */
export const keepAgain = () => void (emptied = false)

/** Keeps a case as it is known now, with whatever this device has of it besides: another page may have written meanwhile. */
export const mergeCase = (one: KeptCase) =>
  changing('cases', async (store) => {
    if (emptied) return
    const present = await store.get(one.id)
    await store.put({
      ...present,
      ...one,
      entries: append(one.entries, present?.entries ?? []).entries,
      received: { ...present?.received, ...one.received },
    })
  })

/** Changes the kept copy of a case, if there is one; null takes it off the device. */
export const changeKept = (id: string, change: (one: KeptCase) => KeptCase | null) =>
  changing('cases', async (store) => {
    const present = await store.get(id)
    const next = present ? change(present) : null
    if (next) await store.put(next)
    else if (present) await store.delete(id)
  })

/** Notes things to be sent, before they are tried: all of them or none. @returns them with their place in the order */
export const noteUnsent = (list: Unsent[]) =>
  changing('unsent', async (store) => {
    const noted: Unsent[] = []
    for (const one of list) noted.push({ ...one, sequence: await store.add(one) })
    return noted
  })

/** Everything the server is not known to keep, oldest first. */
export const listUnsent = () => using((database) => database.getAll('unsent'))

/** Writes down what became of something unsent. */
export const changeUnsent = (one: Unsent) => using((database) => database.put('unsent', one))

/** Forgets what the server keeps, or what somebody gave up. */
export const forgetUnsent = (sequences: number[]) =>
  changing('unsent', async (store) => {
    for (const one of sequences) await store.delete(one)
  })

/** Keeps an answer of the server for when it is away. */
export const keepAnswer = (asked: string, answer: unknown, at: string) =>
  using(async (database) => void (emptied || (await database.put('answers', { asked, answer, at }))))

/** The answer kept to a question, or undefined. */
export const keptAnswer = async <T>(asked: string): Promise<T | undefined> =>
  using(async (database) => (await database.get('answers', asked))?.answer as T | undefined)

/** Lets go of every case, answer and picture, but of cases that something unsent belongs to. */
export async function letGoOfAll(needed: ReadonlySet<string>, pictures: ReadonlySet<string>): Promise<void> {
  const database = await device()
  const tx = database.transaction(['cases', 'answers', 'pictures'], 'readwrite')
  const [cases, shelf] = [tx.objectStore('cases'), tx.objectStore('pictures')]
  for (const id of await cases.getAllKeys()) if (!needed.has(id)) await cases.delete(id)
  for (const hash of await shelf.getAllKeys()) if (!pictures.has(hash)) await shelf.delete(hash)
  await tx.objectStore('answers').clear()
  await tx.done
}

/** Empties this device: cases, answers, pictures, and what was to be sent. */
export async function emptyDevice(): Promise<void> {
  emptied = true
  const database = await device()
  const tx = database.transaction(['cases', 'unsent', 'answers', 'pictures'], 'readwrite')
  await Promise.all([...(['cases', 'unsent', 'answers', 'pictures'] as const).map((name) => tx.objectStore(name).clear()), tx.done])
}

/** Keeps a picture; one that is here already stays as it stands. */
export const keepPicture = (picture: KeptPicture) =>
  changing('pictures', async (store) => {
    if (!emptied && !(await store.get(picture.hash))) await store.put(picture)
  })

/** A picture kept here, or undefined. */
export const keptPicture = (hash: string) => using((database) => database.get('pictures', hash))

/** Writes down whether the server has a picture. */
export const pictureSent = (hash: string, sent: boolean) =>
  changing('pictures', async (store) => {
    const present = await store.get(hash)
    if (present) await store.put({ ...present, sent })
  })

/** Lets go of pictures the server has that were taken before a moment, ISO 8601. */
export const dropSentPictures = (before: string) =>
  changing('pictures', async (store) => {
    for (const one of await store.getAll()) if (one.sent && one.at < before) await store.delete(one.hash)
  })
