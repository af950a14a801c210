import { modelFileJsonSchema, readSystemFile, systemFileJsonSchema, writeSystemFile } from '@dewpoint/core/formats'
import { thermistorResistance, thermistorTemperature } from '@dewpoint/core/physics'
import { simulate } from '@dewpoint/core/plant'
import { nominal, type BoilerSystem } from '@dewpoint/core/system'
import { Ajv2020 } from 'ajv/dist/2020.js'
import { readFileSync, readdirSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import * as systems from '../systems/index.ts'

const stock = Object.fromEntries(Object.values(systems).map((one) => [one.id, one]))
const text = writeSystemFile(systems.premixCombi)
const schema = new Ajv2020({ strict: false }).compile(systemFileJsonSchema())
const modelSchema = new Ajv2020({ strict: false }).compile(modelFileJsonSchema())
const problemsOf = (file: string) => {
  const read = readSystemFile(file, stock)
  return read.ok ? [] : read.problems
}
/** the text with one line changed, and that line's number */
const changed = (from: string, to: string): [file: string, line: number] => [text.replace(from, to), text.slice(0, text.indexOf(from)).split('\n').length]

describe('a system as a file', () => {
  it.each(Object.values(systems).map((one): [string, BoilerSystem] => [one.id, one]))('%s goes out and comes back the same', (_id, system) => {
    const read = readSystemFile(writeSystemFile(system), stock)
    expect(read).toEqual({ ok: true, system: JSON.parse(JSON.stringify(system)) as unknown })
    expect(schema(JSON.parse(writeSystemFile(system))), JSON.stringify(schema.errors)).toBe(true)
  })

  it('the published schemas are those made from the parser', () => {
    for (const [name, made] of [
      ['dewpoint-system', systemFileJsonSchema()],
      ['dewpoint-model', modelFileJsonSchema()],
    ])
      expect(JSON.parse(readFileSync(`docs/formats/${String(name)}.schema.json`, 'utf8'))).toEqual(JSON.parse(JSON.stringify(made)))
  })

  it.each([
    ['broken JSON', '"version": 1,', '"version": 1', 'the file'],
    ['a unit nobody knows', '"unit": "l/min"', '"unit": "gallons"', 'unit'],
    ['a value that is no number', '"value": 790', '"value": "much"', 'conductance.value'],
    ['a value outside its own range', '"value": 11.5', '"value": 1150', 'flow.value'],
    ['a signal nobody reports', '"signal": "tapSignal"', '"signal": "tapSong"', 'signal'],
    ['a parameter that is not there', '"above": "board.tapSeenAt"', '"above": "board.tapSung"', 'above'],
    ['a status that is not there', '"shows": "keepWarm"', '"shows": "keepCold"', 'shows'],
    ['an unknown block', '"burner": "premix"', '"burner": "coal"', 'layout.burner'],
    ['a field too many', '"label": "Plate heat exchanger"', '"colour": 3,\n "label": "Plate heat exchanger"', 'components'],
  ])('%s is refused, line and field named', (_what, from, to, field) => {
    const [file, line] = changed(from, to)
    const problems = problemsOf(file)
    // each in words of its own, at a line of the file
    for (const one of problems) {
      expect(one.message).toMatch(/[a-z]{3}/)
      expect(one.line).toBeGreaterThanOrEqual(1)
      expect(one.line).toBeLessThanOrEqual(file.split('\n').length)
    }
    expect(problems.map((one) => one.field).join(' ')).toContain(field)
    expect(Math.min(...problems.map((one) => Math.abs(one.line - line)))).toBeLessThanOrEqual(field === 'components' ? 6 : 1)
  })

  it('a key given twice is refused', () => {
    expect(problemsOf(text.replace('"format"', '"version": 1,\n"format"'))[0]!.message).toContain('twice')
  })

  it('a part its layout needs but lacks is named', () => {
    const without = { ...systems.premixCombi, components: systems.premixCombi.components.filter((one) => one.id !== 'blockFilter' && one.id !== 'plate') }
    expect(
      problemsOf(writeSystemFile(without))
        .map((one) => one.message)
        .join(' '),
    ).toContain('plate.')
  })
})

describe('a model', () => {
  const files = readdirSync('trade/models').filter((name) => name.endsWith('.json'))

  it.each(files)('%s is a stock system with settings changed, and runs', (name) => {
    const file = readFileSync(`trade/models/${name}`, 'utf8')
    expect(modelSchema(JSON.parse(file)), JSON.stringify(modelSchema.errors)).toBe(true)
    const read = readSystemFile(file, stock)
    expect(read.ok && read.system.id).toBe(name.replace('.json', ''))
    if (!read.ok) return
    const timeline = simulate(read.system, nominal(read.system), { heating: true, stored: true, tap: 0, seconds: 300 })
    expect(timeline.values.some((value) => Number.isNaN(value))).toBe(false)
  })

  it('may bring the chart of its thermistor, line by line; one that rises is refused', () => {
    const file = JSON.parse(readFileSync('trade/models/quay-24.json', 'utf8')) as object
    const withChart = (ohms: number) =>
      JSON.stringify({
        ...file,
        thermistor: {
          r0: 10000,
          t0: 25,
          beta: 3977,
          points: [
            { celsius: 22, ohms: 11420 },
            { celsius: 60, ohms },
          ],
        },
      })
    expect(modelSchema(JSON.parse(withChart(2490))), JSON.stringify(modelSchema.errors)).toBe(true)
    const read = readSystemFile(withChart(2490), stock)
    if (!read.ok) throw new Error(read.problems[0]!.message)
    expect(thermistorTemperature(2490, read.system.thermistor)).toBeCloseTo(60, 9)
    expect(thermistorResistance(22, read.system.thermistor)).toBeCloseTo(11_420, 6)
    expect(problemsOf(withChart(20_000))[0]!.message).toContain('does not fall')
  })

  it.each([
    ['an unknown parameter', '"burner.power": 24', '"burner.colour": 24', 'changes.burner.colour'],
    ['a value out of range', '"burner.power": 24', '"burner.power": -24', 'changes.burner.power'],
    ['an unknown system', '"premix-combi"', '"steam"', 'system'],
  ])('%s is refused by line and field', (_what, from, to, field) => {
    const file = readFileSync('trade/models/quay-24.json', 'utf8')
    const problems = problemsOf(file.replace(from, to))
    expect(problems[0]).toMatchObject({ field, line: file.slice(0, file.indexOf(from)).split('\n').length })
  })
})
