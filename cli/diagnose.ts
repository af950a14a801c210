import { readFileSync } from 'node:fs'
import { createInterface } from 'node:readline'
import { parseArgs } from 'node:util'
import { diagnoseCase, diagnoseLine, orders } from './diagnoseCase.ts'
import { lists } from './lists.ts'
import { refuse } from './refuse.ts'

const usage = `usage: npm run -s diagnose -- CASE.json [--order ${orders.join('|')}]
       npm run -s diagnose -- --lines < CASES.jsonl
       npm run -s diagnose -- --list ${Object.keys(lists).join('|')}`

const { values, positionals } = (() => {
  try {
    return parseArgs({ allowPositionals: true, options: { order: { type: 'string' }, list: { type: 'string' }, lines: { type: 'boolean' } } })
  } catch (error) {
    return refuse(`${(error as Error).message}\n${usage}`)
  }
})()

if (values.list !== undefined) {
  const list = lists[values.list] ?? refuse(`--list "${values.list}" is unknown\n${usage}`)
  print(list())
} else if (values.lines) {
  if (positionals.length > 0 || values.order !== undefined) refuse(`--lines reads standard input; each line carries its own "order"\n${usage}`)
  // whoever reads may stop reading
  process.stdout.on('error', () => process.exit(0))
  for await (const line of createInterface({ input: process.stdin, crlfDelay: Infinity })) {
    if (line.trim() !== '' && !process.stdout.write(`${diagnoseLine(line)}\n`)) await new Promise((go) => process.stdout.once('drain', go))
  }
} else {
  const [path] = positionals
  if (path === undefined || positionals.length > 1) refuse(usage)
  if (values.order !== undefined && !(orders as readonly string[]).includes(values.order)) refuse(`--order "${values.order}" is unknown: ${orders.join(', ')}`)
  const result = diagnoseCase(readJson(path), values.order)
  print(result.ok ? result.diagnosis : refuse(result.error))
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
