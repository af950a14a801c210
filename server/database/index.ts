export { connect, migrateDatabase, type Database } from './connect.ts'
export * as tables from './schema.ts'
