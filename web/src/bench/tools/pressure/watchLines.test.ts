import { scriptedJournal } from '@dewpoint/core/casebook'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { setZone } from '../../../shared/times.ts'
import { asLink, eventOf, fromLink, linesOf, merged, seriesOf, type Line } from './watchLines.ts'

const line = fc.record({
  when: fc.integer({ min: 0, max: 4_000_000 }).map((minutes) => new Date(Date.UTC(2026, 0, 1) + minutes * 60_000).toISOString().slice(0, 16)),
  bar: fc.integer({ min: 0, max: 600 }).map((hundredths) => hundredths / 100),
  kind: fc.constantFrom('cold' as const, 'hot' as const, 'topUp' as const),
})

describe('readings in an address', () => {
  it('come back as they were sent', () => {
    fc.assert(
      fc.property(fc.array(line, { maxLength: 30 }), (lines: Line[]) => {
        const own = merged(lines)
        expect(fromLink(asLink(own))).toEqual(own)
      }),
    )
  })

  it('take what is said beside them, and leave out what is none', () => {
    const lines: Line[] = [{ when: '2026-11-16T07:30', bar: 1.45, kind: 'cold', loopOff: true, heating: 'off' }]
    expect(asLink(lines)).toBe('202611160730c1.45of')
    expect(fromLink('202611160730c1.45of')).toEqual(lines)
    expect(fromLink('202613450730c1.4_x_202611160730h_202611160730c9')).toEqual([])
    expect(fromLink('202611160730t')).toEqual([{ when: '2026-11-16T07:30', bar: null, kind: 'topUp' }])
  })

  it('never throw, whatever the address says', () => {
    fc.assert(fc.property(fc.string(), (text) => Array.isArray(fromLink(text))))
  })
})

describe('readings of a case', () => {
  it('are those of its checks and those told of, on the firm’s wall clock; taken back ones are none', () => {
    setZone('Europe/Amsterdam')
    const journal = scriptedJournal()
    const entries = [
      journal.entry('reading', { check: 'look.gaugeHot', value: 2.1, unit: 'bar' }),
      journal.entry('reading', { check: 'measure.gasRate', value: 2.1, unit: 'm³/h' }),
      journal.entry('history', { event: 'gaugeReading', on: '2026-11-16T06:30:00.000Z', value: 20, unit: 'psi', state: 'cold', loopOff: true }),
      journal.entry('history', { event: 'topUp', on: '2026-11-17' }),
    ]
    const found = linesOf(entries)
    expect(found.map(({ kind }) => kind).sort()).toEqual(['cold', 'hot', 'topUp'])
    expect(found.find(({ kind }) => kind === 'cold')).toEqual({
      when: '2026-11-16T07:30',
      bar: expect.closeTo(1.379, 3),
      kind: 'cold',
      loopOff: true,
      kept: true,
    })
    expect(linesOf([...entries, journal.entry('retract', { entry: entries[2]!.id })]).some(({ kind }) => kind === 'cold')).toBe(false)
  })

  it('go back into a case at their moment', () => {
    setZone('Europe/Amsterdam')
    expect(eventOf({ when: '2026-11-16T07:30', bar: 1.45, kind: 'hot' })).toEqual({
      event: 'gaugeReading',
      on: '2026-11-16T06:30:00.000Z',
      value: 1.45,
      unit: 'bar',
      state: 'hot',
    })
    expect(eventOf({ when: '2026-11-16T07:30', bar: null, kind: 'topUp' })).toEqual({ event: 'topUp', on: '2026-11-16T06:30:00.000Z' })
    // an hour the clocks went forward over is no moment: its day is kept
    expect(eventOf({ when: '2026-03-29T02:30', bar: 1, kind: 'cold' }).on).toBe('2026-03-29')
  })

  it('of one minute and kind the first stands; a reading before the top-up of its minute', () => {
    const both = merged([
      { when: '2026-11-16T07:30', bar: 1.5, kind: 'topUp' },
      { when: '2026-11-16T07:30', bar: 0.7, kind: 'cold' },
      { when: '2026-11-16T07:30', bar: 0.9, kind: 'cold' },
    ])
    expect(both.map(({ bar }) => bar)).toEqual([0.7, 1.5])
  })

  it('begin their clock at midnight of the first day', () => {
    const { series, midnight } = seriesOf(
      [
        { when: '2026-11-16T07:30', bar: 1.5, kind: 'cold' },
        { when: '2026-11-17T06:00', bar: null, kind: 'topUp' },
      ],
      {
        system: { litres: 90, litresError: 0.1, vesselLitres: 8, charge: 1, relief: 3, stopsAt: 0.5, mains: 4 },
        periods: [],
        gaugeError: 0.07,
        pipeOutside: null,
        canMixMains: true,
      },
    )
    expect([midnight, series.readings, series.topUps]).toEqual(['2026-11-16T00:00', [{ at: 7.5, bar: 1.5, state: 'cold' }], [{ at: 30, to: null }]])
  })
})
