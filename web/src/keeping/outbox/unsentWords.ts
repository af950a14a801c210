import type { Entry } from '@dewpoint/core/casebook'
import { catalogues } from '@dewpoint/trade'
import { entryWords } from '../../case/checkWords.ts'
import type { Unsent } from '../device/device.ts'

/** The catalogue words are taken from where the case itself is not open: any has the words of all complaints, the rest are told by what was written. */
const anyCatalogue = Object.values(catalogues)[0]!

/** One thing not sent, in words. */
export function unsentWords(one: Unsent, catalogue = anyCatalogue): string {
  if (one.kind === 'open') return `The case itself: ${one.body.site.name}`
  return entryLine(one.entry, catalogue)
}

/** An entry in one line. */
export function entryLine(entry: Entry, catalogue = anyCatalogue): string {
  const { what, result } = entryWords(catalogue, entry)
  return result === '' ? what : `${what}: ${result}`
}
