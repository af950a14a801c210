import type { CodeGiven, Member } from '@dewpoint/contract'
import type { Database } from '../database/index.ts'
import { fingerprint } from '../gate/index.ts'
import { newCode, typedCode } from '../session/codes.ts'
import { keepCode } from '../session/queries.ts'

/** days a code is good */
const good = 7

/** A new code for somebody: it is shown once, and kept only by its fingerprint. */
export async function codeFor(database: Database, { id, name, role }: Member, now: Date): Promise<CodeGiven> {
  const code = newCode()
  const until = new Date(now.getTime() + good * 86_400_000)
  await keepCode(database, fingerprint(typedCode(code)), id, now, until)
  return { person: { id, name, role }, code, until: until.toISOString() }
}
