// What is done to the database by command, with the server's own code:
// npm run customer -- export "NAME" FILE | erase "NAME" --yes: what is kept of one customer, given out or without the person.
// npm run code -- "NAME": a code for somebody whom nobody else can give one, the only owner who forgot their pass phrase.
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { build } from './build.mjs'
import { withDatabase } from './database/dump.mjs'
import { command } from './run.mjs'
import { root } from './stamp.mjs'

const [what, ...asked] = process.argv.slice(2)
await command(async () => {
  await build()
  await withDatabase(async ({ url }) => {
    const child = spawn(process.execPath, [join(root, `server/dist/${what}.js`), ...asked], {
      env: { ...process.env, DATABASE_URL: url },
      stdio: 'inherit',
    })
    process.exitCode = await new Promise((done) => child.once('exit', (code) => done(code ?? 1)))
  })
})
