// Content hashes that tell whether something derived from files is stale.
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'

export const root = dirname(import.meta.dirname)

const skipped = new Set(['node_modules', 'dist', '.cache', '.dewpoint', 'test-results'])

/** Hash of the contents of files and folders given relative to the project. */
export function hashOf(paths) {
  const hash = createHash('sha256')
  for (const path of paths) visit(join(root, path), path, hash)
  return hash.digest('hex').slice(0, 24)
}

function visit(full, name, hash) {
  if (!existsSync(full)) return
  if (statSync(full).isDirectory()) {
    for (const child of readdirSync(full).sort()) if (!skipped.has(child)) visit(join(full, child), `${name}/${child}`, hash)
  } else if (!/\.test\.ts$/.test(name)) hash.update(name).update(readFileSync(full))
}

/** Runs `work` unless it ran before on the same inputs and its product still exists. */
export async function unlessFresh(name, inputs, product, work) {
  const file = join(root, '.cache', 'stamps', name)
  const now = hashOf(inputs)
  if (existsSync(file) && existsSync(join(root, product)) && readFileSync(file, 'utf8') === now) return false
  await work()
  mkdirSync(dirname(file), { recursive: true })
  writeFileSync(file, hashOf(inputs))
  return true
}
