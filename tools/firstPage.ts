import { readFileSync } from 'node:fs'
import { gzipSync } from 'node:zlib'

/** The scripts the first page loads, gzipped, must stay under 300 kB. */
const budget = 300_000
const folder = 'web/dist'
const page = readFileSync(`${folder}/index.html`, 'utf8')
const scripts = [...page.matchAll(/(?:src|href)="(\/assets\/[^"]+\.js)"/g)].map((match) => match[1]!)
const total = scripts.reduce((sum, path) => sum + gzipSync(readFileSync(folder + path)).length, 0)
console.log(`${scripts.length} scripts, ${Math.round(total / 1000)} kB gzipped of ${budget / 1000} kB`)
if (scripts.length === 0 || total > budget) process.exit(1)
