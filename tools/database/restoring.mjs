// Putting a backup in the place of what is there, with the changes since it up to a moment where that is asked for.
import { spawn } from 'node:child_process'
import { createReadStream, existsSync, readdirSync, readFileSync, appendFileSync } from 'node:fs'
import { join } from 'node:path'
import { createGunzip } from 'node:zlib'
import { ask, countOf, loadInto } from './dump.mjs'
import { changesFolder } from './mariadb.mjs'
import { asTyped } from './moment.mjs'
import { Advice, bin, run } from '../run.mjs'

/** tells when each restore began, and from which file on the changes follow from what it restored */
const beginnings = 'restored'

/**
 * Loads a backup beside the present data, which stays untouched until all of it is there, brings it up to date and changes over.
 *
 * @param options.yes whether what is there may be put aside
 * @param options.until a moment after the backup, up to which the changes since are taken in; the backup alone without it
 */
export async function restoreFrom(database, file, { yes = false, until = null } = {}) {
  const present = await countOf(database)
  if (present.cases > 0 && !yes)
    throw new Advice(
      `The database holds ${present.cases} cases with ${present.entries} entries; the backup would take their place.\n` +
        `Back them up first (npm run backup -- OTHER-FILE), then say so: npm run restore -- ${file} --yes`,
    )
  const began = new Date()
  const changes = until && (await changesUntil(database, file, until))
  const beside = { ...database, name: `${database.name}_restored` }
  const before = `${database.name}_before`
  await create(database, beside.name)
  await loadInto(beside, file)
  if (changes) await goThrough(database, beside, changes, until)
  await run(bin('tsx'), ['server/database/migrateOnly.ts'], { env: { DATABASE_URL: addressOf(database, beside.name) } })
  const restored = await countOf(beside)
  await create(database, before)
  const [old, fresh] = [await tablesOf(database), await tablesOf(beside)]
  const moves = [...old.map((one) => [database.name, before, one]), ...fresh.map((one) => [beside.name, database.name, one])]
  if (moves.length > 0)
    await quietly(
      database,
      `set foreign_key_checks = 0;\nrename table ${moves.map(([from, to, table]) => `\`${from}\`.\`${table}\` to \`${to}\`.\`${table}\``).join(', ')};`,
    )
  await noteBeginning(database, began)
  await quietly(database, `drop database \`${beside.name}\``)
  return { restored, kept: present.cases > 0 ? before : null }
}

/** A restore is no change of what was entered: on a private database it is not written among the changes. */
const quietly = (database, sql) => ask(database, database.socket ? `set sql_log_bin = 0;\n${sql}` : sql)

async function create(database, name) {
  await quietly(database, `drop database if exists \`${name}\`;\ncreate database \`${name}\` character set utf8mb4 collate utf8mb4_unicode_ci;`).catch(
    (error) => {
      throw new Advice(`The user of DATABASE_URL may not make the database ${name} that a restore needs. Nothing was changed.\n${error.message}`)
    },
  )
  if (database.socket) await quietly(database, `grant all on \`${name}\`.* to 'dewpoint'@'127.0.0.1'`)
}

async function tablesOf(database) {
  return (await ask(database, `show tables from \`${database.name}\``)).split('\n').filter((one) => one !== '')
}

function addressOf(database, name) {
  const url = new URL(database.url)
  url.pathname = `/${encodeURIComponent(name)}`
  return url.href
}

/** The files of changes from a backup on, and where in the first they begin. @throws Advice where they do not lead to the moment */
async function changesUntil(database, file, until) {
  const [, first, position] = /CHANGE MASTER TO MASTER_LOG_FILE='([^']+)', MASTER_LOG_POS=(\d+)/.exec(await headOf(file)) ?? []
  const folder = database.folder && join(database.folder, changesFolder)
  if (!folder || !existsSync(folder))
    throw new Advice(
      '--until works with the database that Dewpoint runs itself. A database server of your own has its own log of changes: restore the backup, then go through that.',
    )
  if (!first)
    throw new Advice(
      `${file} does not say where the changes after it begin: it was made by an older version, or from another database. Restore it without --until.`,
    )
  // what is being written now is closed, so that it is read whole
  await ask(database, 'flush binary logs')
  const all = readdirSync(folder)
    .filter((one) => /^changes\.\d+$/.test(one))
    .sort()
  if (!all.includes(first))
    throw new Advice(`The changes since ${file} are not kept any more: they are for two weeks. Restore a later backup, or this one without --until.`)
  const begun = restores(folder).find((one) => one.first > first)
  if (begun && until > begun.at)
    throw new Advice(
      `Since ${file} a backup was restored, on ${asTyped(begun.at)}: changes after that do not follow from it. Give an earlier moment, or a backup made since.`,
    )
  const files = all.filter((one) => one >= first && !(begun && one >= begun.first))
  return { position, files: files.map((one) => join(folder, one)) }
}

/** Takes changes in, into the database beside. */
async function goThrough(database, beside, { position, files }, until) {
  const reading = spawn(
    'mariadb-binlog',
    [
      '--no-defaults',
      '--disable-log-bin',
      `--start-position=${position}`,
      `--stop-datetime=${until.toISOString().slice(0, 19).replace('T', ' ')}`,
      `--rewrite-db=${database.name}->${beside.name}`,
      `--database=${database.name}`,
      ...files,
    ],
    { env: { ...process.env, TZ: 'UTC' }, stdio: ['ignore', 'pipe', 'pipe'] },
  )
  const writing = spawn('mariadb', ['--no-defaults', `--socket=${database.socket}`, '--binary-mode', beside.name], { stdio: ['pipe', 'ignore', 'pipe'] })
  let said = ''
  for (const one of [reading, writing]) one.stderr.on('data', (text) => (said += text))
  writing.stdin.on('error', () => {})
  reading.stdout.pipe(writing.stdin)
  const ends = [reading, writing].map(
    (one) =>
      new Promise((done, fail) => {
        one.once('error', fail)
        one.once('close', done)
      }),
  )
  const codes = await Promise.all(ends)
  if (codes.some((one) => one !== 0)) throw new Advice(`The changes since the backup could not be taken in. Nothing was changed.\n${said.trim()}`)
}

/** From here on the changes follow from what was restored. */
async function noteBeginning(database, began) {
  const folder = database.folder && join(database.folder, changesFolder)
  if (!folder || !existsSync(folder)) return
  await ask(database, 'flush binary logs')
  const first = (await ask(database, 'show master status')).split('\t')[0]
  if (first) appendFileSync(join(folder, beginnings), `${JSON.stringify({ first, at: began.toISOString() })}\n`)
}

function restores(folder) {
  const file = join(folder, beginnings)
  if (!existsSync(file)) return []
  return readFileSync(file, 'utf8')
    .split('\n')
    .filter((line) => line !== '')
    .map((line) => JSON.parse(line))
    .map(({ first, at }) => ({ first, at: new Date(at) }))
}

/** The beginning of a backup. */
async function headOf(file) {
  let head = ''
  const stream = createReadStream(file).pipe(createGunzip())
  for await (const data of stream) {
    head += data.toString('latin1')
    if (head.length > 16_384) break
  }
  return head
}
