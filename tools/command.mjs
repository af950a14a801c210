// Runs one of the command-line programs, installing and simulating first what it needs.
import { spawn } from 'node:child_process'
import { build, ensureSignatures } from './build.mjs'
import { ensureInstalled, ensurePackages } from './prepare.mjs'
import { bin, command } from './run.mjs'

const [name, ...args] = process.argv.slice(2)

await command(async () => {
  await ensurePackages()
  if (['diagnose', 'bench', 'catalogue', 'signatures', 'evaluate'].includes(name)) await ensureSignatures()
  if (name === 'signatures' && args.length === 0) return
  const code = await ran(`cli/${name}.ts`)
  // the sums by themselves, then what somebody waits for in the interface, then what the server keeps
  if (name !== 'bench' || code !== 0 || args.includes('--sums')) process.exit(code)
  await ensureInstalled('mariadb-server', 'chromium-headless-shell')
  await build()
  process.exit((await ran('e2e/speed.ts')) || (await ran('tools/bench/appends.ts')))
})

/** Runs a program of ours to its end. @returns its exit code */
function ran(file) {
  const child = spawn(bin('tsx'), [`${import.meta.dirname}/../${file}`, ...args.filter((one) => one !== '--sums')], { stdio: 'inherit' })
  return new Promise((done) => child.on('close', (code) => done(code ?? 1)))
}
