export { entrySchemaVersion, entryTypes, envelopeSchema, payloadSchemas, uuid7, type Entry, type EntryOf, type EntryType, type Payload } from './entry.ts'
export { check, parseEntry, type FieldProblem, type Parsed } from './parseEntry.ts'
export { append, controlsOf, entriesOf, inOrder, provenFaults, sameEntry, standing, summarise, type CaseSummary } from './journal.ts'
