// npm run soak: hostile requests, kills under load, long lists and people at work, against a server and a database of its own on loopback.
// npm run cluster: three database nodes and two servers on loopback, killed under load; or left running to be looked at.
import { build } from './build.mjs'
import { ensureInstalled } from './prepare.mjs'
import { bin, command, run } from './run.mjs'

const [name, ...args] = process.argv.slice(2)

await command(async () => {
  await ensureInstalled('mariadb-server')
  await build()
  await run(bin('tsx'), [`tools/${name}/main.ts`, ...args], { quiet: false })
})
