import { describe, expect, it } from 'vitest'
import type { Catalogue, Check } from '../catalogue/index.ts'
import { outcomeOf, smallCatalogue, smallCheck, smallFault, smallSignatures } from '../tests/testCatalogue.ts'
import { partsFrom, separability } from './separability.ts'

const yesNo = (confusion: number) => outcomeOf(['no', 'yes'], confusion)
const faults = [smallFault('fan'), smallFault('pump'), smallFault('valve')]
/** rows: nothing wrong, fan, pump, valve, no demand */
const measured = (checks: Check[], reads: Record<string, number[]>, own: Partial<Catalogue> = {}) => {
  const catalogue = smallCatalogue({ faults, checks, ...own })
  return separability(catalogue, smallSignatures(catalogue, reads))
}
const three = outcomeOf(['fan', 'pump', 'valve', 'fine'], 0.02)

describe('whether the checks of a catalogue tell its faults apart', () => {
  it('one check that names each parts them all, and each from a healthy boiler', () => {
    const result = measured([smallCheck('which', three)], { which: [3, 0, 1, 2, 3] })
    expect(result).toEqual({
      system: 'small',
      faults: 3,
      checks: 1,
      remedies: 0,
      pairs: 3,
      parted: 3,
      alike: [],
      listed: [],
      wronglyListed: [],
      unseen: [],
      idle: [],
    })
  })

  it('two that read the same everywhere are told of, with the best there is', () => {
    const result = measured([smallCheck('turns', yesNo(0.02)), smallCheck('hums', yesNo(0.02))], { turns: [1, 0, 1, 1, 1], hums: [1, 1, 0, 0, 1] })
    expect(result.alike.map((one) => one.faults)).toEqual([['pump', 'valve']])
    expect(result.alike[0]!.bits).toBeLessThan(1e-9)
    expect([result.pairs, result.parted]).toEqual([3, 2])
  })

  it('a check that errs once in ten tells enough, one that errs every third time does not', () => {
    // what one result of three tells of two causes, each wrong result as likely as the other, in bits. Source: Shannon 1948
    const told = (wrong: number) => {
      const [right, other] = [1 - wrong, wrong / 2]
      const mean = (right + other) / 2
      return right * Math.log2(right / mean) + other * Math.log2(other / mean)
    }
    expect([told(0.1) > partsFrom, told(0.35) > partsFrom]).toEqual([true, false])
    const erring = (confusion: number) => measured([smallCheck('turns', yesNo(confusion))], { turns: [1, 0, 1, 1, 1] })
    expect(erring(0.1).unseen).toEqual(['pump', 'valve'])
    expect(erring(0.35).unseen).toEqual(['fan', 'pump', 'valve'])
    const poor = erring(0.35).alike.find((one) => one.faults.join() === 'fan,pump')!
    expect(poor.best).toBe('turns')
    // a little less: any result may come of something else altogether
    expect(poor.bits).toBeLessThan(told(0.35))
    expect(poor.bits).toBeGreaterThan(0.95 * told(0.35))
  })

  it('what one remedy mends first need not be parted', () => {
    const together = [smallFault('fan'), smallFault('pump', { remedies: ['mend fan', 'mend pump'] })]
    expect(measured([smallCheck('turns', yesNo(0.02))], { turns: [1, 0, 0, 1] }, { faults: together })).toMatchObject({ pairs: 0, parted: 0, alike: [] })
  })

  it('listed as never to be parted it is no complaint, with why, either way round; wrongly listed it is', () => {
    const checks = [smallCheck('turns', yesNo(0.02))]
    const reads = { turns: [1, 0, 1, 1, 1] }
    const listing = (one: string, other: string) => measured(checks, reads, { inseparable: [{ faults: [one, other], why: 'one casting' }] })
    for (const result of [listing('pump', 'valve'), listing('valve', 'pump')]) {
      expect(result.alike).toEqual([])
      expect(result.listed).toEqual([{ faults: ['pump', 'valve'], why: 'one casting' }])
      expect(result.wronglyListed).toEqual([])
    }
    expect(listing('fan', 'pump').wronglyListed).toEqual([{ faults: ['fan', 'pump'], by: 'turns' }])
  })

  it('a check that reads the same under everything is idle, unless it is there for safety', () => {
    const checks = [
      smallCheck('which', three),
      smallCheck('colour', yesNo(0.02)),
      smallCheck('tight', yesNo(0.02), { unsafe: { outcomes: ['yes'], danger: 'gas' } as never }),
    ]
    expect(measured(checks, { which: [3, 0, 1, 2, 3], colour: [1, 1, 1, 1, 1], tight: [0, 0, 0, 0, 0] }).idle).toEqual(['colour'])
  })

  it('signs part too: how often each fault shows one', () => {
    const withSign = [smallFault('fan', { cues: { whines: 0.95 } }), smallFault('pump')]
    const result = measured([smallCheck('whines', { kind: 'cue', without: 0.02 })], {}, { faults: withSign })
    expect([result.alike, result.unseen]).toEqual([[], ['pump']])
  })
})
