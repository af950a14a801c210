import { expect, it } from 'vitest'
import { runsFirst } from './proving.ts'

const mended = { entry: '', faults: [0], works: 0.9, aside: [], filled: false, visit: '' }
const after = (...tried: string[]) => ({ mendings: [mended], tried: new Map(tried.map((id) => [id, 1])) })
const act = (kind: string, ...remedies: string[]) => ({ kind, remedies })

it('nothing has to be run before the first repair, nor after an act that put nothing right', () => {
  for (const one of [act('nothingWrong'), act('faults', 'fan')]) {
    expect(runsFirst({ mendings: [], tried: new Map() }, one)).toBe(false)
    expect(runsFirst({ mendings: [{ ...mended, faults: [] }], tried: new Map() }, one)).toBe(false)
  }
})

it('what failed is run before leaving, and before doing the same again', () => {
  expect(runsFirst(after('fan'), act('nothingWrong'))).toBe(true)
  expect(runsFirst(after('fan'), act('faults', 'fan'))).toBe(true)
})

it('what else stands is mended beside it: a leak, the motor it wetted, the fuse', () => {
  expect(runsFirst(after('cartridge'), act('faults', 'motor', 'fuse'))).toBe(false)
  // nobody acts on what is on no list by running it again
  expect(runsFirst(after('fan'), act('unlisted'))).toBe(false)
})
