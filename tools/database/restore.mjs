// npm run restore -- FILE: puts a backup in the place of everything entered, also one of an older version, or as it stood at a moment since.
import { build } from '../build.mjs'
import { verify, withDatabase } from './dump.mjs'
import { asTyped, momentOf } from './moment.mjs'
import { ensureInstalled } from '../prepare.mjs'
import { restoreFrom } from './restoring.mjs'
import { Advice, command, say } from '../run.mjs'

await command(async () => {
  const args = process.argv.slice(2)
  const at = args.indexOf('--until')
  const until = at < 0 ? null : momentOf(args.splice(at, 2)[1], new Date())
  const [file, ...rest] = args.filter((one) => one !== '--yes')
  if (!file || rest.length > 0)
    throw new Advice('Say which: npm run restore -- FILE, or with a moment since: npm run restore -- FILE --until "2026-11-28 14:30"')
  await verify(file)
  await ensureInstalled(...(process.env.DATABASE_URL ? [] : ['mariadb-server']))
  await build()
  await withDatabase(async (database) => {
    const { restored, kept } = await restoreFrom(database, file, { yes: args.includes('--yes'), until })
    say(`restored ${restored.cases} cases with ${restored.entries} entries from ${file}${until ? `, as it stood at ${asTyped(until)}` : ''}`)
    if (kept) say(`what was there before stands in the database ${kept} until the next restore`)
  })
})
