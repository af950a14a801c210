import type { CaseSummary } from '@dewpoint/core/casebook'
import { bigint, char, datetime, index, int, json, mysqlTable, primaryKey, uniqueIndex, varchar } from 'drizzle-orm/mysql-core'

/** Customers' places. */
export const sites = mysqlTable('sites', {
  id: char('id', { length: 36 }).primaryKey(),
  name: varchar('name', { length: 120 }).notNull(),
  address: varchar('address', { length: 200 }).notNull(),
  note: varchar('note', { length: 500 }).notNull(),
})

/** Boilers standing at sites. */
export const appliances = mysqlTable(
  'appliances',
  {
    id: char('id', { length: 36 }).primaryKey(),
    siteId: char('site_id', { length: 36 })
      .notNull()
      .references(() => sites.id),
    system: varchar('system', { length: 60 }).notNull(),
    label: varchar('label', { length: 120 }).notNull(),
    installedOn: varchar('installed_on', { length: 10 }).notNull(),
  },
  (table) => [index('appliances_site').on(table.siteId)],
)

/** Call-outs. `summary` is a cache folded from the journal for lists; it can be rebuilt at any time. */
export const cases = mysqlTable(
  'cases',
  {
    id: char('id', { length: 36 }).primaryKey(),
    siteId: char('site_id', { length: 36 })
      .notNull()
      .references(() => sites.id),
    applianceId: char('appliance_id', { length: 36 })
      .notNull()
      .references(() => appliances.id),
    openedAt: datetime('opened_at', { mode: 'date', fsp: 3 }).notNull(),
    controls: varchar('controls', { length: 60 }).notNull(),
    settings: json('settings').$type<Record<string, string | number | boolean>>().notNull(),
    summary: json('summary').$type<CaseSummary>().notNull(),
  },
  (table) => [index('cases_opened').on(table.openedAt)],
)

/** What things cost the firm. One row. */
export const firm = mysqlTable('firm', {
  id: int('id').primaryKey(),
  costs: json('costs').$type<{ hourlyRate: number; secondTrip: number; wrongPart: number }>().notNull(),
})

/** Readings of pairs of faults that some device has simulated, for all: by the fingerprint of the catalogue, and the pair. */
export const pairs = mysqlTable(
  'pairs',
  {
    catalogue: char('catalogue', { length: 16 }).notNull(),
    pair: int('pair').notNull(),
    exceptions: json('exceptions').$type<[at: number, value: number | null][]>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.catalogue, table.pair] })],
)

/** The journals: append-only. */
export const entries = mysqlTable(
  'entries',
  {
    sequence: bigint('sequence', { mode: 'number' }).autoincrement().primaryKey(),
    id: char('id', { length: 36 }).notNull(),
    caseId: char('case_id', { length: 36 })
      .notNull()
      .references(() => cases.id),
    at: varchar('at', { length: 24 }).notNull(),
    author: varchar('author', { length: 120 }).notNull(),
    type: varchar('type', { length: 20 }).notNull(),
    schemaVersion: int('schema_version').notNull(),
    payload: json('payload').notNull(),
  },
  (table) => [uniqueIndex('entries_case_id').on(table.caseId, table.id)],
)
