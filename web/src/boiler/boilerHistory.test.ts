import { scriptedJournal } from '@dewpoint/core/casebook'
import { premixCombiCatalogue } from '@dewpoint/trade'
import { historyWords } from '@dewpoint/trade/report'
import { describe, expect, it } from 'vitest'
import { pressureOf, tellingLines } from './boilerHistory.ts'

const { entry } = scriptedJournal()
const caseWith = (...entries: ReturnType<typeof entry>[]) => ({ id: 'x', openedAt: '2026-01-01T00:00:00Z', complaints: [], faults: [], closed: true, entries })

describe('what a boiler’s cases tell over the years', () => {
  it('is gauge readings and top-ups in the order of time, in bar, each once though two cases tell of it', () => {
    const topUp = () => entry('history', { event: 'topUp', on: '2025-10-04', value: 17.4, unit: 'psi' })
    const points = pressureOf({
      cases: [
        caseWith(
          topUp(),
          entry('history', { event: 'gaugeReading', on: '2025-12-01', value: 0.6, unit: 'bar' }),
          entry('history', { event: 'gaugeReading', on: '2025-12-02', value: 2.6, unit: 'bar', state: 'hot' }),
        ),
        caseWith(topUp(), entry('reading', { check: 'look.gaugeCold', outcome: 'tooLow' }), entry('history', { event: 'topUp', on: '2025-08-01' })),
      ],
    })
    // 17.4 psi are 1.20 bar by the definition of the pound-force
    expect(points.map(({ at, kind, bar }) => [at, kind, bar === null ? null : Number(bar.toFixed(2))])).toEqual([
      ['2025-08-01', 'topUp', null],
      ['2025-10-04', 'topUp', 1.2],
      ['2025-12-01', 'cold', 0.6],
      ['2025-12-02', 'hot', 2.6],
    ])
    expect(historyWords({ event: 'gaugeReading', on: '2025-12-02', value: 2.6, unit: 'bar', state: 'hot', heating: 'on', loopOff: true })).toBe(
      'gauge read, 2.60 bar, hot, filling loop off since, heating on all the time since',
    )
  })

  it('is of pressures alone: readings in other units, and a top-up in litres, tell no bar', () => {
    const points = pressureOf({
      cases: [
        caseWith(
          entry('reading', { check: 'look.pipeOutside', value: 0.4, unit: 'l' }),
          entry('reading', { check: 'measure.flowThermistor', value: 2.5, unit: 'kΩ' }),
          entry('history', { event: 'topUp', on: '2025-10-04', value: 2, unit: 'l' }),
        ),
      ],
    })
    expect(points).toEqual([{ at: '2025-10-04', kind: 'topUp', bar: null }])
  })

  it('of each case what was found, done with which parts, and declined', () => {
    const lines = tellingLines(premixCombiCatalogue, [
      entry('reading', { check: 'ask.hotWater', outcome: 'none' }),
      entry('repair', {
        remedy: 'fan.replace',
        parts: [
          { name: 'fan', quantity: 1 },
          { name: 'fan seal', quantity: 2 },
        ],
      }),
      entry('advice', { what: 'Have a filter fitted', answer: 'declined' }),
      entry('advice', { what: 'Bleed the radiators', answer: 'given' }),
      entry('history', { event: 'topUp', on: '2025-10-04' }),
      entry('history', { event: 'topUp', on: '2025-10-18' }),
      entry('history', { event: 'codeReturned', on: '2025-10-20', note: 'B1' }),
    ])
    expect(lines).toEqual([
      { what: 'Topped up before', result: '2 times' },
      { what: 'Repaired', result: 'Fit a new fan: fan, 2 fan seal' },
      { what: 'Advice declined', result: 'Have a filter fitted' },
      { what: 'History', result: 'Mon 20 Oct 2025: a code came back, B1' },
      { what: 'Readings', result: '1' },
    ])
  })
})
