import { parseArgs } from 'node:util'
import { chances } from '../soak/chances.ts'
import { startServer, writeUnderKills } from '../soak/restarts.ts'
import { say } from '../run.mjs'
import { startCluster, type Node } from './nodes.ts'

/** Three nodes and two servers on loopback: killed one after another under load, or kept running to be looked at. */
const { values } = parseArgs({
  options: {
    kills: { type: 'string', default: '20' },
    writers: { type: 'string', default: '20' },
    seed: { type: 'string', default: '1' },
    keep: { type: 'boolean', default: false },
  },
})
const [kills, writers, seed] = [values.kills, values.writers, values.seed].map(Number) as [number, number, number]
if (![kills, writers, seed].every((one) => Number.isInteger(one) && one > 0 && one <= 200)) {
  console.error('--kills, --writers and --seed take whole numbers from 1 to 200.')
  process.exit(2)
}
/** entries acknowledged between two kills */
const between = 100

say('starting three database nodes')
const cluster = await startCluster()
const servers: Awaited<ReturnType<typeof startServer>>[] = []
let failed = false
try {
  say('starting two servers')
  // together, on an empty cluster: one makes the tables, the other waits
  servers.push(...(await Promise.all([0, 1].map((first) => startServer(cluster.url(first), { LOG_LEVEL: 'silent' })))))
  if (values.keep) {
    console.log(`Two servers on one database of three nodes:\n  ${servers.map((one) => one.address).join('\n  ')}\nEnd with Ctrl+C.`)
    await new Promise((done) => process.once('SIGINT', done))
  } else failed = !(await killUnderLoad())
} finally {
  await Promise.all(servers.map((one) => one.stop()))
  await cluster.stop()
}
process.exit(failed ? 1 : 0)

async function killUnderLoad(): Promise<boolean> {
  const below = chances(seed)
  const struck: Record<string, number> = {}
  let returning: Promise<unknown> = Promise.resolve()
  let trouble: unknown
  const killNode = async (node: Node) => {
    await node.kill()
    returning = node.startAgain().catch((error: unknown) => (trouble = error))
  }
  const report = await writeUnderKills({
    addresses: servers.map((one) => one.address),
    kills,
    entriesBetween: between,
    writers,
    strike: async (count) => {
      if (trouble) throw trouble
      // each in turn at least once, then as it comes; two nodes of three at once would be too many for any cluster
      const which = count < 5 ? count : below(5)
      const name = which < 3 ? `node ${cluster.nodes[which]!.name}` : `server ${which - 2}`
      struck[name] = (struck[name] ?? 0) + 1
      if (which >= 3) return void process.kill(servers[which - 3]!.pid(), 'SIGKILL')
      await returning
      await killNode(cluster.nodes[which]!)
    },
  })
  await returning
  if (trouble) throw trouble
  const conflicts = await Promise.all(
    cluster.nodes.map(async (node) => Number(await node.status('wsrep_local_cert_failures')) + Number(await node.status('wsrep_local_bf_aborts'))),
  )
  const sizes = await Promise.all(cluster.nodes.map((node) => node.status('wsrep_cluster_size')))
  console.log(
    `killed: ${Object.entries(struck)
      .map(([name, times]) => `${name} ${times}×`)
      .join(', ')}`,
  )
  console.log(
    `${writers} writers through two servers: ${report.acknowledged} entries acknowledged (${report.entriesPerSecond.toFixed(0)} a second), ` +
      `${report.lost} lost, ${report.doubled} doubled, ${report.misplaced} misplaced`,
  )
  console.log(
    `longest wait of one writer ${(report.longestWaitMs / 1000).toFixed(1)} s, longest time without any acknowledgement ${(report.longestStillMs / 1000).toFixed(1)} s`,
  )
  console.log(`transactions done again since each node’s last start: ${conflicts.join(', ')}; nodes in step at the end, as each sees it: ${sizes.join(', ')}`)
  const whole = report.lost + report.doubled + report.misplaced === 0 && sizes.every((one) => one === '3')
  if (!whole) console.log('✗ entries were lost, doubled or misplaced, or a node did not come back')
  return whole
}
