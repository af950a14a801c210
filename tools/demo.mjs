// The whole product on this machine, with demo data or (--firm) for a firm's own: installs, builds, starts, prints the address, and keeps it
// running.
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, readlinkSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { createInterface } from 'node:readline/promises'
import { build } from './build.mjs'
import { portIsFree, startMariadb } from './database/mariadb.mjs'
import { ensureInstalled } from './prepare.mjs'
import { Advice, command, run, say } from './run.mjs'
import { root } from './stamp.mjs'
import { keepRunning } from './supervise.mjs'

const options = new Set(process.argv.slice(2))
const port = Number(process.env.PORT ?? 5280)
const address = `http://127.0.0.1:${port}`
/** a firm's own: nothing made up, and a folder of its own */
const firm = options.has('--firm')
const folder = join(root, firm ? '.dewpoint-firm' : '.dewpoint')
const serverPid = join(folder, 'server.pid')
const demoDone = join(folder, 'demo.json')
const ownDatabase = !process.env.DATABASE_URL
/** exit codes of the server that starting it again does not mend: wrong settings, tables that cannot be changed */
const hopeless = [2, 3]

await command(async () => {
  for (const option of options) {
    if (!['--fresh', '--yes', '--firm'].includes(option)) throw new Advice(`Unknown option ${option}. Known: --fresh (start over), --yes (without asking).`)
  }
  if (!Number.isInteger(port) || port < 1 || port > 65535) throw new Advice(`PORT is "${process.env.PORT}": give a number from 1 to 65535.`)
  refuseSecondRun()
  await stopLeftOverServer()
  if (!(await portIsFree(port))) throw new Advice(`Port ${port} is in use by another program. Choose another: PORT=${port + 10} npm run demo`)
  if (firm && options.has('--fresh')) throw new Advice('--fresh starts the demo over. What a firm has entered is never deleted from here.')
  if (options.has('--fresh')) await startOver()
  await ensureInstalled(...(ownDatabase ? ['mariadb-server'] : []))
  await build()

  mkdirSync(folder, { recursive: true })
  writeFileSync(join(folder, 'demo.pid'), String(process.pid))
  let closing = false
  let end
  const closed = new Promise((done) => (end = done))
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => end(0))

  if (ownDatabase) say('starting the database')
  const database = ownDatabase ? await startMariadb(folder) : { url: process.env.DATABASE_URL, stop: async () => {}, ended: new Promise(() => {}) }
  const server = keepRunning(
    'server',
    () => {
      const child = spawn(process.execPath, ['server/dist/main.js'], {
        cwd: root,
        env: {
          LOG_LEVEL: 'warn',
          ...(firm ? {} : { DEMO_PEOPLE: join(root, 'demo/people.json') }),
          ...process.env,
          DATABASE_URL: database.url,
          PORT: String(port),
        },
        stdio: ['ignore', 'inherit', 'inherit'],
        detached: true,
      })
      if (child.pid) writeFileSync(serverPid, String(child.pid))
      return child
    },
    { hopeless },
  )
  for (const one of [server, database]) void one.ended.then((code) => end(code))
  void fill(() => closing).then(
    () => !closing && console.log(`\nDewpoint is ready at ${address}\nCtrl-C stops it and its database. What you enter is kept.`),
    (error) => {
      if (closing) return
      console.error(`The demo data could not be loaded.\n${error.message}`)
      end(1)
    },
  )

  const code = await closed
  closing = true
  await server.stop()
  await database.stop()
  for (const file of [join(folder, 'demo.pid'), serverPid]) rmSync(file, { force: true })
  process.exit(code)
})

/** Waits for the server, and loads the demo once. Interrupted, it goes on with the same cases: its present is written down before the first of them. */
async function fill(closing) {
  for (let waited = 0; !(await answers()); waited++) {
    if (closing()) return
    if (waited > 0 && waited % 100 === 0) say('still waiting for the server')
    await new Promise((done) => setTimeout(done, 200))
  }
  for (let attempt = 1; !firm && !closing(); attempt++) {
    const known = existsSync(demoDone) ? JSON.parse(readFileSync(demoDone, 'utf8')) : null
    if (known?.done) return
    try {
      if (!known) {
        const found = (await run(process.execPath, ['demo/dist/load.js', address, '--look'])).trim()
        // somebody's own data: the demo stays out of it
        writeFileSync(demoDone, JSON.stringify(found === 'empty' ? { now: new Date().toISOString() } : { done: true }))
        continue
      }
      await run(process.execPath, ['demo/dist/load.js', address, known.now])
      writeFileSync(demoDone, JSON.stringify({ ...known, done: true }))
      return
    } catch (error) {
      // a server or database that is killed meanwhile comes back
      if (attempt >= 20) throw error
      await new Promise((done) => setTimeout(done, 500))
    }
  }
}

async function answers() {
  try {
    return (await fetch(`${address}/api/health`)).ok
  } catch {
    return false
  }
}

function refuseSecondRun() {
  const file = join(folder, 'demo.pid')
  if (!existsSync(file)) return
  const pid = Number(readFileSync(file, 'utf8'))
  const commandLine = existsSync(`/proc/${pid}/cmdline`) ? readFileSync(`/proc/${pid}/cmdline`, 'utf8') : ''
  if (commandLine.includes('tools/demo.mjs')) throw new Advice(`Dewpoint already runs from this folder (process ${pid}). Stop it there with Ctrl-C first.`)
}

/** Ends a server that an interrupted run left behind; its port would look taken. */
async function stopLeftOverServer() {
  if (!existsSync(serverPid)) return
  const pid = Number(readFileSync(serverPid, 'utf8'))
  const ours = () => {
    try {
      return readlinkSync(`/proc/${pid}/cwd`) === root && readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('server/dist/main.js')
    } catch {
      return false
    }
  }
  if (ours()) process.kill(pid, 'SIGTERM')
  for (let attempt = 0; attempt < 50 && ours(); attempt++) await new Promise((done) => setTimeout(done, 100))
  if (ours()) process.kill(pid, 'SIGKILL')
}

async function startOver() {
  if (!ownDatabase) throw new Advice('--fresh only starts the demo database over. DATABASE_URL is set, and that database is never emptied from here.')
  if (!options.has('--yes')) {
    if (!process.stdin.isTTY) throw new Advice('--fresh deletes everything entered so far. Say so: npm run demo -- --fresh --yes')
    const terminal = createInterface({ input: process.stdin, output: process.stdout })
    const answer = await terminal.question('Delete everything entered so far and start over? (yes/no) ')
    terminal.close()
    if (answer.trim().toLowerCase() !== 'yes') throw new Advice('Nothing was deleted.')
  }
  const pidFile = join(folder, 'mariadb.pid')
  if (existsSync(pidFile)) {
    const left = await startMariadb(folder).catch(() => undefined)
    await left?.stop()
  }
  rmSync(folder, { recursive: true, force: true })
}
