import { byName } from '@dewpoint/core/casebook'
import { createConnection } from 'mysql2/promise'
import { connect } from '../../server/database/index.ts'
import { allJobs } from '../../server/jobs/all.ts'
import { workOff } from '../../server/jobs/index.ts'

/** How long a question takes, ms: the middle of many, and what 95 and 99 of 100 stay under. */
export interface Timing {
  median: number
  p95: number
  p99: number
}

/** @param took how long each took, ms */
export function timingOf(took: readonly number[]): Timing {
  const sorted = [...took].sort((a, b) => a - b)
  const under = (share: number) => sorted[Math.floor(sorted.length * share)] ?? 0
  return { median: under(0.5), p95: under(0.95), p99: under(0.99) }
}

/** Fills a database with cases, each of a place and boiler of its own, and with readings in each; what they prove is counted. */
export async function fillWithCases(databaseUrl: string, count: number, entriesEach = 0): Promise<void> {
  const connection = await createConnection({ uri: databaseUrl })
  const numbers = `seq_1_to_${count}`
  const uuid = (kind: string) => `concat('01900000-0000-7', '${kind}', '-8000-', lpad(hex(seq), 12, '0'))`
  await connection.query(
    `insert into sites (id, name, address, note, searched) select lower(${uuid('a00')}), concat(elt(1 + seq % 7, 'Loft', 'Quay', 'Mole', 'Slip', 'Rope', 'Sail', 'Tar'), ' House ', seq), concat('Lane ', seq % 400, ', Merrowhaven'), '', '' from ${numbers}`,
  )
  await connection.query(
    `insert into appliances (id, site_id, system, label, installed_on) select lower(${uuid('b00')}), lower(${uuid('a00')}), 'premix-combi', concat('Combination ', 20 + seq % 10), '' from ${numbers}`,
  )
  const summary = `'{"complaints":["noHotWater"],"entries":9,"readings":5,"condemned":[],"repairs":0,"closed":true,"later":0,"ending":null,"booking":{},"proven":["fan.seized"],"lastAt":null}'`
  await connection.query(
    `insert into cases (id, site_id, appliance_id, opened_at, controls, settings, summary, position, searched, system, proven) select lower(${uuid('c00')}), lower(${uuid('a00')}), lower(${uuid('b00')}), date_sub('2026-11-01', interval seq hour), 'direct', '{}', ${summary}, ${entriesEach}, '', 'premix-combi', elt(1 + seq % 3, 'fan.seized', '', 'turbine.stuck plate.heatingSideBlocked') from ${numbers}`,
  )
  // what is searched, as the server folds it
  await connection.query("update sites set searched = lower(concat(name, ' ', address))")
  await connection.query(
    "update cases join sites on sites.id = cases.site_id join appliances on appliances.id = cases.appliance_id set cases.searched = lower(concat(name, ' ', address, ' ', label))",
  )
  const author = byName('Ines Quill')
  // a stretch at a time: one transaction of a million rows would be none of what people do
  for (let from = 1; entriesEach > 0 && from <= count; from += 2000)
    await connection.query(
      `insert into entries (id, case_id, position, at, clock, device, received_at, author, author_name, type, schema_version, payload)
       select lower(concat('01900000-', lpad(hex(one.seq), 4, '0'), '-7d00-8000-', lpad(hex(cases.seq), 12, '0'))), lower(${uuid('c00').replaceAll('seq', 'cases.seq')}), one.seq, '2026-03-01T09:00:00.000Z', concat('019cadfd8900-', lpad(hex(one.seq), 4, '0')), null, now(3), ?, ?, 'reading', 4, '{"check":"ask.hotWater","outcome":"none"}'
       from seq_${from}_to_${Math.min(count, from + 1999)} as cases join seq_1_to_${entriesEach} as one`,
      [author.id, author.name],
    )
  await connection.query('analyze table sites, appliances, cases, entries')
  await connection.query("delete from jobs where name = 'cases'")
  await connection.end()
  const database = connect(databaseUrl)
  await workOff(database, allJobs)
  await database.close()
}

/** Asks the same questions of the lists again and again, and times each. */
export async function timeLists(address: string, times: number, cookie: string): Promise<Record<string, Timing>> {
  const headers = { cookie }
  const { cases } = (await (await fetch(`${address}/api/cases?limit=1`, { headers })).json()) as { cases: { id: string; openedAt: string }[] }
  const deep = `2026-03-01T00:00:00.000Z_${cases[0]!.id}`
  const questions: Record<string, string> = {
    'list of cases': '/api/cases',
    'list, deep down': `/api/cases?after=${encodeURIComponent(deep)}`,
    'search that finds many': '/api/cases?search=house',
    'search that finds one': '/api/cases?search=house%209876',
    'search that finds none': '/api/cases?search=nowhere%20at%20all',
    sites: '/api/sites',
    'sites searched': '/api/sites?search=lane%20399',
    'one case': `/api/cases/${cases[0]!.id}`,
    'what earlier cases teach': `/api/cases/${cases[0]!.id}/past`,
  }
  const timings: Record<string, Timing> = {}
  for (const [name, path] of Object.entries(questions)) {
    const took: number[] = []
    for (let time = 0; time < times; time++) {
      const began = performance.now()
      const answer = await fetch(address + path, { headers })
      await answer.arrayBuffer()
      if (!answer.ok) throw new Error(`${path} answered ${answer.status}`)
      took.push(performance.now() - began)
    }
    timings[name] = timingOf(took)
  }
  return timings
}
