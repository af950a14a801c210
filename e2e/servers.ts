import { spawn, type ChildProcess } from 'node:child_process'
import { createConnection } from 'mysql2/promise'
import { freePort } from '../tools/database/mariadb.mjs'
import { expect } from './app.ts'

/** A server of a test's own. */
interface Running {
  address: string
  stop: () => Promise<void>
}

async function start(env: NodeJS.ProcessEnv): Promise<Running & { child: ChildProcess }> {
  const port = await freePort()
  const child = spawn(process.execPath, ['server/dist/main.js'], {
    env: { ...env, PORT: String(port), LOG_LEVEL: 'warn' },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  const ended = new Promise((done) => child.once('exit', done))
  return {
    child,
    address: `http://127.0.0.1:${port}`,
    stop: async () => {
      child.kill('SIGTERM')
      await ended
    },
  }
}
const answering = ({ address }: Running) => expect(async () => expect((await fetch(`${address}/api/health`)).ok).toBe(true)).toPass()

/** Another server on the database of the tests, as behind a proxy. */
export async function secondServer(): Promise<Running> {
  const server = await start({ ...process.env, DATABASE_URL: process.env.DEWPOINT_DATABASE, DEMO_PEOPLE: 'demo/people.json' })
  await answering(server)
  return server
}

/** A server without made-up people, on a database of its own, with the code it prints for its owner. */
export async function firmServer(name = 'firm') {
  const url = process.env.DEWPOINT_DATABASE!
  const own = url.replace(/\/dewpoint$/, `/dewpoint_${name}`)
  const connection = await createConnection({ uri: url })
  await connection.query(`drop database if exists dewpoint_${name}`)
  await connection.query(`create database dewpoint_${name} character set utf8mb4 collate utf8mb4_unicode_ci`)
  await connection.end()
  const { DEMO_PEOPLE: _demo, ...env } = process.env
  const server = await start({ ...env, DATABASE_URL: own })
  const code = await new Promise<string>((done) => {
    let said = ''
    server.child.stdout!.on('data', (part: Buffer) => {
      said += part.toString()
      const found = /([A-Z2-9]{4}-){3}[A-Z2-9]{4}/.exec(said)
      if (found) done(found[0])
    })
  })
  await answering(server)
  /** as if everybody had proved who they are long ago */
  const longAgo = async () => {
    const database = await createConnection({ uri: own })
    await database.query("update sign_ins set proved_at = '2020-01-01'")
    await database.end()
  }
  return { ...server, code, longAgo }
}
