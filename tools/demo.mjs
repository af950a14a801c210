// The whole product with demo data on this machine: installs, builds, starts, and prints the address.
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, readlinkSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { createInterface } from 'node:readline/promises'
import { build } from './build.mjs'
import { portIsFree, startMariadb } from './mariadb.mjs'
import { ensureDebian, ensurePackages } from './prepare.mjs'
import { Advice, command, run, say } from './run.mjs'
import { root } from './stamp.mjs'

const options = new Set(process.argv.slice(2))
const port = Number(process.env.PORT ?? 5280)
const address = `http://127.0.0.1:${port}`
const folder = join(root, '.dewpoint')
const serverPid = join(folder, 'server.pid')
const ownDatabase = !process.env.DATABASE_URL

await command(async () => {
  for (const option of options) {
    if (!['--fresh', '--yes'].includes(option)) throw new Advice(`Unknown option ${option}. Known: --fresh (start over), --yes (without asking).`)
  }
  if (!Number.isInteger(port) || port < 1 || port > 65535) throw new Advice(`PORT is "${process.env.PORT}": give a number from 1 to 65535.`)
  refuseSecondRun()
  await stopLeftOverServer()
  if (!(await portIsFree(port))) throw new Advice(`Port ${port} is in use by another program. Choose another: PORT=${port + 10} npm run demo`)
  if (options.has('--fresh')) await startOver()
  if (ownDatabase) await ensureDebian('mariadb-server')
  await ensurePackages()
  await build()

  mkdirSync(folder, { recursive: true })
  writeFileSync(join(folder, 'demo.pid'), String(process.pid))
  if (ownDatabase) say('starting the database')
  const database = ownDatabase ? await startMariadb(folder) : { url: process.env.DATABASE_URL, stop: async () => {} }

  const server = spawn(process.execPath, ['server/dist/main.js'], {
    cwd: root,
    env: { LOG_LEVEL: 'warn', ...process.env, DATABASE_URL: database.url, PORT: String(port) },
    stdio: ['ignore', 'inherit', 'inherit'],
    detached: true,
  })
  writeFileSync(serverPid, String(server.pid))
  const ended = new Promise((done) => server.once('exit', done))
  let closing = false
  const close = async (code) => {
    if (closing) return
    closing = true
    if (server.exitCode === null) server.kill('SIGTERM')
    await ended
    await database.stop()
    for (const file of [join(folder, 'demo.pid'), serverPid]) rmSync(file, { force: true })
    process.exit(code)
  }
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void close(0))
  void ended.then((code) => close(code ?? 1))

  if (!(await answers(() => server.exitCode !== null))) {
    if (!closing) console.error('The server did not answer. Its messages stand above.')
    return close(1)
  }
  // a database that is killed meanwhile comes back: loading twice changes nothing
  for (let attempt = 1; ; attempt++) {
    try {
      await run(process.execPath, ['demo/dist/load.js', address])
      break
    } catch (error) {
      if (!closing && attempt < 3 && (await answers(() => server.exitCode !== null))) continue
      if (!closing) console.error(`The demo data could not be loaded.\n${error.message}`)
      return close(1)
    }
  }
  console.log(`\nDewpoint is ready at ${address}\nCtrl-C stops it and its database. What you enter is kept.`)
})

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

async function answers(gaveUp) {
  for (let attempt = 0; attempt < 150 && !gaveUp(); attempt++) {
    try {
      if ((await fetch(`${address}/api/health`)).ok) return true
    } catch {
      // not listening yet
    }
    await new Promise((done) => setTimeout(done, 100))
  }
  return false
}
