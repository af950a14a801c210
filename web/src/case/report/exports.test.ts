import { parseEntry, scriptedJournal } from '@dewpoint/core/casebook'
import { readCaseFile } from '@dewpoint/core/formats'
import { known, premixCombiCatalogue as catalogue } from '@dewpoint/trade'
import { describe, expect, it } from 'vitest'
import { calendarOf, caseFileOf, readingsCsv, readReadings } from './exports.ts'

const { entry, complain } = scriptedJournal()
const readings = [
  entry('reading', { check: 'look.gaugeCold', value: 0.4, unit: 'bar', note: '=1+1, "read twice"' }),
  entry('reading', { check: 'ask.hotWater', outcome: 'none', situation: { demand: 'hotWater' } }),
]
const read = (text: string) => readReadings(catalogue, text)

describe('readings as a table (RFC 4180)', () => {
  it('come back as they went out, quotes, commas and what looks like a formula too', () => {
    const table = readingsCsv(catalogue, readings)
    expect(table.split('\r\n')[0]).toBe('at,check,what,value,unit,outcome,demand,note')
    expect(table).toContain(`"'=1+1, ""read twice"""`)
    expect(read(table)).toEqual({ readings: readings.map((one) => one.payload), problems: [] })
  })

  it('are read by the words of a check, with a decimal comma, a mark at the beginning, tabs or semicolons between, in another unit', () => {
    expect(read('\ufeffcheck;value;unit\nGauge, cold;17,4;psi\n').readings).toEqual([{ check: 'look.gaugeCold', value: 17.4, unit: 'psi' }])
    expect(read('value\tcheck\n1.2\tlook.gaugeCold').readings).toEqual([{ check: 'look.gaugeCold', value: 1.2, unit: 'bar' }])
  })

  it.each([
    ['check,value,unit\nno such check,1,bar', 2, 'check', 'no check of this boiler'],
    ['check,value,unit\nlook.gaugeCold,1.2,bar\nlook.gaugeCold,high,bar', 3, 'value', '“high” is no number'],
    ['check,value,unit\nlook.gaugeCold,1.2,litres', 2, 'unit', 'is no unit of it: bar'],
    ['check,value,unit\nlook.gaugeCold,9000,bar', 2, 'value', 'bar'],
    ['check,outcome\nask.hotWater,purple', 2, 'outcome', 'is no answer to it'],
    ['check,value\nask.hotWater,3', 2, 'outcome', 'is answered in words'],
    ['check,value,demand\nlook.gaugeCold,1,tea', 2, 'demand', 'is none of'],
    ['what,value\nx,1', 1, 'check', 'no column named check'],
    ['check,what\nx,1', 1, 'value', 'neither a column'],
    ['', 1, 'check', 'no column named check'],
  ])('%j: line %d, column %s', (text, line, column, says) => {
    const { problems } = read(text)
    expect(problems).toHaveLength(1)
    expect(problems[0]).toMatchObject({ line, column })
    expect(problems[0]!.says).toContain(says)
  })

  it('good rows beside broken ones are kept; five hundred at most', () => {
    const rows = Array.from({ length: 600 }, (_unused, row) => `look.gaugeCold,${row === 3 ? 'x' : '1.2'},bar`)
    const { readings: good, problems } = read(['check,value,unit', ...rows].join('\n'))
    expect([good.length, problems.map((one) => one.line)]).toEqual([499, [5, 502]])
  })
})

describe('what else goes out', () => {
  it('the case file is one that can be read in again', () => {
    const file = caseFileOf('premix-combi', 'direct', {}, [complain('noHotWater'), ...readings])
    const again = readCaseFile(JSON.parse(JSON.stringify(file)), known)
    expect(again.ok && again.value.entries.map((one) => one.id)).toEqual(file.entries.map((one) => one.id))
    expect(parseEntry(file.entries[1]).ok).toBe(true)
  })

  it('a follow-up is a whole day in a calendar (RFC 5545)', () => {
    const follow = entry('followUp', { what: 'Read the gauge, and ask', on: '2026-12-14', kind: 'watch' })
    const calendar = calendarOf('01934a00-0000-7000-8000-0000000a1b2c', { name: 'Net Loft 3', address: 'Quay Lane; Merrowhaven' }, [follow])!
    const lines = calendar.split('\r\n')
    for (const line of [
      'BEGIN:VCALENDAR',
      'DTSTART;VALUE=DATE:20261214',
      'SUMMARY:Read the gauge\\, and ask: Net Loft 3',
      'LOCATION:Quay Lane\\; Merrowhaven',
      'END:VCALENDAR',
    ])
      expect(lines).toContain(line)
    expect(calendarOf('x', { name: '', address: '' }, [])).toBeNull()
  })
})
