// A fingerprint of the simulation: what the shipped signatures depend on besides the catalogue.
import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { resolve } from 'node:path'

const sha = (text) => createHash('sha256').update(text).digest('hex')

/**
 * The fingerprint of a module with all it imports. Comments, layout, types, where a file lies and what it does not use change nothing.
 *
 * @param {string} entry path of the module
 */
export async function modelHash(entry) {
  const { build, transform } = await import('esbuild')
  const { metafile } = await build({ entryPoints: [entry], bundle: true, format: 'esm', platform: 'node', write: false, metafile: true, logLevel: 'error' })
  const used = Object.values(metafile.outputs).flatMap(({ inputs }) => Object.keys(inputs).filter((path) => inputs[path].bytesInOutput > 0))
  const each = await Promise.all(
    used.map(async (path) => {
      const source = readFileSync(resolve(path), 'utf8')
      const { code } = await transform(source, { loader: path.endsWith('.ts') ? 'ts' : 'js', minifyWhitespace: true, minifySyntax: true })
      // what is imported stands among the others; where from does not matter
      return sha(code.replace(/(import|export)\s*(\{[^}]*\}|\*( as \w+)?|\w+)?\s*(from)?\s*"[^"]*";?/g, ''))
    }),
  )
  return sha(each.sort().join()).slice(0, 24)
}
