/** What the database of a server can do now. */
export type DatabaseState = 'ok' | 'unreachable' | 'busy' | 'readOnly' | 'full'

/** Whether the server can take entries. */
export interface Health {
  status: 'ok' | 'degraded'
  database: DatabaseState
}
