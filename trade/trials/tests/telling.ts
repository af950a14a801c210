import { type Entry, scriptedJournal } from '@dewpoint/core/casebook'
import { diagnose, type Diagnosis } from '@dewpoint/core/diagnosis'
import { catalogueFor, catalogues } from '../../index.ts'
import { loadSignatures } from '../../shipped.ts'
import { isEntry, type Statement, type Story } from '../../stories/statements.ts'

export * from '../../stories/statements.ts'

/** Every statement of a story with what was made of the entries before it. */
function played({ system, controls, tell }: Story): { statement: Statement; now: Diagnosis }[] {
  const catalogue = controls ? catalogueFor(system, controls)! : catalogues[system]!
  const signatures = loadSignatures(catalogue)
  const entries: Entry[] = []
  let now: Diagnosis | undefined
  return tell(scriptedJournal()).flatMap((one) => {
    // several statements about one moment are asked of one diagnosis
    if (!isEntry(one)) return [{ statement: one, now: (now ??= diagnose(catalogue, signatures, entries)) }]
    entries.push(one)
    now = undefined
    return []
  })
}

/** Every statement of a story that does not hold, with what was thought instead. */
export function missedIn(story: Story): string[] {
  return played(story).flatMap(({ statement, now }) =>
    statement.holds(now)
      ? []
      : [
          [
            `${statement.says}; but: ${now.suspects
              .slice(0, 4)
              .map((one) => `${one.key} ${one.probability.toFixed(2)}`)
              .join(', ')}`,
            `next ${now.next
              .slice(0, 4)
              .map((one) => one.check)
              .join(', ')}`,
            `plan ${now.plans[0]?.steps.map((one) => one.remedy).join(', ')}`,
            `closing ${now.closing.join(' | ')}`,
          ].join('; '),
        ],
  )
}
