import { spawn } from 'node:child_process'
import { rmSync } from 'node:fs'
import { resolve } from 'node:path'
import { freePort, startMariadb } from '../tools/database/mariadb.mjs'

/** Starts the built server on a throw-away database and loads the demo; the address goes to the tests by environment. */
export default async function startServer(): Promise<() => Promise<void>> {
  const folder = resolve('.cache/mariadb-e2e')
  rmSync(folder, { recursive: true, force: true })
  const mariadb = await startMariadb(folder, { lasting: false })
  const port = await freePort()
  const address = `http://127.0.0.1:${port}`
  const server = spawn(process.execPath, ['server/dist/main.js'], {
    env: { ...process.env, DEMO_PEOPLE: 'demo/people.json', DATABASE_URL: mariadb.url, PORT: String(port), LOG_LEVEL: 'warn' },
    stdio: ['ignore', 'inherit', 'inherit'],
  })
  const ended = new Promise((done) => server.once('exit', done))
  await answering(`${address}/api/health`)
  const loader = spawn(process.execPath, ['demo/dist/load.js', address], { stdio: 'inherit' })
  await new Promise<void>((done, fail) => loader.once('exit', (code) => (code === 0 ? done() : fail(new Error('the demo data was not loaded')))))
  process.env.DEWPOINT = address
  process.env.DEWPOINT_DATABASE = mariadb.url
  return async () => {
    server.kill('SIGTERM')
    await ended
    await mariadb.stop()
  }
}

async function answering(url: string): Promise<void> {
  for (let attempt = 0; attempt < 600; attempt++) {
    const ok = await fetch(url).then(
      (response) => response.ok,
      () => false,
    )
    if (ok) return
    await new Promise((done) => setTimeout(done, 100))
  }
  throw new Error(`nothing answers at ${url}`)
}
