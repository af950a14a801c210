import type { FirmCosts, FirmProfile } from '@dewpoint/contract'
import type { CaseSettings, CaseSummary } from '@dewpoint/core/casebook'
import { bigint, char, customType, datetime, double, index, int, json, mysqlTable, primaryKey, uniqueIndex, varchar } from 'drizzle-orm/mysql-core'

/** Folded text, compared byte by byte: what a search is looked for in. */
const searchText = (name: string, length: number) =>
  customType<{ data: string; notNull: true; default: true }>({ dataType: () => `varchar(${length}) character set utf8mb4 collate utf8mb4_bin` })(name)
    .notNull()
    .default('')

/** Customers' places. */
export const sites = mysqlTable(
  'sites',
  {
    id: char('id', { length: 36 }).primaryKey(),
    name: varchar('name', { length: 120 }).notNull(),
    address: varchar('address', { length: 200 }).notNull(),
    note: varchar('note', { length: 500 }).notNull(),
    phone: varchar('phone', { length: 40 }).notNull().default(''),
    /** name, address and the figures of the telephone number as they are searched; empty until it is folded */
    searched: searchText('searched', 400),
  },
  (table) => [index('sites_listed').on(table.name, table.id, table.searched)],
)

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

/**
 * Call-outs. `summary` is a cache folded from the journal for lists; it can be rebuilt at any time. `position` counts the entries of the
 * journal: whoever appends locks the row, so it is in the order of commits, on a cluster too.
 */
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
    settings: json('settings').$type<CaseSettings>().notNull(),
    summary: json('summary').$type<CaseSummary>().notNull(),
    position: int('position').notNull().default(0),
    /** place and boiler as they are searched; empty until it is folded */
    searched: searchText('searched', 520),
    /** the kind of boiler and the faults proved on it, for what the firm has learnt: copies, so that one index answers it */
    system: varchar('system', { length: 60 }).notNull().default(''),
    proven: varchar('proven', { length: 500 }).notNull().default(''),
  },
  (table) => [
    index('cases_listed').on(table.openedAt, table.id, table.searched),
    index('cases_appliance').on(table.applianceId),
    index('cases_learnt').on(table.system, table.openedAt, table.proven),
  ],
)

/** What the firm has set. One row. */
export const firm = mysqlTable('firm', {
  id: int('id').primaryKey(),
  costs: json('costs').$type<FirmCosts>().notNull(),
  timeZone: varchar('time_zone', { length: 60 }),
  /** what is said of the firm itself; null before anybody did */
  profile: json('profile').$type<FirmProfile>(),
  revision: int('revision').notNull().default(1),
})

/** What the firm has of parts and pays for them, where somebody said so. */
export const parts = mysqlTable('parts', {
  part: varchar('part', { length: 120 }).primaryKey(),
  price: double('price'),
  van: int('van').notNull(),
  store: int('store').notNull(),
  revision: int('revision').notNull(),
})

/** Up to sixteen megabytes as they are. */
const mediumBlob = customType<{ data: Buffer; notNull: true }>({ dataType: () => 'mediumblob' })

/** Pictures, by the SHA-256 of their content. */
export const photos = mysqlTable('photos', {
  hash: char('hash', { length: 64 }).primaryKey(),
  type: varchar('type', { length: 20 }).notNull(),
  width: int('width').notNull(),
  height: int('height').notNull(),
  bytes: mediumBlob('bytes').notNull(),
  receivedAt: datetime('received_at', { mode: 'date', fsp: 3 }).notNull(),
})

/** What engineers say of a kind of boiler from their own experience: how many calls in ten each fault turns out to be. One opinion a person. */
export const statedOdds = mysqlTable(
  'stated_odds',
  {
    system: varchar('system', { length: 60 }).notNull(),
    fault: varchar('fault', { length: 120 }).notNull(),
    author: varchar('author', { length: 120 }).notNull(),
    inTen: int('in_ten').notNull(),
    statedAt: datetime('stated_at', { mode: 'date', fsp: 3 }).notNull(),
  },
  (table) => [primaryKey({ columns: [table.system, table.fault, table.author] })],
)

/** What devices found when they simulated pairs of faults: by the fingerprint of the catalogue, the pair and the device. */
export const pairReports = mysqlTable(
  'pair_reports',
  {
    catalogue: char('catalogue', { length: 16 }).notNull(),
    pair: int('pair').notNull(),
    device: char('device', { length: 36 }).notNull(),
    /** fingerprint of the exceptions, rounded: two devices that agree have the same */
    digest: char('digest', { length: 16 }).notNull(),
    exceptions: json('exceptions').$type<[at: number, value: number | null][]>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.catalogue, table.pair, table.device] })],
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
    /** where the entry stands in its case, in the order the server took them: 1, 2, 3 … */
    position: int('position').notNull(),
    at: varchar('at', { length: 24 }).notNull(),
    /** missing of entries written before there were clocks */
    clock: char('clock', { length: 17 }),
    device: char('device', { length: 36 }),
    receivedAt: datetime('received_at', { mode: 'date', fsp: 3 }),
    author: varchar('author', { length: 120 }).notNull(),
    type: varchar('type', { length: 20 }).notNull(),
    schemaVersion: int('schema_version').notNull(),
    payload: json('payload').notNull(),
  },
  (table) => [uniqueIndex('entries_case_id').on(table.caseId, table.id), uniqueIndex('entries_case_position').on(table.caseId, table.position)],
)
