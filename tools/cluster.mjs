// npm run cluster: three database nodes and two servers on loopback, nodes and servers killed under load; or left running to be looked at.
import { build } from './build.mjs'
import { ensureInstalled } from './prepare.mjs'
import { bin, command, run } from './run.mjs'

await command(async () => {
  await ensureInstalled('mariadb-server')
  await build()
  await run(bin('tsx'), ['tools/cluster/main.ts', ...process.argv.slice(2)], { quiet: false })
})
