import { parseArgs } from 'node:util'
import { assembleSignatures, buildSingles, noExceptions, isFreshSignatureFile, readSignatureFile, separability, type Catalogue } from '@dewpoint/core/diagnosis'
import { systemProblems } from '@dewpoint/core/system'
import { stockCatalogues, wiredCatalogues } from '@dewpoint/trade'
import { refuse } from './refuse.ts'
import { readShipped } from '@dewpoint/trade/shipped'

/**
 * Measures the quality of the catalogue: whether any two faults that need different remedies are parted by some check.
 * Ends with exit code 1 when a pair is parted by nothing and not listed with why, when a fault is seen by nothing, or a check parts nothing.
 */
const known = [...Object.values(stockCatalogues), ...wiredCatalogues()]
const usage = `usage: npm run -s catalogue -- --check [--system ${known.map((one) => one.system.id).join('|')}] [--json]`
const { values } = (() => {
  try {
    return parseArgs({ options: { check: { type: 'boolean' }, system: { type: 'string' }, json: { type: 'boolean' } } })
  } catch (error) {
    return refuse(`${(error as Error).message}\n${usage}`)
  }
})()
if (!values.check) refuse(usage)
const wanted =
  values.system === undefined ? known : [known.find((one) => one.system.id === values.system) ?? refuse(`--system "${values.system}" is unknown\n${usage}`)]

const results = wanted.map((catalogue) => ({ ...separability(catalogue, signaturesOf(catalogue)), problems: systemProblems(catalogue.system) }))
if (values.json) process.stdout.write(`${JSON.stringify(results, null, 2)}\n`)
else {
  for (const one of results) {
    console.log(
      `${one.system}: ${one.faults} faults, ${one.checks} checks, ${one.remedies} remedies; ${one.parted} of ${one.pairs} pairs with different remedies are parted`,
    )
    for (const { faults, why } of one.listed) console.log(`  inseparable: ${faults.join(' and ')}: ${why}`)
    for (const { faults, bits, best } of one.alike) console.log(`  ALIKE: ${faults.join(' and ')} (${bits.toFixed(2)} bits at best, by ${best || 'nothing'})`)
    for (const { faults, by } of one.wronglyListed) console.log(`  LISTED AS INSEPARABLE BUT PARTED: ${faults.join(' and ')} by ${by}`)
    for (const fault of one.unseen) console.log(`  SEEN BY NOTHING: ${fault}`)
    for (const check of one.idle) console.log(`  PARTS NOTHING: ${check}`)
    for (const { field, message } of one.problems) console.log(`  WRONG: ${field}: ${message}`)
  }
}
const defects = results.reduce((sum, one) => sum + one.alike.length + one.unseen.length + one.idle.length + one.wronglyListed.length + one.problems.length, 0)
if (defects > 0) process.exitCode = 1

/** The shipped signatures where they belong to the catalogue, else the single faults simulated now: pairs do not matter here. */
function signaturesOf(catalogue: Catalogue) {
  const bytes = readShipped(catalogue.system.id)
  return bytes && isFreshSignatureFile(catalogue, bytes)
    ? readSignatureFile(catalogue, bytes)
    : assembleSignatures(catalogue, buildSingles(catalogue), noExceptions)
}
