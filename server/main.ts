import { resolve } from 'node:path'
import { buildApp } from './app.ts'
import { renewDerived } from './cases/queries.ts'
import { connect, failureOf, migrateDatabase, MigrationBroken } from './database/index.ts'
import { readSettings } from './settings.ts'

/** what cannot be mended by starting again */
const wrongSettings = 2
const brokenDatabase = 3
/** milliseconds to wait for a database that is still starting, and between two tries */
const patience = 90_000
const longestPause = 5000

const { env } = process
const settings = readSettings(env)
if ('refused' in settings) {
  console.error(settings.refused)
  process.exit(wrongSettings)
}

let stopping = false
for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.once(signal, () => {
    stopping = true
    if (!running.stop) process.exit(0)
    running.stop().finally(() => process.exit(0))
  })
}
const running: { stop?: () => Promise<unknown> } = {}

await bringUpToDate(settings.databaseUrl)
const database = connect(settings.databaseUrl)
await renewDerived(database)
const app = await buildApp({
  database,
  webFolder: resolve(env.WEB_FOLDER ?? 'web/dist'),
  hosts: settings.hosts,
  requestsPerMinute: settings.requestsPerMinute,
  logger: { level: env.LOG_LEVEL ?? 'info' },
})
running.stop = () => app.close().then(() => database.close())
await app.listen({ host: settings.host, port: settings.port }).catch((error: NodeJS.ErrnoException) => {
  console.error(error.code === 'EADDRINUSE' ? `Port ${settings.port} is in use by another program. Choose another with PORT.` : error.message)
  process.exit(wrongSettings)
})

/** Changes of tables, as soon as the database answers. */
async function bringUpToDate(url: string): Promise<void> {
  const began = Date.now()
  for (let pause = 250; ; pause = Math.min(pause * 2, longestPause)) {
    try {
      await migrateDatabase(url, resolve(env.MIGRATIONS ?? 'server/database/migrations'))
      return
    } catch (error) {
      if (error instanceof MigrationBroken) {
        console.error(error.message)
        process.exit(brokenDatabase)
      }
      if (stopping) process.exit(0)
      if (!failureOf(error) || Date.now() - began > patience) {
        console.error(`The database cannot be used: ${(error as Error).message}`)
        process.exit(failureOf(error) ? 1 : brokenDatabase)
      }
      console.error(`· waiting for the database (${(error as { code?: string }).code ?? 'not ready'})`)
      await new Promise((rest) => setTimeout(rest, pause))
    }
  }
}
