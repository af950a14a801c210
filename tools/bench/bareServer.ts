import Fastify from 'fastify'
import { createPool } from 'mysql2/promise'

/** The least a server can do that keeps an entry: one route, one table, one insert, no check of anything. What ours is measured against. */
const pool = createPool({ uri: process.env.DATABASE_URL!, connectionLimit: 8 })
await pool.query(
  'create table if not exists bare_entries (sequence bigint auto_increment primary key, id char(36) not null unique, case_id char(36) not null, body json not null)',
)
const app = Fastify()
app.post<{ Params: { id: string }; Body: { entries: { id: string }[] } }>('/api/cases/:id/entries', async ({ params, body }) => {
  for (const entry of body.entries)
    await pool.execute('insert into bare_entries (id, case_id, body) values (?, ?, ?)', [entry.id, params.id, JSON.stringify(entry)])
  return { kept: body.entries.map((one) => one.id) }
})
await app.listen({ host: '127.0.0.1', port: Number(process.env.PORT) })
process.once('SIGTERM', () => void app.close().then(() => pool.end()))
