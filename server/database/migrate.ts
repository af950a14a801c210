import { readFileSync } from 'node:fs'
import { readMigrationFiles } from 'drizzle-orm/migrator'
import { createConnection, type Connection, type ResultSetHeader, type RowDataPacket } from 'mysql2/promise'
import { retried } from './failures.ts'
import { addressesOf } from './hosts.ts'
import { lineTo, type LineSettings } from './line.ts'

/** A database that cannot be brought up to date by itself: the message says what to do. */
export class MigrationBroken extends Error {}

const lock = 'dewpoint-migrations'
const lockSeconds = 120
/** how long a server of a cluster has for one statement before another may go on instead, s */
const leaseSeconds = 60
const waitedLong = 'Another server has been changing the tables for two minutes. Wait for it, or stop it, and start again.'
/** a statement that was done before the record of it: MariaDB does each whole or not at all, so it is there or it is not */
const alreadyDone = new Set([1050, 1054, 1060, 1061, 1091, 1826])

/**
 * Brings the tables up to date, statement by statement. Several servers may start at once: one does it, the others wait. What a crash
 * interrupted goes on where it stopped; what cannot go on says so. A lock holds on one node: on a cluster a lease besides it holds on all.
 *
 * @param folder of the migrations, as drizzle-kit writes them
 * @param until the number of migrations to apply, for tests
 * @returns how many migrations were applied
 * @throws MigrationBroken when a statement of a migration fails
 */
export async function migrateDatabase(url: string, folder: string, until = Infinity, line: LineSettings = process.env): Promise<number> {
  const connection = await firstOf(url, line)
  try {
    const [[held]] = await connection.query<RowDataPacket[]>('select get_lock(?, ?) as held', [lock, lockSeconds])
    if (Number(held?.held) !== 1) throw new MigrationBroken(waitedLong)
    await connection.query("set session time_zone = '+00:00'")
    await connection.query('create table if not exists `__drizzle_migrations` (id serial primary key, hash text not null, created_at bigint)')
    await connection.query(
      "create table if not exists `migration_progress` (created_at bigint primary key, done int not null, error text not null default (_utf8mb4 ''))",
    )
    const lease = await leaseOf(connection)
    const applied = await applyMissing(connection, folder, until, lease.renew)
    await lease.giveBack()
    return applied
  } finally {
    // the lock goes with the connection
    await connection.end().catch(() => connection.destroy())
  }
}

/** A connection to the first host that answers and is ready. */
async function firstOf(url: string, line: LineSettings): Promise<Connection> {
  let last: unknown
  for (const uri of addressesOf(url)) {
    try {
      const connection = await createConnection({ ...lineTo(uri, line), connectTimeout: 4000 })
      // a node that is not ready answers nothing but this
      await connection.query('select count(*) from information_schema.tables where table_schema = database()')
      return connection
    } catch (error) {
      last = error
    }
  }
  throw last
}

/**
 * On a cluster: a lease that holds on all nodes. It is kept by node, whose lock says already that there is nobody else; who lets it lapse
 * is refused at the next statement, and whoever took over goes on at that one.
 */
async function leaseOf(connection: Connection): Promise<{ renew: () => Promise<void>; giveBack: () => Promise<void> }> {
  const [[cluster]] = await connection.query<RowDataPacket[]>("show global variables like 'wsrep_on'")
  if (cluster?.Value !== 'ON') return { renew: () => Promise.resolve(), giveBack: () => Promise.resolve() }
  await connection.query('create table if not exists `migration_lease` (id int primary key, holder varchar(250) not null, until datetime(3) not null)')
  await retried(() => connection.query("insert ignore into `migration_lease` values (1, '', '2000-01-01')"))
  const [[node]] = await connection.query<RowDataPacket[]>('select left(concat(@@hostname, @@datadir), 250) as name')
  const take = async (or: string) => {
    const until = `now(3) + interval ${leaseSeconds} second`
    const [result] = await retried(() =>
      connection.query<ResultSetHeader>(`update \`migration_lease\` set holder = ?, until = ${until} where holder = ? ${or}`, [node!.name, node!.name]),
    )
    return result.affectedRows === 1
  }
  const began = Date.now()
  while (!(await take('or until < now(3)'))) {
    if (Date.now() - began > (lockSeconds + leaseSeconds) * 1000) throw new MigrationBroken(waitedLong)
    await new Promise((rest) => setTimeout(rest, 500))
  }
  return {
    renew: async () => {
      if (!(await take(''))) throw new MigrationBroken('Another server went on with changing the tables. Start again: this one then waits for it.')
    },
    giveBack: async () => {
      await retried(() => connection.query("update `migration_lease` set until = '2000-01-01' where holder = ?", [node!.name]))
    },
  }
}

async function applyMissing(connection: Connection, folder: string, until: number, renew: () => Promise<void>): Promise<number> {
  const [rows] = await connection.query<RowDataPacket[]>('select created_at from `__drizzle_migrations`')
  const present = new Set(rows.map((row) => Number(row.created_at)))
  const known = readMigrationFiles({ migrationsFolder: folder }).map((one, index) => ({ ...one, name: tags(folder)[index]! }))
  const newest = Math.max(0, ...present)
  if (known.length > 0 && newest > known.at(-1)!.folderMillis)
    throw new MigrationBroken('This database was made by a newer Dewpoint. Start that version, or restore a backup made by this one: npm run restore -- FILE')
  let applied = 0
  for (const { name, sql, hash, folderMillis } of known.slice(0, until)) {
    if (present.has(folderMillis)) continue
    await apply(connection, name, sql, folderMillis, renew)
    await connection.query('insert into `__drizzle_migrations` (hash, created_at) values (?, ?)', [hash, folderMillis])
    await connection.query('delete from `migration_progress` where created_at = ?', [folderMillis])
    applied++
  }
  return applied
}

async function apply(connection: Connection, name: string, statements: readonly string[], createdAt: number, renew: () => Promise<void>): Promise<void> {
  const [[progress]] = await connection.query<RowDataPacket[]>('select done from `migration_progress` where created_at = ?', [createdAt])
  const from = progress ? Number(progress.done) : 0
  if (progress) console.error(`· the change of tables ${name} was interrupted after ${from} of ${statements.length} steps: going on`)
  else await connection.query('insert into `migration_progress` (created_at, done) values (?, 0)', [createdAt])
  for (let step = from; step < statements.length; step++) {
    await renew()
    try {
      await connection.query(statements[step]!)
    } catch (error) {
      const { errno, sqlMessage } = error as { errno?: number; sqlMessage?: string }
      const doneBefore = progress !== undefined && step === from && alreadyDone.has(errno ?? 0)
      if (!doneBefore) {
        if (sqlMessage === undefined) throw error
        await connection.query('update `migration_progress` set error = ? where created_at = ?', [sqlMessage.slice(0, 2000), createdAt])
        throw new MigrationBroken(
          `The change of tables ${name} stopped at step ${step + 1} of ${statements.length}: ${sqlMessage}\n` +
            'Nothing entered is lost. Either mend what it names and start again: it goes on at that step. Or restore the last backup: npm run restore -- FILE --yes',
        )
      }
    }
    await connection.query('update `migration_progress` set done = ? where created_at = ?', [step + 1, createdAt])
  }
}

function tags(folder: string): string[] {
  const journal = JSON.parse(readFileSync(`${folder}/meta/_journal.json`, 'utf8')) as { entries: { tag: string }[] }
  return journal.entries.map((one) => one.tag)
}
