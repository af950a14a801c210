export { payloadSchemas, uuid7 } from './payloads.ts'
export { entrySchemaVersion, entryTypes, envelopeSchema, type Entry, type EntryOf, type EntryType, type Payload } from './entry.ts'
export { check, parseEntry, upcast, type FieldProblem, type Parsed } from './reading/parseEntry.ts'
export {
  append,
  bookingOf,
  closingOf,
  controlsOf,
  entriesOf,
  factsOf,
  inOrder,
  provenFaults,
  sameContent,
  standing,
  summarise,
  type CaseSummary,
} from './journal.ts'
export { fold, foldMore, type Folded } from './fold.ts'
export { dayOrNothing, instant, isDay, isInstant } from './calendar.ts'
export { clockAfter, clockAt, clockOf, clockPattern, latestClock, type Clock } from './clock.ts'
export { entryBounds, outOfBounds, type Bounds } from './reading/bounds.ts'
export { untrueTimes, visitsOf, type TimeTrouble } from './times.ts'
export { caseSettingsSchema, costKinds, costsSchema, type CaseSettings, type Costs } from './settings.ts'
export { byName, personId, type Person } from './person.ts'
export { newEntry, type Writing } from './newEntry.ts'
export { scriptedJournal, writtenAt } from './scriptedJournal.ts'
