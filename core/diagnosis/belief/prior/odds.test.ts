import { describe, expect, it } from 'vitest'
import { hotPressure } from '../../../physics/index.ts'
import type { Catalogue } from '../../catalogue/index.ts'
import { smallCatalogue, smallFault } from '../../tests/testCatalogue.ts'
import { faultOdds, oddsBecause, statedWeight, vesselTimes } from './odds.ts'

const catalogue: Catalogue = smallCatalogue({
  faults: [
    smallFault('adapter', { per1000: 10 }),
    smallFault('sensor', {
      per1000: 20,
      byVersion: [
        { fact: 'place', choice: 'flow', times: 1.5 },
        { fact: 'place', choice: 'return', times: 0.25 },
      ],
    }),
    smallFault('vessel', { per1000: 6, bySize: true }),
  ],
  facts: [
    {
      id: 'place',
      label: 'Pressure sensor',
      type: 'choice',
      narrows: 'version',
      choices: [
        { id: 'flow', label: 'on the flow', share: 0.6 },
        { id: 'return', label: 'on the return', share: 0.4 },
      ],
    },
  ],
})
const plain = (value: number) => ({ value, min: 1, max: 1000, unit: 'l', label: '', source: '' })
catalogue.system = {
  ...catalogue.system,
  components: [
    { id: 'system', label: '', parameters: { volume: plain(80) } },
    { id: 'vessel', label: '', parameters: { volume: plain(8) } },
  ] as unknown as Catalogue['system']['components'],
}

describe('versions', () => {
  it('that are known move the odds, unknown ones do not', () => {
    const sensor = (choice?: string) => faultOdds(catalogue, choice ? { versions: new Map([['place', choice]]) } : {})[1]
    expect([sensor(), sensor('flow'), sensor('return'), sensor('elsewhere')]).toEqual([20, 30, 5, 20])
    expect(oddsBecause(catalogue, catalogue.faults[1]!, { versions: new Map([['place', 'return']]) })).toEqual([
      'Pressure sensor, on the return: 0.3 times as likely',
    ])
  })
})

describe('the size of the vessel against its system', () => {
  const times = (litres?: number, vessel?: number) =>
    vesselTimes(catalogue, { parameters: { ...(litres && { 'system.volume': litres }), ...(vessel && { 'vessel.volume': vessel }) } })

  it('counts only where one of them is known', () => {
    expect(times()).toBe(1)
    expect(faultOdds(catalogue, {})[2]).toBe(6)
  })

  it('more water, or a smaller vessel, never makes it less likely', () => {
    const volumes = [20, 60, 100, 140, 180, 250]
    for (const vessel of [6, 8, 12, 25]) {
      const each = volumes.map((litres) => times(litres, vessel))
      expect(each).toEqual([...each].sort((a, b) => a - b))
    }
    for (const litres of volumes) expect(times(litres, 6)).toBeGreaterThanOrEqual(times(litres, 12))
  })

  it('is told by the pressure it would get to: as in the sizing rule of EN 12828, about a tenth of the volume is enough', () => {
    // 80 l in an 8 l vessel charged to 1 bar and filled to 1.2: below the 2.5 bar that leave a margin to the relief valve
    expect(hotPressure({ litres: 80, vesselLitres: 8, preCharge: 1, fill: 1.2 }, 10, 75)).toBeLessThan(2.5)
    expect(times(80, 8)).toBeLessThan(1)
    expect(times(180, 8)).toBeGreaterThan(5)
    expect(oddsBecause(catalogue, catalogue.faults[2]!, { parameters: { 'system.volume': 180 } })[0]).toMatch(/^by the sizes given: /)
  })
})

describe('own experience', () => {
  const adapter = (cases: number, proven: number, stated?: number) =>
    faultOdds(catalogue, { experience: { cases, proven: { adapter: proven }, ...(stated !== undefined && { stated: { adapter: stated } }) } })[0]!

  it('that is stated counts like so many call-outs', () => {
    // ten in a thousand of 400 assumed ones, six in ten of a hundred
    expect(adapter(0, 0, 0.6)).toBeCloseTo((1000 * (4 + 60)) / 500, 9)
  })

  it('is overruled by closed cases, the more of them the more', () => {
    expect(statedWeight({ cases: 0 })).toBe(100)
    expect(statedWeight({ cases: 900 })).toBe(10)
    const gap = (cases: number) => adapter(cases, 0, 0.6) / adapter(cases, 0)
    expect(gap(50)).toBeLessThan(gap(0))
    expect(adapter(900, 9, 0.6)).toBeLessThan(20)
  })

  it('moves what was not stated by nothing', () => {
    expect(faultOdds(catalogue, { experience: { cases: 0, proven: {}, stated: { adapter: 0.9 } } })[1]).toBe(20)
  })
})
