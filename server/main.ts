import { readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { roles, type Member, type Role } from '@dewpoint/contract'
import { byName } from '@dewpoint/core/casebook'
import { buildApp } from './app.ts'
import { connect, failureOf, migrateDatabase, MigrationBroken } from './database/index.ts'
import { fingerprint } from './gate/index.ts'
import { newCode } from './session/codes.ts'
import { addMadeUp, isFirst, keepCode } from './session/queries.ts'
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
const demo = settings.demoPeople === undefined ? [] : madeUp(settings.demoPeople)
await addMadeUp(database, demo, new Date())
const app = await buildApp({
  database,
  webFolder: resolve(env.WEB_FOLDER ?? 'web/dist'),
  hosts: settings.hosts,
  requestsPerMinute: settings.requestsPerMinute,
  publicAddress: settings.publicAddress,
  proxies: settings.proxies,
  demo,
  logger: { level: env.LOG_LEVEL ?? 'info' },
})
running.stop = () => app.close().then(() => database.close())
await app.listen({ host: settings.host, port: settings.port }).catch((error: NodeJS.ErrnoException) => {
  console.error(error.code === 'EADDRINUSE' ? `Port ${settings.port} is in use by another program. Choose another with PORT.` : error.message)
  process.exit(wrongSettings)
})

if (settings.publicAddress !== undefined && settings.proxies.length === 0)
  console.error(
    'TRUSTED_PROXIES is not set: to this server everybody comes from the proxy, and one who guesses pass phrases slows everybody down. Name the proxy.',
  )
if (demo.length === 0 && (await isFirst(database))) {
  // whoever reads this terminal is the owner: nobody else can be
  const code = newCode()
  const now = new Date()
  await keepCode(database, fingerprint(code), null, now, new Date(now.getTime() + 7 * 86_400_000))
  console.log(
    `\nNobody can sign in yet. Open ${settings.publicAddress ?? `http://127.0.0.1:${settings.port}`} and begin as the owner with this code:\n\n    ${code}\n\nIt is used once. Starting again prints another.\n`,
  )
}

/** The people of a demo, by the file that names them. */
function madeUp(file: string): Member[] {
  const list = JSON.parse(readFileSync(file, 'utf8')) as { name: string; role: Role }[]
  return list.flatMap(({ name, role }) => (roles.includes(role) ? [{ ...byName(name), role }] : []))
}

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
