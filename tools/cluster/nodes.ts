import { spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import { chmodSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir, userInfo } from 'node:os'
import { join } from 'node:path'
import { asOwner, freePort } from '../database/mariadb.mjs'
import { Advice, run } from '../run.mjs'

/** One database node of a cluster. */
export interface Node {
  name: string
  host: string
  port: number
  socket: string
  /** a name of its status, as the node says it now */
  status: (name: string) => Promise<string>
  /** as when the machine loses its power: what it did not write is lost */
  kill: () => Promise<void>
  /** starts it again on what it has; resolves when it is in step with the others */
  startAgain: () => Promise<void>
}

/** Where a node is. */
interface Place {
  name: string
  own: string
  data: string
  host: string
  /** for whoever asks, for the group, for what a node missed, for the whole state */
  port: number
  group: number
  increments: number
  state: number
}

/** Three nodes that hold the same. */
export interface Cluster {
  nodes: readonly Node[]
  /** as DATABASE_URL takes it, with the hosts in an order that begins with the given node */
  url: (first: number) => string
  stop: () => Promise<void>
}

const provider = ['/usr/lib/galera/libgalera_smm.so', '/usr/lib64/galera-4/libgalera_smm.so'].find((one) => existsSync(one))
/** how long a node may take to start and to be in step, ms */
const patience = 120_000
/** before a node that was killed is started again, ms: longer than the others take to notice */
const absence = 5000

/**
 * Starts three nodes on loopback, each on an address and in a folder of its own. Settings: common practice for Galera 4 (MariaDB Knowledge
 * Base, "Configuring MariaDB Galera Cluster"): rows in the log, interleaved numbers, the whole state handed over by rsync, the rest from a cache.
 */
export async function startCluster(): Promise<Cluster> {
  if (!provider) throw new Advice('The library of Galera is missing. Debian’s mariadb-server brings it: apt-get install galera-4 rsync.')
  const folder = mkdtempSync(join(tmpdir(), 'dewpoint-cluster-'))
  chmodSync(folder, 0o755)
  // as root the handing over of the state would fail: its receiver gives its rights up
  const asRoot = process.getuid?.() === 0
  const system = asRoot ? 'mysql' : userInfo().username
  const owned = (path: string) => void (asRoot && spawnSync('chown', ['-R', 'mysql:mysql', path]))
  const password = randomBytes(18).toString('hex')
  const places: Place[] = []
  for (const [index, name] of ['one', 'two', 'three'].entries()) {
    const own = join(folder, name)
    mkdirSync(own, { mode: 0o755 })
    const data = join(own, 'data')
    mkdirSync(data, { mode: 0o700 })
    places.push({
      name,
      own,
      data,
      host: `127.0.0.${11 + index}`,
      port: await freePort(),
      group: await freePort(),
      increments: await freePort(),
      state: await freePort(),
    })
  }
  const running = new Map<string, ChildProcess>()
  const settingsOf = ({ own, data, host, port, group, increments, state, name }: Place, first: boolean) => [
    '--no-defaults',
    `--user=${system}`,
    `--datadir=${data}`,
    `--socket=${join(own, 's')}`,
    `--port=${port}`,
    `--bind-address=${host}`,
    `--pid-file=${join(own, 'pid')}`,
    `--log-error=${join(own, 'log.err')}`,
    '--performance-schema=OFF',
    '--skip-name-resolve',
    '--character-set-server=utf8mb4',
    '--binlog-format=ROW',
    '--innodb-autoinc-lock-mode=2',
    '--innodb-flush-log-at-trx-commit=1',
    '--wsrep-on=ON',
    `--wsrep-provider=${provider}`,
    '--wsrep-cluster-name=dewpoint',
    `--wsrep-cluster-address=gcomm://${first ? '' : places.map((one) => `${one.host}:${one.group}`).join(',')}`,
    `--wsrep-node-name=${name}`,
    `--wsrep-node-address=${host}`,
    `--wsrep-sst-receive-address=${host}:${state}`,
    '--wsrep-sst-method=rsync',
    // on one network a node that is gone is noticed after a second instead of five
    `--wsrep-provider-options=${[
      'gcache.size=64M',
      'evs.keepalive_period=PT0.2S',
      'evs.inactive_check_period=PT0.1S',
      'evs.suspect_timeout=PT1S',
      'evs.inactive_timeout=PT3S',
      'evs.install_timeout=PT3S',
      `gmcast.listen_addr=tcp://${host}:${group}`,
      `ist.recv_addr=${host}:${increments}`,
    ].join(';')}`,
  ]
  const launch = (place: Place, first: boolean, more: string[] = []) => {
    const child = spawn('/usr/sbin/mariadbd', [...settingsOf(place, first), ...more], { stdio: 'ignore', cwd: place.own })
    running.set(place.name, child)
  }
  const nodeOf = (place: Place): Node => {
    const socket = join(place.own, 's')
    const status = async (name: string) => (await asOwner(socket, `show global status like '${name}'`)).trim().split('\t')[1] ?? ''
    return {
      ...place,
      socket,
      status,
      kill: async () => {
        const child = running.get(place.name)!
        const ended = new Promise((done) => child.once('exit', done))
        child.kill('SIGKILL')
        await ended
      },
      startAgain: async () => {
        // whoever comes back before the others noticed that it was gone makes them agree twice
        await new Promise((rest) => setTimeout(rest, absence))
        // where it was is read from its own data: then the others give only what is missing
        const recovered = spawnSync('/usr/sbin/mariadbd', [...settingsOf(place, false), '--wsrep-recover', `--log-error=${join(place.own, 'recover.err')}`], {
          cwd: place.own,
        })
        const said = recovered.status === 0 && existsSync(join(place.own, 'recover.err')) ? readFileSync(join(place.own, 'recover.err'), 'utf8') : ''
        const position = [...said.matchAll(/Recovered position:\s*([0-9a-f-]{36}:-?\d+?)(?=\d{4}-\d\d-\d\d |\s|$)/g)].at(-1)?.[1]
        launch(place, false, position ? [`--wsrep-start-position=${position}`] : [])
        await inStep(place, status)
      },
    }
  }
  const inStep = async ({ name, own }: Place, status: (name: string) => Promise<string>) => {
    const began = Date.now()
    while ((await status('wsrep_local_state_comment').catch(() => '')) !== 'Synced') {
      if (running.get(name)?.exitCode !== null || Date.now() - began > patience) {
        const log = join(own, 'log.err')
        throw new Advice(`Node ${name} does not come into step. Its log ends:\n${existsSync(log) ? readFileSync(log, 'utf8').slice(-3000) : ''}`)
      }
      await new Promise((rest) => setTimeout(rest, 100))
    }
  }
  const stop = async () => {
    for (const child of [...running.values()].reverse()) {
      if (child.exitCode !== null || child.signalCode !== null) continue
      const ended = new Promise((done) => child.once('exit', done))
      child.kill('SIGTERM')
      await ended
    }
    spawnSync('sh', ['-c'])
    rmSync(folder, { recursive: true, force: true })
  }

  const nodes = places.map(nodeOf)
  try {
    await run('mariadb-install-db', [
      '--no-defaults',
      `--user=${system}`,
      `--datadir=${places[0]!.data}`,
      '--auth-root-authentication-method=socket',
      `--auth-root-socket-user=${userInfo().username}`,
      '--skip-test-db',
      '--skip-name-resolve',
    ])
    owned(folder)
    chmodSync(folder, 0o755)
    for (const [index, place] of places.entries()) {
      launch(place, index === 0)
      await inStep(place, nodes[index]!.status)
    }
    await asOwner(
      nodes[0]!.socket,
      [
        'create database dewpoint character set utf8mb4 collate utf8mb4_unicode_ci;',
        `create user 'dewpoint'@'127.0.0.1' identified by '${password}';`,
        "grant all on dewpoint.* to 'dewpoint'@'127.0.0.1';",
      ].join('\n'),
    )
  } catch (error) {
    await stop()
    throw error
  }
  const url = (first: number) => {
    const order = places.map((_place, index) => places[(first + index) % places.length]!)
    return `mysql://dewpoint:${password}@${order.map((one) => `${one.host}:${one.port}`).join(',')}/dewpoint`
  }
  return { nodes, url, stop }
}
