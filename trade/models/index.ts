import { readSystemFile } from '@dewpoint/core/formats'
import type { BoilerSystem } from '@dewpoint/core/system'
import * as systems from '../systems/index.ts'
import moleSystem18 from './mole-system-18.json' with { type: 'json' }
import quay24 from './quay-24.json' with { type: 'json' }

/** Invented models: a stock system each, with some settings changed. */
export const models: BoilerSystem[] = [quay24, moleSystem18].map((file) => {
  const read = readSystemFile(JSON.stringify(file, null, 2), Object.fromEntries(Object.values(systems).map((one) => [one.id, one])))
  if (!read.ok) throw new Error(read.problems.map(({ line, message }) => `${file.id}, line ${line}: ${message}`).join('\n'))
  return read.system
})
