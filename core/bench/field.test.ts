import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { unitsLike } from '../quantity/index.ts'
import { readField, type Field } from './field.ts'

const charge: Field = { key: 'charge', label: 'Charge', unit: 'bar', low: 0, high: 6, usual: 1 }

describe('what is typed into a field', () => {
  it.each([
    ['1.5', 'bar', 1.5],
    [' 1,5 ', 'bar', 1.5],
    ['14.5037738', 'psi', 1],
    ['', 'psi', 1],
    ['.5', 'bar', 0.5],
    ['0', 'bar', 0],
  ] as const)('“%s” in %s is %d bar', (text, unit, bar) => {
    expect(readField(charge, text, unit)).toEqual({ value: expect.closeTo(bar, 6), problem: null })
  })

  it.each([
    ['x', 'bar', 'Type a number, such as 1.'],
    ['0x10', 'bar', 'Type a number'],
    ['1e1', 'bar', 'Type a number'],
    ['1.2.3', 'bar', 'Type a number'],
    ['Infinity', 'bar', 'Type a number'],
    ['x', 'psi', 'such as 15.'],
    ['100', 'bar', '100 bar cannot be: 0 bar to 6.00 bar can. Check the figure and its unit.'],
    ['-1', 'psi', '-1.00 psi cannot be: 0 psi to 87.0 psi can'],
  ] as const)('“%s” in %s is told: %s', (text, unit, says) => {
    const read = readField(charge, text, unit)
    expect(read.value).toBeNull()
    expect(read.problem).toContain(says)
  })

  it('goes without where nothing is usual', () => {
    expect(readField({ ...charge, usual: undefined }, '', 'bar')).toEqual({ value: null, problem: null })
  })

  it('never throws, and gives a number within bounds or a problem', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.double().map(String)), fc.constantFrom(...unitsLike('bar')), (text, unit) => {
        const { value, problem } = readField(charge, text, unit)
        expect(problem === null ? value! >= -1e-6 && value! <= 6 + 1e-6 : value === null && problem.length > 10).toBe(true)
      }),
    )
  })
})
