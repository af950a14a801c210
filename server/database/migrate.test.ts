import { cpSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Case, CaseList, Firm, Past } from '@dewpoint/contract'
import { byName } from '@dewpoint/core/casebook'
import { createConnection, type Connection } from 'mysql2/promise'
import { describe, expect, it } from 'vitest'
import { buildApp } from '../app.ts'
import { allJobs } from '../jobs/all.ts'
import { workOff } from '../jobs/index.ts'
import { emptyDatabase, migrations, signedInAs, signInAll } from '../testApp.ts'
import { connect, migrateDatabase, MigrationBroken } from './index.ts'

/** somebody known by name alone */
const wren = { author: byName('Wren Tallow').id, authorName: 'Wren Tallow' }
const journal = JSON.parse(readFileSync(`${migrations}/meta/_journal.json`, 'utf8')) as { entries: { tag: string; when: number }[] }
const all = journal.entries.length
const statements = (file: string) => readFileSync(file, 'utf8').split('--> statement-breakpoint')

async function within<T>(url: string, work: (connection: Connection) => Promise<T>): Promise<T> {
  const connection = await createConnection({ uri: url })
  try {
    return await work(connection)
  } finally {
    await connection.end()
  }
}
const run = (url: string, list: readonly string[]) =>
  within(url, async (connection) => {
    for (const one of list) await connection.query(one)
  })
const rows = async (url: string, query: string) => (await within(url, (connection) => connection.query(query)))[0] as Record<string, unknown>[]

/** A database of an older version, with the data that version wrote. */
async function ofVersion(name: string, version: number): Promise<string> {
  const url = await emptyDatabase(name)
  for (let one = 0; one < version; one++) {
    await migrateDatabase(url, migrations, one + 1)
    await run(url, statements(`server/database/fixtures/${String(one).padStart(4, '0')}.sql`))
  }
  return url
}

describe('migrations', () => {
  it.each(Array.from({ length: all - 1 }, (_unused, index) => index + 1))(
    'bring a database with the data of version %i up to date, and nothing is lost',
    async (version) => {
      const url = await ofVersion(`version${version}`, version)
      expect(await migrateDatabase(url, migrations)).toBe(all - version)
      const database = connect(url)
      expect(await workOff(database, allJobs)).toEqual({ finished: true, done: expect.toSatisfy((done: number) => done >= 3) as number })
      expect(await workOff(database, allJobs)).toEqual({ finished: true, done: 0 })
      await signInAll(database)
      const app = signedInAs(await buildApp({ database }), 'owner')
      const get = async <T>(path: string) => (await app.inject(path)).json<T>()
      const { cases } = await get<CaseList>('/api/cases')
      expect(cases.map((one) => [one.id.slice(-4), one.position, one.settings])).toEqual([
        ['a004', version > 2 ? 2 : 1, {}],
        ['a003', version > 7 ? 5 : 4, { hourlyRate: 60 }],
      ])
      expect(cases[1]!.site.note).toBe('Key next door. Käse, 🫖')
      expect(cases[1]!.summary).toMatchObject({ complaints: ['locksOut'], condemned: ['fan'], closed: true, proven: ['fan.seized'] })
      const found = await get<Case>(`/api/cases/${cases[1]!.id}`)
      expect(found.entries.map((one) => [one.id.slice(-4), one.schema, one.at])).toEqual([
        ['b001', 4, '2026-03-01T09:00:00Z'],
        ['b002', 4, '2026-03-01T10:00:00.000Z'],
        ['b003', 4, '2026-03-01T10:30:00.5Z'],
        ['b004', 4, '2026-03-01T11:00:00.000Z'],
        ...(version > 7 ? [['b009', 4, '2026-03-02T09:00:00.000Z']] : []),
      ])
      expect(found.entries[0]!.payload).toEqual({ what: 'locksOut', words: 'stops with a code 🫖' })
      // written when impossible dates still passed: shown as it is, at the time in its id
      expect((await get<Case>(`/api/cases/${cases[0]!.id}`)).entries[0]).toMatchObject({ at: '2026-02-31T09:30:61Z', clock: '01934a000000-0000' })
      expect((await get<Past>(`/api/cases/${cases[0]!.id}/past`)).experience).toEqual({
        cases: 1,
        proven: { 'fan.seized': 1 },
        ...(version > 6 ? { stated: { 'fan.seized': 0.3 }, opinions: [{ ...wren, fault: 'fan.seized', inTen: 3 }] } : { stated: {}, opinions: [] }),
      })
      expect(found.entries[0]).toMatchObject({ author: byName(found.entries[0]!.authorName).id })
      const costs = { hourlyRate: 58, secondTrip: 80, wrongPart: 200 }
      const settings = [null, null, { costs, timeZone: 'UTC', revision: 1 }, { costs, timeZone: 'Europe/Lisbon', revision: 2 }]
      expect((await get<Firm>('/api/firm')).settings).toEqual(settings[Math.min(version, 3)])
      const written = (await get<Case>(`/api/cases/${cases[0]!.id}`)).entries.slice(1)
      expect(written.map((one) => [one.clock, one.device?.slice(-4)])).toEqual(version > 2 ? [['019cadfd8900-0000', 'd001']] : [])
      // found by its place, without accents and capitals
      expect((await get<CaseList>('/api/cases?search=NET%20LOFT')).cases).toHaveLength(2)
      expect(cases[1]!.site.phone).toBe(version > 5 ? '0555 010 114' : '')
      await app.close()
      await database.close()
    },
  )

  it('by several servers at once, on an empty database and on an older one, are made once', async () => {
    for (const [name, version] of [
      ['together0', 0],
      ['together1', 1],
      ['together3', 3],
    ] as const) {
      const url = await ofVersion(name, version)
      const applied = await Promise.all(Array.from({ length: 4 }, () => migrateDatabase(url, migrations)))
      expect(applied.sort()).toEqual([0, 0, 0, all - version])
      expect(await rows(url, 'select count(*) as n from `__drizzle_migrations`')).toEqual([{ n: all }])
      expect(await rows(url, 'select count(*) as n from `migration_progress`')).toEqual([{ n: 0 }])
    }
  })

  it.each(journal.entries.slice(1).map(({ tag, when }, index) => [tag, when, index + 1] as const))(
    '%s, interrupted after any statement, goes on where it stopped',
    async (tag, when, version) => {
      const steps = statements(`${migrations}/${tag}.sql`)
      for (const [done, recorded] of [
        [1, 1],
        [steps.length, steps.length - 1],
        ...(steps.length > 4 ? [[4, 3] as const, [steps.length - 1, steps.length - 1] as const] : []),
      ] as const) {
        // as a crash leaves it: some statements done, the last perhaps not recorded any more
        const url = await ofVersion('interrupted', version)
        await run(url, steps.slice(0, done))
        await within(url, (connection) => connection.query('insert into `migration_progress` (created_at, done) values (?, ?)', [when, recorded]))
        expect(await migrateDatabase(url, migrations)).toBe(all - version)
        const positions = [1, 2, 3, 4, ...(version > 7 ? [5] : []), 1, ...(version > 2 ? [2] : [])]
        expect(await rows(url, 'select position from entries order by case_id, position')).toEqual(positions.map((position) => ({ position })))
      }
    },
  )

  it('that cannot go on say what to do, and go on once that is mended', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'dewpoint-migrations-'))
    cpSync(migrations, folder, { recursive: true })
    const next = { idx: all, version: '5', when: journal.entries.at(-1)!.when + 1000, tag: '9999_broken', breakpoints: true }
    writeFileSync(join(folder, 'meta/_journal.json'), JSON.stringify({ ...journal, entries: [...journal.entries, next] }))
    writeFileSync(
      join(folder, '9999_broken.sql'),
      'CREATE TABLE `fine` (`id` int PRIMARY KEY);--> statement-breakpoint\nINSERT INTO `fine` SELECT `id` FROM `missing`',
    )
    const url = await emptyDatabase('broken')
    for (let time = 0; time < 2; time++) {
      const error: unknown = await migrateDatabase(url, folder).catch((one: unknown) => one)
      expect(error).toBeInstanceOf(MigrationBroken)
      expect((error as Error).message).toMatch(/9999_broken stopped at step 2 of 2: .*missing.*\n.*npm run restore/)
    }
    await run(url, ['CREATE TABLE `missing` (`id` int PRIMARY KEY)', 'INSERT INTO `missing` VALUES (7)'])
    expect(await migrateDatabase(url, folder)).toBe(1)
    expect(await rows(url, 'select id from fine')).toEqual([{ id: 7 }])
    // and the version before refuses a database from the future instead of writing into it
    await expect(migrateDatabase(url, migrations)).rejects.toThrow('made by a newer Dewpoint')
  })
})
