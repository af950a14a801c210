import { allJobs } from '../jobs/all.ts'
import { workOff } from '../jobs/index.ts'
import { giveAllBack } from '../jobs/queries.ts'
import { connect } from './connect.ts'
import { migrateDatabase } from './migrate.ts'

/** Brings the database of DATABASE_URL up to date and ends: for a backup that is being restored. */
const url = process.env.DATABASE_URL ?? ''
try {
  await migrateDatabase(url, 'server/database/migrations')
  const database = connect(url)
  // it may have been saved while a server was at work on it
  await giveAllBack(database)
  if (!(await workOff(database, allJobs)).finished) throw new Error('what is kept beside the journals could not be brought up to date')
  await database.close()
} catch (error) {
  console.error((error as Error).message)
  process.exitCode = 1
}
