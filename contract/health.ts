/** Whether the server and its database answer. */
export interface Health {
  status: 'ok' | 'degraded'
  database: 'ok' | 'unreachable'
}
