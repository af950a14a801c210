import { describe, expect, it } from 'vitest'
import { scriptedJournal, type Entry } from '../../casebook/index.ts'
import { diagnose } from '../diagnose.ts'
import { numberOf, outcomeOf, smallCatalogue, smallCheck, smallFault, smallRemedy, smallSignatures } from '../tests/testCatalogue.ts'

/** A boiler with a gauge and a second one, clamps on two pipes, a sensor measured in kilohms, and three faults. */
const bar = { unit: 'bar', width: 0.05, range: [0, 3.4], possible: [-0.5, 8] } as const
const catalogue = smallCatalogue({
  faults: [smallFault('low', { per1000: 30 }), smallFault('sensor', { per1000: 10 }), smallFault('plate', { per1000: 30 })],
  remedies: [smallRemedy('mend low', ['low']), smallRemedy('mend sensor', ['sensor'], 20, 30), smallRemedy('mend plate', ['plate'], 70, 145)],
  checks: [
    smallCheck('gauge', numberOf({ ...bar, range: [0, 3.4], possible: [-0.5, 8], instrument: 'gauge' }), { kind: 'look', label: 'Gauge' }),
    smallCheck('second', numberOf({ ...bar, range: [0, 3.4], possible: [-0.5, 8], instrument: 'gauge' }), {
      kind: 'measure',
      label: 'Second gauge',
      sameAs: ['gauge'],
    }),
    smallCheck('rise', numberOf({ unit: 'K', range: [0, 60], possible: [-5, 80] }), { kind: 'measure', label: 'Rise', isDifference: true }),
    smallCheck('sensorOhms', numberOf({ unit: 'kΩ', scale: 'log', width: 0.05, range: [0.01, 100_000], possible: [0, 1e6], instrument: 'meter' }), {
      kind: 'measure',
      label: 'Sensor',
      direct: true,
    }),
    smallCheck('drops', outcomeOf(['yes', 'no'], 0.02), { kind: 'look', label: 'Drops out' }),
    smallCheck('plateHot', outcomeOf(['yes', 'no'], 0.02), { kind: 'measure', label: 'Plate hot behind' }),
  ],
  instruments: [
    { id: 'gauge', label: 'gauge', absolute: 0.1, relative: 0.03 },
    { id: 'clamp', label: 'clamp', absolute: 1.5, relative: 0 },
    { id: 'meter', label: 'meter', absolute: 0, relative: 0.02 },
  ],
})
catalogue.remedies[2]!.before = [{ check: 'sensorOhms', faults: ['sensor'] }]
// nothing, low, sensor, plate, no demand
const signatures = smallSignatures(catalogue, {
  gauge: [1.2, 0.3, 1.2, 1.2, 1.2],
  second: [1.2, 0.3, 1.2, 1.2, 1.2],
  rise: [20, 20, 20, 12, 20],
  sensorOhms: [2.49, 2.49, 1.2, 2.49, 2.49],
  drops: [1, 1, 0, 0, 1],
  plateHot: [1, 1, 1, 0, 1],
})
const { answer, measure, entry } = scriptedJournal()
const think = (...entries: Entry[]) => diagnose(catalogue, signatures, entries)
const says = (...entries: Entry[]) => think(...entries).remarks.map((one) => one.says.split(/[:.]/)[0])

describe('readings of one thing at one time', () => {
  it('that differ by more than the instrument does ask for a third, which comes first', () => {
    const result = think(measure('gauge', 1.2, 'bar'), measure('gauge', 0.4, 'bar'))
    expect(result.remarks).toHaveLength(1)
    expect(result.remarks[0]!.says).toContain('Take a third')
    expect(result.next[0]!.check).toBe('gauge')
  })

  it('within the error of the instrument are one reading; three of them ask for nothing more', () => {
    expect(says(measure('gauge', 1.2, 'bar'), measure('gauge', 1.3, 'bar'))).toEqual([])
    expect(says(measure('gauge', 1.2, 'bar'), measure('gauge', 0.4, 'bar'), measure('gauge', 1.2, 'bar'))).toEqual([])
  })

  it('answers that disagree ask for a third too', () => expect(says(answer('drops', 'yes'), answer('drops', 'no'))).toEqual(['Drops out']))
})

describe('differences', () => {
  it('below the joint error of two clamps (1.5 K each: 2.1 K) are none; above it they are', () => {
    expect(think(measure('rise', 1.5, 'K')).remarks[0]).toMatchObject({ again: { check: 'rise' } })
    expect(says(measure('rise', 2.5, 'K'))).toEqual([])
    // swapped and read again they are not asked for once more
    expect(think(measure('rise', 1.5, 'K'), measure('rise', 1.2, 'K')).remarks[0]!.again).toBeNull()
  })

  it('between two places that read the same thing are named where the instruments cannot make them', () => {
    expect(says(measure('gauge', 1.2, 'bar'), measure('second', 1.3, 'bar'))).toEqual([])
    expect(think(measure('gauge', 1.2, 'bar'), measure('second', 0.3, 'bar')).remarks[0]!.says).toMatch(/Second gauge and gauge differ by 0\.90 bar/)
  })

  it('of another day, after a repair, are about something else', () => {
    expect(says(measure('gauge', 0.3, 'bar'), entry('repair', { remedy: 'mend low' }), measure('second', 1.2, 'bar'))).toEqual([])
  })
})

describe('a figure that would be right in another unit', () => {
  it('is asked about, and weighs nothing until it is written again', () => {
    const asked = think(measure('sensorOhms', 2490, 'kΩ'))
    expect(asked.refused[0]).toMatchObject({ check: 'sensorOhms', instead: { value: 2490, unit: 'Ω' } })
    expect(asked.faults).toEqual(think().faults)
  })

  it('written again as it was meant, it counts as that; written twice as it was, it is meant', () => {
    const meant = think(measure('sensorOhms', 2490, 'kΩ'), measure('sensorOhms', 2490, 'Ω'))
    expect(meant.refused).toEqual([])
    expect(meant.faults.sensor).toBeCloseTo(think(measure('sensorOhms', 2.49, 'kΩ')).faults.sensor!, 9)
    expect(think(measure('sensorOhms', 2490, 'kΩ'), measure('sensorOhms', 2490, 'kΩ')).refused).toEqual([])
  })

  it('psi written with bar’s figure is asked about; a plain fault in its own unit is not', () => {
    expect(think(measure('gauge', 1.2, 'psi')).refused[0]).toMatchObject({ instead: { value: 1.2, unit: 'bar' } })
    for (const [check, value, unit] of [
      ['gauge', 0.3, 'bar'],
      ['sensorOhms', 1.2, 'kΩ'],
      ['sensorOhms', 90_000, 'kΩ'],
    ] as const)
      expect(think(measure(check, value, unit)).refused).toEqual([])
  })

  it('is left to its writer where it is doubted already', () => {
    expect(think(entry('reading', { check: 'sensorOhms', value: 2490, unit: 'kΩ', sureness: 'unsure' })).refused).toEqual([])
  })
})

describe('a word where no figure was noted', () => {
  const odds = (...entries: Entry[]) => think(...entries).faults.low! / think(...entries).faults.plate!
  it('speaks for what lies on that side of what sound appliances read, less than the figure does', () => {
    expect(odds(answer('gauge', 'tooLow'))).toBeGreaterThan(4 * odds())
    expect(odds(answer('gauge', 'tooLow'))).toBeLessThan(odds(measure('gauge', 0.3, 'bar')))
    expect(odds(answer('gauge', 'right'))).toBeLessThan(odds() / 4)
    expect(odds(answer('gauge', 'tooHigh'))).toBeLessThan(1.5 * odds())
  })
  it('of every kind that is said sums to what is said at all: none of them is certain', () => {
    for (const word of ['tooLow', 'right', 'tooHigh']) expect(think(answer('gauge', word)).refused).toEqual([])
  })
})

describe('before a dear part is condemned', () => {
  const plate = [answer('drops', 'yes'), answer('plateHot', 'yes')]
  /** money alone would have the plate fitted now */
  const costs = { wrongPart: 100 }
  it('the cheap check of what looks the same is owed, and comes first', () => {
    const owed = diagnose(catalogue, signatures, plate, { costs })
    expect(owed.suspects[0]!.key).toBe('plate')
    expect(owed.advice).toMatchObject({ does: 'check', remedies: ['mend plate'], first: [{ check: 'sensorOhms' }] })
    expect(owed.next[0]!.check).toBe('sensorOhms')
  })
  it('once it was made nothing is owed any more; nor where it cannot be made, nor without the rule', () => {
    const made = diagnose(catalogue, signatures, [...plate, measure('sensorOhms', 2.5, 'kΩ')], { costs })
    expect(made.advice).toMatchObject({ does: 'act', first: [] })
    expect(diagnose(catalogue, signatures, plate, { costs, cannot: ['sensorOhms'] }).advice!.first).toEqual([])
    expect(diagnose(catalogue, signatures, plate, { costs, rules: { lookalikes: false } }).advice).toMatchObject({ does: 'act', first: [] })
  })
})

describe('one measurement that speaks against everything else', () => {
  it('is offered again before anything is made of it, once', () => {
    const all = [answer('drops', 'yes'), answer('drops', 'yes'), measure('rise', 12, 'K'), measure('gauge', 1.2, 'bar')]
    const odd = think(...all, answer('plateHot', 'no'))
    expect(odd.suspects[0]!.key).toBe('plate')
    expect(odd.remarks.map((one) => one.again?.check)).toEqual(['plateHot'])
    expect(think(...all, answer('plateHot', 'no'), answer('plateHot', 'no')).remarks.filter((one) => one.says.includes('this one reading'))).toEqual([])
  })
})
