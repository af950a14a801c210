// npm run soak: hostile requests, kills under load and long lists, against a server and a database of its own on loopback.
import { build } from './build.mjs'
import { ensureInstalled } from './prepare.mjs'
import { bin, command, run } from './run.mjs'

await command(async () => {
  await ensureInstalled('mariadb-server')
  await build()
  await run(bin('tsx'), ['tools/soak/main.ts', ...process.argv.slice(2)], { quiet: false })
})
