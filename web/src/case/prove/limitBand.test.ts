import { describe, expect, it } from 'vitest'
import { bandOf } from './limitBand.ts'

describe('a limit on a line', () => {
  it('stands in the middle third with room on either side', () => {
    expect(bandOf(8, 9, 8.5)).toEqual({ from: (1 / 3) * 100, to: (2 / 3) * 100, at: 50 })
  })

  it('that is only a most begins at nothing; only a least ends at the end', () => {
    expect(bandOf(null, 200, 20)).toEqual({ from: 0, to: 50, at: 5 })
    expect(bandOf(20.6, null, 20.6)).toMatchObject({ to: 100, at: 50 })
  })

  it('a value far off stands at its end; nothing measured stands nowhere; a limit of one figure has width', () => {
    expect([bandOf(null, 200, 5000).at, bandOf(8, 9, -40).at, bandOf(8, 9, null).at]).toEqual([100, 0, null])
    const one = bandOf(3, 3, 3)
    expect(one.from).toBe(one.to)
    expect(one.at).toBe(50)
  })
})
