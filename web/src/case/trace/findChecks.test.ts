import { catalogueFor, catalogues } from '@dewpoint/trade'
import { otherWords } from '@dewpoint/trade/otherWords'
import { describe, expect, it } from 'vitest'
import { browsed, findChecks } from './findChecks.ts'

const combi = catalogues['premix-combi']!
const withCylinder = catalogueFor('system-boiler', 'two-valves')!
const found = (words: string, catalogue = combi) => findChecks(catalogue, words).map((one) => one.id)

describe('a check is found', () => {
  it('by its own words, in any order, by their beginnings', () => {
    expect(found('resist therm')[0]).toMatch(/Thermistor$/)
    expect(found('cold gauge')[0]).toBe('look.gaugeCold')
    expect(found('')).toHaveLength(combi.checks.length)
    expect(found('zzz')).toEqual([])
  })

  it.each([
    ['pcb fuse', 'measure.boardFuse'],
    ['ntc', 'measure.flowThermistor'],
    ['blower', 'listen.fanHum'],
    ['manometer', 'look.gaugeCold'],
    ['aav', 'look.ventDribble'],
    ['analyser', 'measure.carbonDioxideHigh'],
    ['ohms', 'measure.flowThermistor'],
    ['dhw', 'display.hotWaterHot'],
  ])('by what else the trade calls it: %s (common practice)', (words, id) => {
    const known = combi.checks.some((one) => one.id === id)
    expect(known, id).toBe(true)
    expect(found(words)).toContain(id)
  })

  it('by part and stage: a stat on the wall, the valve that opens', () => {
    expect(found('roomstat').length).toBeGreaterThan(2)
    expect(found('2-port', withCylinder)).toContain('look.hotWaterValveLever')
  })

  it('whatever is typed, nothing breaks', () => {
    for (const words of ['(', '[a', '\\', '*', '+?', '  ', 'ü', '3–way']) expect(() => found(words)).not.toThrow()
  })
})

describe('checks put together', () => {
  it('by stage stand in the order of the sequence, and every check is somewhere', () => {
    const groups = browsed(combi, 'stage')
    const order = combi.system.sequence.hotWater!.map((one) => one.label).filter((label) => groups.some((one) => one.title === label))
    expect(groups.map((one) => one.title).filter((title) => order.includes(title)).length).toBe(order.length)
    expect(new Set(groups.flatMap((one) => one.checks)).size).toBe(combi.checks.length)
  })

  it('by part and by what is done, every check is somewhere too', () => {
    for (const by of ['part', 'kind'] as const) expect(new Set(browsed(combi, by).flatMap((one) => one.checks)).size).toBe(combi.checks.length)
    expect(browsed(combi, 'kind').map((one) => one.title)).toEqual(expect.arrayContaining(['Ask', 'Measure', 'Try']))
    const fan = browsed(combi, 'part').find((one) => one.title === 'Fan')!
    expect(fan.checks.map((one) => one.id)).toContain('listen.fanHum')
  })
})

describe('the trade’s other words', () => {
  it('are in lower case, none twice in a row, and each row is of something a check has', () => {
    const all = Object.values(catalogues).flatMap((one) => one.checks.map((check) => `${check.label} ${check.how.join(' ')}`.toLowerCase()))
    for (const row of otherWords) {
      expect(new Set(row).size).toBe(row.length)
      expect(row).toEqual(row.map((one) => one.toLowerCase()))
      expect(
        row.some((word) => all.some((text) => text.includes(word))),
        row.join(', '),
      ).toBe(true)
    }
  })
})
