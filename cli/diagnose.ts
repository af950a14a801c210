import { readFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
import { controlsOf } from '@dewpoint/core/casebook'
import { diagnose, type Order } from '@dewpoint/core/diagnosis'
import { readCaseFile } from '@dewpoint/core/formats'
import { catalogueFor, known } from '@dewpoint/trade'
import { lists } from './lists.ts'
import { loadSignatures } from './loadSignatures.ts'
import { refuse } from './refuse.ts'

const usage = `usage: npm run -s diagnose -- CASE.json [--order forward|backward|telling]
       npm run -s diagnose -- --list ${Object.keys(lists).join('|')}`

const { values, positionals } = (() => {
  try {
    return parseArgs({ allowPositionals: true, options: { order: { type: 'string' }, list: { type: 'string' } } })
  } catch (error) {
    return refuse(`${(error as Error).message}\n${usage}`)
  }
})()

if (values.list !== undefined) {
  const list = lists[values.list] ?? refuse(`--list "${values.list}" is unknown\n${usage}`)
  print(list())
} else {
  const [path] = positionals
  if (path === undefined || positionals.length > 1) refuse(usage)
  const order = values.order ?? 'telling'
  if (!['forward', 'backward', 'telling'].includes(order)) refuse(`--order "${order}" is unknown: forward, backward or telling`)
  const parsed = readCaseFile(readJson(path), known)
  if (!parsed.ok) refuse(parsed.problems.map(({ field, message }) => (message.startsWith(field) ? message : `${field}: ${message}`)).join('\n'))
  const { system, controls, settings, entries } = parsed.value
  // what the journal says of the wiring comes after what the file says
  const catalogue =
    catalogueFor(system, controlsOf(entries, controls)) ??
    refuse(`entries: the wiring written down is none of ${system}’s: ${known.controlsOf(system).join(', ')}`)
  const costs = {
    ...(typeof settings.hourlyRate === 'number' && { hourlyRate: settings.hourlyRate }),
    ...(typeof settings.secondTrip === 'number' && { secondTrip: settings.secondTrip }),
    ...(typeof settings.wrongPart === 'number' && { wrongPart: settings.wrongPart }),
  }
  print(diagnose(catalogue, loadSignatures(catalogue), entries, { order: order as Order, costs }))
}

function readJson(path: string): unknown {
  let text: string
  try {
    text = readFileSync(path, 'utf8')
  } catch {
    refuse(`${path}: cannot be read. Give the path of a case file.`)
  }
  try {
    return JSON.parse(text)
  } catch (error) {
    refuse(`${path}: is not JSON: ${(error as Error).message}`)
  }
}

function print(value: unknown): void {
  process.stdout.write(`${JSON.stringify(value, null, 2)}\n`)
}
