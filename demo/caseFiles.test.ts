import { upcast } from '@dewpoint/core/casebook'
import { caseFileJsonSchema, readCaseFile, timelineCsv, writeCaseFile } from '@dewpoint/core/formats'
import { producedSignals, simulate } from '@dewpoint/core/plant'
import { nominal } from '@dewpoint/core/system'
import { catalogues, known } from '@dewpoint/trade'
import { Ajv2020 } from 'ajv/dist/2020.js'
import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'

const folder = 'demo/caseFiles'
const files = readdirSync(folder).map((name) => [name, JSON.parse(readFileSync(`${folder}/${name}`, 'utf8')) as Record<string, unknown>] as const)
const sound = files[0]![1] as { entries: { payload: object }[] }
const withEntry = (change: object) => ({ ...sound, entries: [{ ...sound.entries[0], ...change }] })
const schema = new Ajv2020({ strict: false }).compile(caseFileJsonSchema())

describe('case files', () => {
  it.each(files)('%s is read, and written back the same but for its older entries, which are raised', (_name, file) => {
    const parsed = readCaseFile(file, known)
    const written = parsed.ok ? writeCaseFile(parsed.value) : parsed.problems
    expect(written).toEqual({ ...file, entries: (file.entries as unknown[]).map(upcast) })
    expect(readCaseFile(written, known)).toEqual(parsed)
    expect(schema(written), JSON.stringify(schema.errors)).toBe(true)
  })

  it.each(files)('%s keeps to the published JSON Schema', (_name, file) => {
    expect(schema(file), JSON.stringify(schema.errors)).toBe(true)
  })

  it('the published schema is the one made from the parser', () => {
    expect(JSON.parse(readFileSync('docs/formats/dewpoint-case.schema.json', 'utf8'))).toEqual(JSON.parse(JSON.stringify(caseFileJsonSchema())))
  })

  it.each([
    ['a list', [], 'the file', true],
    ['another format', { ...sound, format: 'other' }, 'format', true],
    ['another version', { ...sound, version: 2 }, 'version', true],
    ['an unknown system', { ...sound, system: 'steam' }, 'system', false],
    ['unknown controls', { ...sound, controls: 'wireless' }, 'controls', false],
    ['a setting out of range', { ...sound, settings: { hourlyRate: -1 } }, 'settings.hourlyRate', true],
    ['entries that are no list', { ...sound, entries: {} }, 'entries', true],
    ['an unknown complaint', withEntry({ type: 'complaint', payload: { what: 'noTea' } }), 'entries[0].payload.what', false],
    [
      'a fact in a unit of something else',
      withEntry({ type: 'fact', payload: { fact: 'systemVolume', value: 80, unit: '°C' } }),
      'entries[0].payload.unit',
      false,
    ],
    ['an unknown check', withEntry({ type: 'reading', payload: { check: 'ask.tea', outcome: 'yes' } }), 'entries[0].payload.check', false],
    ['an unknown outcome', withEntry({ type: 'reading', payload: { check: 'ask.hotWater', outcome: 'salty' } }), 'entries[0].payload.outcome', false],
    ['a unit of something else', withEntry({ type: 'reading', payload: { check: 'look.gaugeCold', value: 1, unit: '°C' } }), 'entries[0].payload.unit', false],
    ['a value with an outcome', withEntry({ type: 'reading', payload: { check: 'ask.hotWater', outcome: 'none', value: 1 } }), 'entries[0].payload', true],
    ['an unknown type of entry', withEntry({ type: 'guess', payload: {} }), 'entries[0].type', true],
    ['the same id twice', { ...sound, entries: [sound.entries[0], sound.entries[0]] }, 'entries[1].id', false],
  ])('%s is refused by name of the field', (_name, file, field, schemaSeesIt) => {
    const parsed = readCaseFile(file, known)
    expect(parsed.ok ? 'taken' : parsed.problems.map((one) => one.field)).toContain(field)
    expect(schema(file)).toBe(!schemaSeesIt)
  })
})

describe('timeline as CSV', () => {
  it('has units in its header and one row a second', () => {
    const { system } = catalogues['premix-combi']!
    const lines = timelineCsv(system, simulate(system, nominal(system), { heating: false, tap: Infinity, seconds: 60 }))
      .trim()
      .split('\n')
    expect(lines).toHaveLength(62)
    expect(lines[0]).toContain('flowTemperature (°C)')
    expect(lines[0]!.split(',')).toHaveLength(producedSignals(catalogues['premix-combi']!.system).size - 1)
    for (const line of lines) expect(line.split(',')).toHaveLength(lines[0]!.split(',').length)
    expect(lines[30]!.split(',').slice(1, 4)).toEqual(['hotWater', 'keepsBurning', 'hotWater'])
  })
})
