import { v7 } from 'uuid'
import { record } from '../audit/queries.ts'
import { ownChangeWords } from '../audit/ownChanges.ts'
import { connect } from '../database/index.ts'
import { memberNamed } from '../session/queries.ts'
import { codeFor } from './codeFor.ts'
import { membersHere } from './queries.ts'

/** Gives somebody a code for a new pass phrase, at the machine itself: for whoever runs the firm and has nobody to ask. */
const [asked = ''] = process.argv.slice(2)
const database = connect(process.env.DATABASE_URL!)
try {
  const person = asked.trim() === '' ? undefined : await memberNamed(database, asked.trim())
  if (!person) {
    const names = (await membersHere(database)).flatMap((one) => (one.left ? [] : [one.name]))
    const there =
      names.length > 0 ? `In the firm are ${names.join(', ')}.` : 'Nobody is in the firm yet: the server prints a code for its owner when it starts.'
    console.error(`${asked.trim() === '' ? 'Say for whom: npm run code -- "NAME".' : `Nobody in the firm is called “${asked.trim()}”.`} ${there}`)
    process.exitCode = 2
  } else {
    const now = new Date()
    const { code } = await codeFor(database, person, now)
    const about = `${person.name}${ownChangeWords.code}`
    await record(database, { id: v7(), at: now, person: null, device: null, kind: 'people', of: 'person', subject: person.id, about })
    console.log(
      `Code for ${person.name}:\n\n    ${code}\n\nIt is used once and is good for a week. With it they choose a new pass phrase; passkeys of theirs are gone then, and they are signed out elsewhere.`,
    )
  }
} finally {
  await database.close()
}
