import type { AuditKind, FirmCosts, FirmProfile, Role } from '@dewpoint/contract'
import type { CaseSettings, CaseSummary } from '@dewpoint/core/casebook'
import { bigint, boolean, char, customType, datetime, double, index, int, json, mysqlTable, primaryKey, uniqueIndex, varchar } from 'drizzle-orm/mysql-core'

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
    /** of what is proved, how much stands in the counts */
    counted: varchar('counted', { length: 500 }).notNull().default(''),
    /** up to where the summary is folded, so that more is added to it; null: the journal is folded anew */
    foldedTo: varchar('folded_to', { length: 60 }),
    /** when the person was taken out of it */
    erasedAt: datetime('erased_at', { mode: 'date', fsp: 3 }),
    /** when it was written in last, by the clock of the database: what others look for who want to know */
    changedAt: datetime('changed_at', { mode: 'date', fsp: 3 })
      .notNull()
      .default(new Date(Date.UTC(2000, 0, 1))),
  },
  (table) => [
    index('cases_listed').on(table.openedAt, table.id, table.searched),
    index('cases_appliance').on(table.applianceId),
    index('cases_changed').on(table.changedAt),
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
    /** the id of whoever said it; a name of those who said it before people signed in, until it is raised */
    author: varchar('author', { length: 120 }).notNull(),
    authorName: varchar('author_name', { length: 120 }).notNull().default(''),
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
    /** the id of whoever wrote it; up to schema 3 their name */
    author: varchar('author', { length: 120 }).notNull(),
    authorName: varchar('author_name', { length: 120 }),
    /** who was signed in when it was sent; missing of what came before people signed in */
    sentBy: char('sent_by', { length: 36 }),
    type: varchar('type', { length: 20 }).notNull(),
    schemaVersion: int('schema_version').notNull(),
    payload: json('payload').notNull(),
  },
  (table) => [uniqueIndex('entries_case_id').on(table.caseId, table.id), uniqueIndex('entries_case_position').on(table.caseId, table.position)],
)

/** Who works here. Nobody is ever deleted: what they wrote carries their id. */
export const people = mysqlTable(
  'people',
  {
    id: char('id', { length: 36 }).primaryKey(),
    name: varchar('name', { length: 120 }).notNull(),
    /** names they went by before: what was written under one of them is theirs */
    formerNames: json('former_names').$type<string[]>().notNull(),
    role: varchar('role', { length: 12 }).$type<Role>().notNull(),
    /** argon2id, with its salt and settings; null before they chose one */
    passPhrase: varchar('pass_phrase', { length: 200 }),
    /** the pass phrase alone lets nobody in as them */
    onlyPasskey: boolean('only_passkey').notNull().default(false),
    madeAt: datetime('made_at', { mode: 'date', fsp: 3 }).notNull(),
    leftAt: datetime('left_at', { mode: 'date', fsp: 3 }),
  },
  (table) => [uniqueIndex('people_name').on(table.name)],
)

/** Devices people sign in on. The token itself is known to the device alone. */
export const devices = mysqlTable(
  'devices',
  {
    id: char('id', { length: 36 }).primaryKey(),
    /** SHA-256 of the token */
    token: char('token', { length: 64 }).notNull(),
    label: varchar('label', { length: 60 }).notNull(),
    /** who acted on it last */
    person: char('person', { length: 36 }).notNull(),
    madeAt: datetime('made_at', { mode: 'date', fsp: 3 }).notNull(),
    seenAt: datetime('seen_at', { mode: 'date', fsp: 3 }).notNull(),
    endedAt: datetime('ended_at', { mode: 'date', fsp: 3 }),
    wipedAt: datetime('wiped_at', { mode: 'date', fsp: 3 }),
  },
  (table) => [uniqueIndex('devices_token').on(table.token), index('devices_seen').on(table.seenAt)],
)

/** Who is signed in on which device. */
export const signIns = mysqlTable(
  'sign_ins',
  {
    device: char('device', { length: 36 }).notNull(),
    person: char('person', { length: 36 }).notNull(),
    since: datetime('since', { mode: 'date', fsp: 3 }).notNull(),
    /** when they last proved who they are on it */
    provedAt: datetime('proved_at', { mode: 'date', fsp: 3 })
      .notNull()
      .default(new Date(Date.UTC(2000, 0, 1))),
    endedAt: datetime('ended_at', { mode: 'date', fsp: 3 }),
  },
  (table) => [primaryKey({ columns: [table.device, table.person] }), index('sign_ins_person').on(table.person)],
)

/** Codes that are used once: for the first owner, for somebody new, for whoever forgot. */
export const codes = mysqlTable('codes', {
  /** SHA-256 of the code */
  code: char('code', { length: 64 }).primaryKey(),
  /** whose; null for the first owner */
  person: char('person', { length: 36 }),
  madeAt: datetime('made_at', { mode: 'date', fsp: 3 }).notNull(),
  until: datetime('until', { mode: 'date', fsp: 3 }).notNull(),
  usedAt: datetime('used_at', { mode: 'date', fsp: 3 }),
})

/** Passkeys: what a telephone or computer of somebody’s signs them in with. The secret part never leaves it. */
export const passkeys = mysqlTable(
  'passkeys',
  {
    /** SHA-256 of its identifier, which may be long */
    key: char('key', { length: 64 }).primaryKey(),
    id: varchar('id', { length: 1400 }).notNull(),
    person: char('person', { length: 36 }).notNull(),
    /** base64url of the public key, COSE */
    publicKey: varchar('public_key', { length: 4000 }).notNull(),
    counter: bigint('counter', { mode: 'number' }).notNull(),
    transports: json('transports').$type<string[]>().notNull(),
    label: varchar('label', { length: 60 }).notNull(),
    madeAt: datetime('made_at', { mode: 'date', fsp: 3 }).notNull(),
    usedAt: datetime('used_at', { mode: 'date', fsp: 3 }),
  },
  (table) => [index('passkeys_person').on(table.person)],
)

/** What devices were asked to sign, each good once and for minutes. */
export const challenges = mysqlTable(
  'challenges',
  {
    /** SHA-256 of it */
    key: char('key', { length: 64 }).primaryKey(),
    /** who makes a passkey; null for whoever signs in with one */
    person: char('person', { length: 36 }),
    until: datetime('until', { mode: 'date', fsp: 3 }).notNull(),
  },
  (table) => [index('challenges_until').on(table.until)],
)

/** Tries to sign in that came to nothing: by a name, and from an address. */
export const tries = mysqlTable('tries', {
  /** SHA-256 of what is counted */
  key: char('key', { length: 64 }).primaryKey(),
  count: int('count').notNull(),
  lastAt: datetime('last_at', { mode: 'date', fsp: 3 }).notNull(),
  /** before this nothing is tried */
  until: datetime('until', { mode: 'date', fsp: 3 }).notNull(),
})

/** Who did what with data of the firm and its customers. Append-only. */
export const audit = mysqlTable(
  'audit',
  {
    /** a UUID; of reads one made of hour, person and subject, so that the same is told once */
    id: char('id', { length: 36 }).primaryKey(),
    at: datetime('at', { mode: 'date', fsp: 3 }).notNull(),
    person: char('person', { length: 36 }),
    device: char('device', { length: 36 }),
    kind: varchar('kind', { length: 12 }).$type<AuditKind>().notNull(),
    of: varchar('of_what', { length: 20 }).notNull(),
    subject: varchar('subject', { length: 120 }).notNull(),
    about: varchar('about', { length: 200 }).notNull(),
  },
  (table) => [index('audit_at').on(table.at, table.id), index('audit_subject').on(table.subject, table.at), index('audit_person').on(table.person, table.at)],
)

/** What devices that were signed out from afar had not sent: as it came, until somebody has looked. */
export const handIns = mysqlTable('hand_ins', {
  id: char('id', { length: 36 }).primaryKey(),
  device: char('device', { length: 36 }).notNull(),
  receivedAt: datetime('received_at', { mode: 'date', fsp: 3 }).notNull(),
  items: json('items').$type<object[]>().notNull(),
  settledAt: datetime('settled_at', { mode: 'date', fsp: 3 }),
})

/** Who looks at which case, until when if no further sign comes. */
export const presence = mysqlTable(
  'presence',
  {
    caseId: char('case_id', { length: 36 }).notNull(),
    device: char('device', { length: 36 }).notNull(),
    person: char('person', { length: 36 }).notNull(),
    until: datetime('until', { mode: 'date', fsp: 3 }).notNull(),
  },
  (table) => [primaryKey({ columns: [table.caseId, table.device] }), index('presence_until').on(table.until)],
)

/** How many cases proved a fault, by kind of boiler and the month they were opened in; under no fault, how many proved anything at all. */
export const learnt = mysqlTable(
  'learnt',
  {
    system: varchar('system', { length: 60 }).notNull(),
    /** 2026-03 */
    month: char('month', { length: 7 }).notNull(),
    fault: varchar('fault', { length: 120 }).notNull(),
    cases: int('cases').notNull(),
  },
  (table) => [primaryKey({ columns: [table.system, table.month, table.fault] })],
)

/** Work on everything that is kept, done once by one server at a time: how far it is, and who does it until when. */
export const jobs = mysqlTable('jobs', {
  name: varchar('name', { length: 60 }).primaryKey(),
  /** which version of the work was begun, and which is done */
  version: int('version').notNull(),
  finished: int('finished').notNull().default(0),
  /** where it goes on */
  reached: varchar('reached', { length: 200 }).notNull().default(''),
  done: int('done').notNull().default(0),
  holder: char('holder', { length: 36 }),
  leasedUntil: datetime('leased_until', { mode: 'date', fsp: 3 }),
})
