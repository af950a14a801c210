// Runs one of the command-line programs, installing and simulating first what it needs.
import { spawn } from 'node:child_process'
import { ensureSignatures } from './build.mjs'
import { ensurePackages } from './prepare.mjs'
import { bin, command } from './run.mjs'

const [name, ...args] = process.argv.slice(2)

await command(async () => {
  await ensurePackages()
  if (['diagnose', 'bench', 'catalogue', 'signatures', 'evaluate'].includes(name)) await ensureSignatures()
  if (name === 'signatures' && args.length === 0) return
  const child = spawn(bin('tsx'), [`${import.meta.dirname}/../cli/${name}.ts`, ...args], { stdio: 'inherit' })
  child.on('close', (code) => process.exit(code ?? 1))
})
