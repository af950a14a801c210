import type { DatabaseState } from '@dewpoint/contract'

/** What a failure of the database means for whoever asked. */
export interface Failure {
  state: Exclude<DatabaseState, 'ok'>
  /** the same work, begun anew at once, may well succeed */
  again: boolean
}

const away: Failure = { state: 'unreachable', again: false }
const lost: Failure = { state: 'unreachable', again: true }
const busy: Failure = { state: 'busy', again: false }
const contended: Failure = { state: 'busy', again: true }
const readOnly: Failure = { state: 'readOnly', again: false }
const full: Failure = { state: 'full', again: false }

/** Failures by the number of the server. Source: MariaDB Knowledge Base, "MariaDB Error Codes". */
const byNumber: Record<number, Failure> = {
  1205: contended, // lock wait timeout
  1213: contended, // deadlock; on a cluster also a commit that met another
  1020: contended, // the row has changed since it was read
  1047: lost, // a cluster's node that is not ready: the next connection may reach another
  1053: lost, // the server is going down
  1927: lost, // the connection was killed
  1152: lost, // the connection was aborted
  1158: lost, // a packet could not be read
  1159: lost,
  1160: lost,
  1161: lost,
  1040: busy, // too many connections
  1203: busy, // too many connections of one user
  1226: busy, // a resource of the user is used up
  1317: busy, // the query was interrupted
  1969: busy, // the statement took too long
  1037: busy, // out of memory
  1041: busy,
  1290: readOnly, // running with an option that takes no writes
  1792: readOnly,
  1836: readOnly,
  1021: full, // the disk is full
  1114: full, // the table is full
  1044: away, // not let in: wrong user, password or database
  1045: away,
  1049: away,
  1130: away,
}

/** Failures by the name the client library or the system gives them. */
const byCode: Record<string, Failure> = {
  ECONNREFUSED: away,
  EHOSTUNREACH: away,
  ENETUNREACH: away,
  ENOTFOUND: away,
  EAI_AGAIN: away,
  ETIMEDOUT: away,
  ECONNRESET: lost,
  EPIPE: lost,
  PROTOCOL_CONNECTION_LOST: lost,
  PROTOCOL_ENQUEUE_AFTER_FATAL_ERROR: lost,
  PROTOCOL_SEQUENCE_TIMEOUT: busy,
  POOL_EXHAUSTED: busy,
}

/** What failed, where it was the database; null for a mistake of our own. */
export function failureOf(error: unknown): Failure | null {
  for (let one = error, depth = 0; typeof one === 'object' && one !== null && depth < 4; one = (one as { cause?: unknown }).cause, depth++) {
    const { errno, code, fatal } = one as { errno?: unknown; code?: unknown; fatal?: unknown }
    const known = (typeof errno === 'number' ? byNumber[errno] : undefined) ?? (typeof code === 'string' ? byCode[code] : undefined)
    if (known) return known
    // the library marks what ends a connection; what is left of it is answered with this as well
    if (fatal === true) return lost
  }
  return null
}

const attempts = 4
const firstPause = 40

/**
 * Does work that may be done twice without harm again when the database says it should be, three times at most, with growing pauses.
 * Only for reads and for transactions as a whole: every write of ours is idempotent by the ids it carries.
 */
export async function retried<T>(work: () => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await work()
    } catch (error) {
      if (attempt === attempts || !failureOf(error)?.again) throw error
      await new Promise((rest) => setTimeout(rest, firstPause * 2 ** attempt))
    }
  }
}
