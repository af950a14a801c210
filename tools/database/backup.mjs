// npm run backup -- FILE: everything entered, in one file, while Dewpoint runs or not.
import { existsSync } from 'node:fs'
import { createGzip } from 'node:zlib'
import { Advice, command, say } from '../run.mjs'
import { countOf, dumpTo, withDatabase } from './dump.mjs'

const args = process.argv.slice(2)

await command(async () => {
  const [file, ...rest] = args.filter((one) => one !== '--yes')
  if (!file || rest.length > 0) throw new Advice('Say where to: npm run backup -- FILE, for example npm run backup -- dewpoint-today.sql.gz')
  if (existsSync(file) && !args.includes('--yes')) throw new Advice(`${file} is there already. Choose another name, or add --yes to replace it.`)
  await withDatabase(async (database) => {
    const size = await dumpTo(database, file, createGzip())
    const { cases, entries } = await countOf(database)
    say(`${file}: ${cases} cases, ${entries} entries, ${Math.ceil(size / 1024)} kB`)
  })
})
