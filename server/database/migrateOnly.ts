import { allJobs } from '../jobs/all.ts'
import { workOff } from '../jobs/index.ts'
import { connect } from './connect.ts'
import { migrateDatabase } from './migrate.ts'

/** Brings the database of DATABASE_URL up to date and ends: for a backup that is being restored. */
const url = process.env.DATABASE_URL ?? ''
try {
  await migrateDatabase(url, 'server/database/migrations')
  const database = connect(url)
  await workOff(database, allJobs)
  await database.close()
} catch (error) {
  console.error((error as Error).message)
  process.exitCode = 1
}
