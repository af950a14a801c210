// npm run restore -- FILE: puts a backup in the place of everything entered, also one of an older version.
import { build } from '../build.mjs'
import { ask, countOf, loadInto, verify, withDatabase } from './dump.mjs'
import { ensureInstalled } from '../prepare.mjs'
import { Advice, bin, command, run, say } from '../run.mjs'

const args = process.argv.slice(2)

await command(async () => {
  const [file, ...rest] = args.filter((one) => one !== '--yes')
  if (!file || rest.length > 0) throw new Advice('Say which: npm run restore -- FILE')
  await verify(file)
  await ensureInstalled(...(process.env.DATABASE_URL ? [] : ['mariadb-server']))
  await build()
  await withDatabase(async (database) => {
    const present = await countOf(database)
    if (present.cases > 0 && !args.includes('--yes'))
      throw new Advice(
        `The database holds ${present.cases} cases with ${present.entries} entries; the backup would take their place.\n` +
          `Back them up first (npm run backup -- OTHER-FILE), then say so: npm run restore -- ${file} --yes`,
      )
    // loaded and brought up to date beside the present data, which stays untouched until all of it is there
    const beside = { ...database, name: `${database.name}_restored` }
    const before = `${database.name}_before`
    await create(database, beside.name)
    await loadInto(beside, file)
    await run(bin('tsx'), ['server/database/migrateOnly.ts'], { env: { DATABASE_URL: addressOf(database, beside.name) } })
    const restored = await countOf(beside)
    await create(database, before)
    const [old, fresh] = [await tablesOf(database), await tablesOf(beside)]
    const moves = [...old.map((one) => [database.name, before, one]), ...fresh.map((one) => [beside.name, database.name, one])]
    if (moves.length > 0)
      await ask(
        database,
        `set foreign_key_checks = 0;\nrename table ${moves.map(([from, to, table]) => `\`${from}\`.\`${table}\` to \`${to}\`.\`${table}\``).join(', ')};`,
      )
    await ask(database, `drop database \`${beside.name}\``)
    say(`restored ${restored.cases} cases with ${restored.entries} entries from ${file}`)
    if (present.cases > 0) say(`what was there before stands in the database ${before} until the next restore`)
  })
})

async function create(database, name) {
  await ask(database, `drop database if exists \`${name}\`;\ncreate database \`${name}\` character set utf8mb4 collate utf8mb4_unicode_ci;`).catch((error) => {
    throw new Advice(`The user of DATABASE_URL may not make the database ${name} that a restore needs. Nothing was changed.\n${error.message}`)
  })
  if (database.socket) await ask(database, `grant all on \`${name}\`.* to 'dewpoint'@'127.0.0.1'`)
}

async function tablesOf(database) {
  return (await ask(database, `show tables from \`${database.name}\``)).split('\n').filter((one) => one !== '')
}

function addressOf(database, name) {
  const url = new URL(database.url)
  url.pathname = `/${encodeURIComponent(name)}`
  return url.href
}
