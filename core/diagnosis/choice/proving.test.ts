import { expect, it } from 'vitest'
import { runsFirst } from './proving.ts'

const mended = { entry: '', faults: [0], works: 0.9, aside: [], filled: false, visit: '' }
const after = (...tried: string[]) => ({ mendings: [mended], tried: new Map(tried.map((id) => [id, 1])) })
const act = (kind: string, mass: number, ...remedies: string[]) => ({ kind, mass, remedies })

it('nothing has to be run before the first repair, nor after an act that put nothing right', () => {
  for (const one of [act('nothingWrong', 0.9), act('faults', 0.6, 'fan')]) {
    expect(runsFirst({ mendings: [], tried: new Map() }, one)).toBe(false)
    expect(runsFirst({ mendings: [{ ...mended, faults: [] }], tried: new Map() }, one)).toBe(false)
  }
})

it('what failed is run before leaving, before doing the same again, and before changing anything else on a hunch', () => {
  expect(runsFirst(after('fan'), act('nothingWrong', 0.99))).toBe(true)
  expect(runsFirst(after('fan'), act('faults', 0.99, 'fan'))).toBe(true)
  expect(runsFirst(after('fan'), act('faults', 0.9, 'board'))).toBe(true)
})

it('what stands for certain is mended beside it: a leak, the motor it wetted, the fuse', () => {
  expect(runsFirst(after('cartridge'), act('faults', 0.99, 'motor', 'fuse'))).toBe(false)
  // nobody acts on what is on no list by running it again
  expect(runsFirst(after('fan'), act('unlisted', 0.5))).toBe(false)
})
