// Builds what runs: signatures, the web application and the server bundle. Skips what is up to date.
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { brotliCompressSync, constants, gzipSync } from 'node:zlib'
import { modelHash } from './modelHash.mjs'
import { ensurePackages } from './prepare.mjs'
import { Advice, bin, command, run, say } from './run.mjs'
import { root, unlessFresh } from './stamp.mjs'

/**
 * Signatures are shipped with the source. Those that are stale are simulated again, which takes minutes; on CI they are refused instead,
 * so that stale ones are never handed in.
 */
export async function ensureSignatures() {
  await unlessFresh('signatures', ['core', 'trade', 'cli/signatures.ts'], 'trade/signatures', async () => {
    const file = join(root, 'trade/signatures/model.txt')
    const now = await modelHash(join(root, 'core/diagnosis/signatures/simulateRows.ts'))
    const sameModel = existsSync(file) && readFileSync(file, 'utf8').trim() === now
    const stale = sameModel ? (await run(bin('tsx'), ['cli/signatures.ts', '--stale'])).trim() : 'every system'
    if (stale === '') return
    if (process.env.CI) throw new Advice(`The shipped signatures are stale (${stale}). Run npm run signatures and commit trade/signatures.`)
    say(`simulating every fault and pair of faults of ${stale}: minutes, once per change of the model`)
    await run(bin('tsx'), ['cli/signatures.ts', ...(sameModel ? [] : ['--force'])])
    writeFileSync(file, `${now}\n`)
  })
}

/** Builds everything that is stale. */
export async function build() {
  await ensureSignatures()
  await unlessFresh('web', ['core', 'trade', 'contract', 'web', 'package-lock.json', 'tools/build.mjs'], 'web/dist/index.html', async () => {
    say('building the web application')
    await run(bin('vite'), ['build', 'web', '--logLevel', 'warn'])
    packFiles(join(root, 'web/dist/assets'))
  })
  await unlessFresh('server', ['core', 'trade', 'contract', 'server', 'demo', 'package-lock.json'], 'server/dist/main.js', async () => {
    say('building the server')
    await run(bin('esbuild'), ['server/main.ts', ...bundling(), '--outfile=server/dist/main.js'])
    await run(bin('esbuild'), ['server/customers/command.ts', ...bundling(), '--outfile=server/dist/customer.js'])
    await run(bin('esbuild'), ['server/people/command.ts', ...bundling(), '--outfile=server/dist/code.js'])
    await run(bin('esbuild'), ['demo/load.ts', ...bundling(), '--outfile=demo/dist/load.js'])
  })
}

/** Files that never change under their name are packed once, for whoever asks for them so: the server need not pack them for every visitor. */
function packFiles(folder) {
  for (const name of readdirSync(folder)) {
    if (!/\.(js|css|svg)$/.test(name)) continue
    const text = readFileSync(join(folder, name))
    writeFileSync(join(folder, `${name}.gz`), gzipSync(text, { level: 9 }))
    writeFileSync(join(folder, `${name}.br`), brotliCompressSync(text, { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } }))
  }
}

/** Packages stay outside the bundle; what is of the house goes into it. */
function bundling() {
  const rooms = readdirSync(join(root, 'core'), { withFileTypes: true }).filter((one) => existsSync(join(root, 'core', one.name, 'index.ts')))
  return [
    '--bundle',
    '--platform=node',
    '--format=esm',
    '--packages=external',
    '--log-level=warning',
    '--alias:@dewpoint/contract=./contract/index.ts',
    '--alias:@dewpoint/contract/strength=./contract/strength.ts',
    '--alias:@dewpoint/trade=./trade/index.ts',
    '--alias:@dewpoint/trade/report=./trade/report/index.ts',
    ...rooms.map(({ name }) => `--alias:@dewpoint/core/${name}=./core/${name}/index.ts`),
  ]
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) {
  await command(async () => {
    await ensurePackages()
    await build()
  })
}
