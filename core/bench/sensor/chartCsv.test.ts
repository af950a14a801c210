import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readChart } from './chartCsv.ts'

const rows = (text: string) => text.split('\n').map((line) => line.split(';'))

describe('a chart from a table', () => {
  it('is taken with or without a heading, in Ω or kΩ, °C or °F, in any order of columns', () => {
    const wanted = [
      { celsius: 22, ohms: 11_420 },
      { celsius: 60, ohms: 2490 },
    ]
    for (const text of [
      '22;11420\n60;2490',
      '60;2490\n\n22;11420',
      'temperature °C;resistance Ω\n22;11420\n60;2490',
      'R kΩ;T °C\n11,42;22\n2.49;60',
      'temp °F;resistance ohm\n71.6;11420\n140;2490',
    ])
      expect(
        readChart(rows(text)).points.map(({ celsius, ohms }) => ({ celsius: Number(celsius.toFixed(9)), ohms: Number(ohms.toFixed(6)) })),
        text,
      ).toEqual(wanted)
  })

  it('names line and column of what is wrong, and keeps the good lines', () => {
    const { points, problems } = readChart(rows('temperature;resistance\n20;12500\nwarm;9000\n40;x\n40;5300\n40;5200\n60;6000\n300;10'))
    expect(points.map(({ celsius }) => celsius)).toEqual([20, 40, 60])
    expect(problems).toEqual([
      { line: 3, column: 'column 1, temperature', says: '“warm” is no temperature.' },
      { line: 4, column: 'column 2, resistance', says: '“x” is no resistance.' },
      { line: 6, column: 'column 1, temperature', says: '40 stood in line 5 already.' },
      { line: 7, column: 'column 2, resistance', says: expect.stringContaining('always falls') },
      { line: 8, column: 'column 1, temperature', says: expect.stringContaining('outside') },
    ])
  })

  it('says so when it is empty, has one line, or no such columns', () => {
    expect(readChart([]).problems[0]!.says).toContain('nothing in it')
    expect(readChart(rows('20;12500')).problems[0]!.says).toContain('at least two')
    expect(readChart(rows('time;pressure\n1;2')).problems[0]!.says).toContain('No column is headed resistance')
  })

  it('never throws, whatever is pasted', () => {
    fc.assert(
      fc.property(fc.array(fc.array(fc.string(), { maxLength: 4 }), { maxLength: 30 }), (cells) => {
        const { points, problems } = readChart(cells)
        expect(points.length >= 2 || problems.length > 0).toBe(true)
      }),
    )
  })
})
