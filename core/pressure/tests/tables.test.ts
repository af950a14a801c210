import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { hoursFrom, readWatchTable, readWhen, topUpSums, whenOf } from '../index.ts'

const rows = (text: string) => text.split('\n').map((line) => line.split(';'))

describe('a table of gauge readings', () => {
  it('is taken with or without a heading, in any order, with top-ups, and brought into the order of time', () => {
    const wanted = [
      { when: '2026-11-16T07:30', bar: 1.45, kind: 'cold' },
      { when: '2026-11-16T21:00', bar: 2.2, kind: 'hot' },
      { when: '2026-11-20T08:00', bar: 1.5, kind: 'topUp' },
    ]
    expect(readWatchTable(rows('2026-11-20 08:00;1.5;topped up\n2026-11-16 07:30;1,45;off\n16.11.2026 21:00;2.2;on'))).toEqual({ lines: wanted, problems: [] })
    expect(readWatchTable(rows('heating;bar;date\noff;1.45;2026-11-16 07:30\non;2.2;2026-11-16T21:00\nfilled;1.5;2026-11-20 08:00')).lines).toEqual(wanted)
    expect(readWatchTable(rows('date;psi\n2026-11-16 07:30;21.03')).lines[0]!.bar).toBeCloseTo(1.45, 2)
  })

  it('names line and column of what is wrong, and keeps the good ones', () => {
    const { lines, problems } = readWatchTable(
      rows('date;bar;heating\n2026-11-16;1.4;off\n2026-02-30;1.4;off\n2026-11-17;high;off\n2026-11-18;9;off\n2026-11-19;1.3;maybe\n2026-11-16;1.2;off'),
    )
    expect(lines).toHaveLength(1)
    expect(problems.map(({ line, column }) => [line, column])).toEqual([
      [3, 'column 1, date'],
      [4, 'column 2, bar'],
      [5, 'column 2, bar'],
      [6, 'column 3, heating'],
      [7, 'column 1, date'],
    ])
    expect(readWatchTable([]).problems[0]!.says).toContain('nothing in it')
    expect(readWatchTable(rows('bar;heating\n1;on')).problems[0]!.says).toContain('No column is headed date')
  })

  it('never throws, whatever is pasted', () => {
    fc.assert(
      fc.property(fc.array(fc.array(fc.string(), { maxLength: 5 }), { maxLength: 30 }), (cells) => {
        const { lines, problems } = readWatchTable(cells)
        expect(lines.length + problems.length > 0 || cells.length > 0).toBe(true)
      }),
    )
  })
})

describe('times of the wall clock', () => {
  it.each([
    ['2026-11-16 07:30', '2026-11-16T07:30'],
    ['2026-1-6', '2026-01-06T07:00'],
    ['6/1/2026 21.05', '2026-01-06T21:05'],
    ['2026-02-29', null],
    ['2026-11-16 25:00', null],
    ['yesterday', null],
  ])('“%s” is %s', (text, when) => {
    expect(readWhen(text)).toBe(when)
  })

  it('go to hours and back', () => {
    const { midnight, hours } = hoursFrom(['2026-11-17T06:00', '2026-11-16T07:30'])
    expect([midnight, hours]).toEqual(['2026-11-16T00:00', [30, 7.5]])
    expect(hours.map((one) => whenOf(midnight, one))).toEqual(['2026-11-17T06:00', '2026-11-16T07:30'])
  })
})

describe('what topping up brings', () => {
  it('0.3 l a day are 110 l a year, 1.2 g of oxygen and 4.5 g of magnetite (by hand: 11.3 mg/l at 10 °C; Fe3O4 from 2 O2)', () => {
    const sums = topUpSums(2, 10, 0.3)
    expect(sums.litresAYear).toBeCloseTo(109.5, 1)
    expect(sums.oxygen).toBeCloseTo(1.237, 2)
    expect(sums.sludge).toBeCloseTo(1.237 * (231.53 / 64), 1)
    expect(sums.aYear).toBeCloseTo(73, 0)
    expect(topUpSums(1, 1, -2)).toMatchObject({ aYear: null, litresAYear: 0 })
  })
})
