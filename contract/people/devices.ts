import { check, outOfBounds, type Bounds, type Entry, type Parsed } from '@dewpoint/core/casebook'
import { array, boolean, mixed, object } from 'yup'
import type { NewCase } from '../cases/case.ts'
import { readingOf, type Member } from './signIn.ts'

/** A device somebody is or was signed in on. */
export interface DeviceLine {
  id: string
  label: string
  /** it is the one that asks */
  here: boolean
  people: Member[]
  madeAt: string
  seenAt: string
  /** when it was signed out from afar; null where it was not */
  endedAt: string | null
  /** when it came by after that and emptied itself; null where it did not yet */
  wipedAt: string | null
}

/** Devices, the one used last first. */
export interface Devices {
  devices: DeviceLine[]
}

/** What a device that was signed out from afar had not sent yet: handed in before it emptied itself. */
export interface HandedIn {
  id: string
  device: string
  receivedAt: string
  entries: number
  openings: number
}

/** All of it that nobody has looked through. */
export interface HandIns {
  handIns: HandedIn[]
}

/** What came of putting in what was handed in. */
export interface HandInSettled {
  kept: number
  /** what the server would not take, in words */
  refused: string[]
}

/** one thing handed in: a case that was opened, or an entry of a case */
export type HandInItem = { kind: 'open'; body: NewCase } | { kind: 'entry'; caseId: string; entry: Entry }

const handInBounds: Bounds = { depth: 16, values: 60_000, text: 2000, list: 400, fields: 40 }
const handInSchema = object({ items: array(mixed<object>().required()).max(400).required() })
  .noUnknown()
  .strict()

/** Reads what is handed in as it is: whether each would pass is looked at by whoever puts it in. */
export function readHandIn(input: unknown): Parsed<{ items: object[] }> {
  const large = outOfBounds(input ?? {}, handInBounds)
  return large ? { ok: false, problems: [large] } : check(() => handInSchema.validateSync(input ?? {}, { abortEarly: false }), '')
}

const settleSchema = object({ take: boolean().required() }).noUnknown().strict()
/** Reads whether it is put in, or given up. */
export const readSettle = readingOf(settleSchema)
