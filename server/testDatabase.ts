import { rmSync } from 'node:fs'
import { resolve } from 'node:path'
import type { TestProject } from 'vitest/node'
import { startMariadb } from '../tools/database/mariadb.mjs'

declare module 'vitest' {
  export interface ProvidedContext {
    databaseUrl: string
    /** where the owner of the database comes in */
    databaseSocket: string
  }
}

/** Starts a throw-away MariaDB for the route tests and stops it afterwards. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const folder = resolve('.cache/mariadb-routes')
  rmSync(folder, { recursive: true, force: true })
  const mariadb = await startMariadb(folder, { lasting: false })
  project.provide('databaseUrl', mariadb.url)
  project.provide('databaseSocket', mariadb.socket)
  return () => mariadb.stop()
}
