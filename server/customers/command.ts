import { existsSync, writeFileSync } from 'node:fs'
import { connect } from '../database/index.ts'
import { eraseCustomer, exportCustomer, findCustomers, noteExport } from './queries.ts'

/** Gives out, or erases, what is kept of one customer: `export NAME FILE`, `erase NAME --yes`. */
const [what, asked, ...rest] = process.argv.slice(2)
const wrong = (text: string) => {
  console.error(text)
  process.exitCode = 2
}

if ((what !== 'export' && what !== 'erase') || !asked) wrong('Say which: npm run customer -- export "NAME" FILE, or npm run customer -- erase "NAME" --yes')
else {
  const database = connect(process.env.DATABASE_URL!, { statement: 60_000 })
  try {
    const found = await findCustomers(database, asked)
    const [one] = found
    if (!one) wrong(`No place is called “${asked}” or stands there. Give its name as it is written in Dewpoint.`)
    else if (found.length > 1)
      wrong(
        `${found.length} places are called so. Give the number of the one you mean:\n${found.map(({ id, name, address }) => `  ${id}  ${name}, ${address}`).join('\n')}`,
      )
    else if (what === 'export') {
      const [file] = rest
      if (!file) wrong('Say where to: npm run customer -- export "NAME" FILE')
      else if (existsSync(file)) wrong(`${file} is there already. Choose another name.`)
      else {
        const data = await exportCustomer(database, one.id)
        writeFileSync(file, `${JSON.stringify(data, null, 2)}\n`, { mode: 0o600, flag: 'wx' })
        await noteExport(database, one.id, one.name, new Date())
        console.log(`${file}: everything kept of ${one.name}. It holds personal data: keep it as such.`)
      }
    } else if (!rest.includes('--yes'))
      wrong(`This takes the person out of everything kept of ${one.name}, ${one.address}, for good. Say so: npm run customer -- erase "${asked}" --yes`)
    else {
      const { cases, entries, pictures } = await eraseCustomer(database, one.id, new Date())
      console.log(`Erased: ${cases} cases stay without the person, ${entries} entries were emptied of them, ${pictures} pictures deleted.`)
      console.log('Copies on devices follow when they next look at the case, after eight weeks at the latest. Backups of before still hold it.')
    }
  } finally {
    await database.close()
  }
}
