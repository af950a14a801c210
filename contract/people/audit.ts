import type { Person } from '@dewpoint/core/casebook'

/** What somebody did with data of the firm or of its customers. */
export const auditKinds = ['read', 'changed', 'signedIn', 'signedOut', 'refused', 'people', 'device', 'exported', 'erased'] as const
export type AuditKind = (typeof auditKinds)[number]

/** One line of who did what. Reads of the same by the same are told once an hour. */
export interface AuditLine {
  id: string
  at: string
  /** null where nobody was signed in */
  person: Person | null
  device: string
  kind: AuditKind
  /** of what: case, place, list, boiler, picture, report, settings, parts, person, device */
  of: string
  /** its id, where it has one */
  subject: string
  /** its name, where it has one */
  about: string
}

/** A stretch of the record, newest first. */
export interface AuditList {
  lines: AuditLine[]
  next: string | null
}

/** What the record is asked for. */
export interface AuditQuery {
  person?: string
  about?: string
  before?: string
}
