// Writing a database to a file and reading it back, with MariaDB's own programs.
import { spawn } from 'node:child_process'
import {
  createReadStream,
  createWriteStream,
  existsSync,
  mkdtempSync,
  openSync,
  closeSync,
  fsyncSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { createGunzip } from 'node:zlib'
import { asOwner, runningMariadb, startMariadb } from './mariadb.mjs'
import { Advice, run } from '../run.mjs'
import { root } from '../stamp.mjs'

/** the first line of a backup of ours; the last one is MariaDB's own */
const heading = '-- Dewpoint backup 1\n'
const ending = '-- Dump completed'

/** Works with the database of this folder, the one that runs or one started for it, or with the one DATABASE_URL names. */
export async function withDatabase(work) {
  if (process.env.DATABASE_URL) return work(await firstOf(process.env.DATABASE_URL))
  // a firm's own before the demo's
  const folder = ['.dewpoint-firm', '.dewpoint'].map((one) => join(root, one)).find((one) => existsSync(join(one, 'data')))
  if (!folder) throw new Advice('There is no database here yet. Start Dewpoint once with npm start or npm run demo, or set DATABASE_URL.')
  const running = runningMariadb(folder)
  if (running) return work(accessTo(running.url, running.socket, running.folder))
  const own = await startMariadb(folder)
  try {
    return await work(accessTo(own.url, own.socket, own.folder))
  } finally {
    await own.stop()
  }
}

/** Of the hosts of a cluster the first that answers: each holds everything. */
async function firstOf(url) {
  const [, before, hosts, after] = /^(.*@)([^/?]+)(.*)$/.exec(url) ?? []
  const each = (hosts ?? '').split(',').map((host) => accessTo(hosts ? before + host + after : url))
  for (const one of each.slice(0, -1))
    if (
      await ask(one, 'select 1').then(
        () => true,
        () => false,
      )
    )
      return one
  return each.at(-1)
}

/** How MariaDB's programs get at a database: its address, and, of a private one, the socket its owner comes in by and its folder. */
export function accessTo(url, socket, folder) {
  const { username, password, hostname, port, pathname } = new URL(url)
  return {
    url,
    socket,
    folder,
    name: decodeURIComponent(pathname.slice(1)),
    user: decodeURIComponent(username),
    password: decodeURIComponent(password),
    hostname,
    port: port || '3306',
  }
}

/** Runs SQL with the rights the application has; on a private database with its owner's. */
export function ask(database, sql) {
  if (database.socket) return asOwner(database.socket, `use \`${database.name}\`;\n${sql}`)
  return withOptions(database, (options) => run('mariadb', [options, '--batch', '--skip-column-names', database.name], { input: sql }))
}

/** How much is in a database. */
export async function countOf(database) {
  const tables = (await ask(database, 'show tables')).split('\n')
  if (!tables.includes('cases')) return { cases: 0, entries: 0 }
  const [cases, entries] = (await ask(database, 'select (select count(*) from cases), (select count(*) from entries)')).trim().split('\t').map(Number)
  return { cases, entries }
}

/**
 * Writes everything to a file as it stands at one moment, whatever is written meanwhile. The file has its name only when it is whole and on the disk.
 *
 * @returns its size in bytes
 */
export async function dumpTo(database, file, packer) {
  const part = `${file}.part`
  const tail = keepTail()
  try {
    await withAccess(database, async (options) => {
      const child = spawn(
        'mariadb-dump',
        [
          ...options,
          ...((await logs(database)) ? ['--master-data=2'] : []),
          '--single-transaction',
          '--quick',
          '--hex-blob',
          '--skip-add-locks',
          '--skip-triggers',
          '--default-character-set=utf8mb4',
          database.name,
        ],
        { stdio: ['ignore', 'pipe', 'pipe'] },
      )
      let said = ''
      child.stderr.on('data', (text) => (said += text))
      const ended = new Promise((done, fail) => {
        child.once('error', fail)
        child.once('close', done)
      })
      const out = createWriteStream(part, { mode: 0o600 })
      packer.write(heading)
      const [, code] = await Promise.all([pipeline(child.stdout, tail, packer, out), ended])
      if (code !== 0 || !tail.text().includes(ending)) throw new Advice(`The backup is not complete and was thrown away.\n${said.trim()}`)
    })
    const handle = openSync(part, 'r+')
    fsyncSync(handle)
    closeSync(handle)
    renameSync(part, file)
    const place = openSync(dirname(file), 'r')
    fsyncSync(place)
    closeSync(place)
    return statSync(file).size
  } catch (error) {
    rmSync(part, { force: true })
    throw error.code === 'ENOENT' && error.path === part ? new Advice(`${file} cannot be written there: ${error.message}`) : error
  }
}

/** Whether a private database writes its changes down: one that an older version started does not. */
async function logs(database) {
  return database.socket !== undefined && (await ask(database, 'select @@log_bin')).trim() === '1'
}

/** The owner by the socket; a database elsewhere by its user. */
function withAccess(database, work) {
  return database.socket ? work(['--no-defaults', `--socket=${database.socket}`]) : withOptions(database, (options) => work([options]))
}

/** Reads a backup through and says what is wrong with it, before anything is touched. */
export async function verify(file) {
  if (!existsSync(file)) throw new Advice(`There is no file called ${file}.`)
  let head = ''
  const tail = keepTail()
  tail.on('data', (data) => {
    if (head.length < heading.length) head += data.toString('latin1', 0, heading.length)
  })
  try {
    await pipeline(createReadStream(file), createGunzip(), tail, async (source) => {
      for await (const data of source) void data
    })
  } catch (error) {
    throw new Advice(`${file} is not a complete backup: ${error.message}. Nothing was changed.`)
  }
  if (!head.startsWith(heading) || !tail.text().includes(ending)) throw new Advice(`${file} is not a complete backup of Dewpoint. Nothing was changed.`)
}

/** Loads a backup into a database that is there and empty. */
export async function loadInto(database, file) {
  const load = async (args) => {
    const child = spawn('mariadb', [...args, '--default-character-set=utf8mb4', database.name], { stdio: ['pipe', 'ignore', 'pipe'] })
    let said = ''
    child.stderr.on('data', (text) => (said += text))
    const ended = new Promise((done, fail) => {
      child.once('error', fail)
      child.once('close', done)
    })
    // a restore is no change of what was entered: whoever goes through the changes later meets none of it
    if (database.socket) child.stdin.write('set sql_log_bin = 0;\n')
    const sent = pipeline(createReadStream(file), createGunzip(), child.stdin).catch((error) => error)
    const code = await ended
    const trouble = await sent
    if (code !== 0 || trouble) throw new Advice(`The backup could not be loaded. Nothing was changed.\n${said.trim() || trouble?.message}`)
  }
  return withAccess(database, load)
}

/** The password goes by a file only this user can read, not by the command line everybody can. */
async function withOptions({ user, password, hostname, port }, work) {
  const { DATABASE_CA: ca, DATABASE_LINE: line } = process.env
  if (!ca && line !== 'private' && !/^(localhost|127\.[\d.]+|\[?::1\]?)$/.test(hostname))
    throw new Advice(`The database is on another machine, ${hostname}. Set DATABASE_CA as the server has it, or DATABASE_LINE=private.`)
  const encrypted = ca ? `ssl-ca="${ca}"\nssl-verify-server-cert\n` : ''
  const folder = mkdtempSync(join(tmpdir(), 'dewpoint-'))
  const file = join(folder, 'options')
  writeFileSync(file, `[client]\nuser="${user}"\npassword="${password}"\nhost=${hostname}\nport=${port}\nprotocol=tcp\n${encrypted}`, { mode: 0o600 })
  try {
    return await work(`--defaults-file=${file}`)
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

/** Lets everything pass and remembers the end of it. */
function keepTail() {
  let last = Buffer.alloc(0)
  const through = new Transform({
    transform(data, _encoding, done) {
      last = Buffer.concat([last, data]).subarray(-400)
      done(null, data)
    },
  })
  return Object.assign(through, { text: () => last.toString('utf8') })
}
