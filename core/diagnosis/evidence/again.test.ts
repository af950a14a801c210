import { expect, it } from 'vitest'
import { smallRemedy } from '../tests/testCatalogue.ts'
import { worksNow } from './again.ts'

const insert = { ...smallRemedy('insert', ['valve']), works: 0.9 }
const body = { ...smallRemedy('body', ['valve', 'seat']), works: 0.98 }
const alone = { ...smallRemedy('alone', ['fan']), works: 0.8 }
const all = [insert, body, alone]
const tried = (...ids: string[]) => new Map(ids.map((id) => [id, 1]))

it('works as often as it says where nothing was tried', () => {
  for (const one of all) expect(worksNow(all, one, tried())).toBe(one.works)
})

it('an insert in vain points to the body, as counting a hundred valves does', () => {
  // of 100: 90 mended by the insert, 8 more only by a body, 2 slips
  expect(worksNow(all, insert, tried('insert'))).toBeCloseTo((2 * 0.9) / 10, 12)
  expect(worksNow(all, body, tried('insert'))).toBeCloseTo((8 + 2 * 0.98) / 10, 12)
})

it('what was tried of something else changes nothing, and with no dearer one it may have been a slip', () => {
  expect(worksNow(all, body, tried('alone'))).toBe(0.98)
  expect(worksNow(all, alone, tried('alone'))).toBeCloseTo(0.48, 12)
  // the body in vain makes the insert no better
  expect(worksNow(all, insert, tried('body'))).toBe(0.9)
})
