import { simulate, type Timeline } from '@dewpoint/core/plant'
import { nominal, signalNames, type Stage } from '@dewpoint/core/system'
import { catalogues } from '@dewpoint/trade'
import { describe, expect, it } from 'vitest'
import { inSentence } from '../shared/words.ts'
import { parameterWords, wordsOf } from './dataWords.ts'
import { clock, eventsOf } from './runEvents.ts'
import { groupsOf, signalWords } from './signalGroups.ts'

const { system, runs } = catalogues['premix-combi']!
const words = wordsOf(system)

describe('a system’s data in words', () => {
  it('thresholds are their parameters’ values', () => {
    expect(words.number(3)).toBe('3')
    const [key, parameter] = Object.entries(system.components.find((one) => one.id === 'pump')!.parameters)[0]!
    expect(words.number(`pump.${key}`)).toBe(words.number(parameter.value))
    expect(words.number({ of: `pump.${key}`, plus: 2 })).toBe(words.number(parameter.value + 2))
    expect([words.number(undefined), words.number('tea.hot')]).toEqual(['', 'tea.hot'])
  })

  it('conditions are told as an engineer reads them', () => {
    expect(words.condition({ signal: 'flame', above: 0.5 })).toBe('flame')
    expect(words.condition({ signal: 'flame', below: 0.5 })).toBe('no flame')
    expect(words.condition({ signal: 'overheatOpen', below: 0.5 })).toBe('overheat device made')
    expect(words.condition({ signal: 'flowTemperature', above: 80 })).toBe('flow temperature above 80 °C')
    expect(words.condition({ signal: 'pressure', above: 0.5, below: 3 })).toBe('pressure 0.5 to 3 bar')
  })

  it('what the board does when a proof does not come', () => {
    const stages = system.sequence.hotWater!
    expect(words.failure({ then: 'stay' }, stages)).toBe('waits')
    expect(words.failure({ then: 'lockout', code: system.codes[0]!.id }, stages)).toBe(`locks out, “${system.codes[0]!.display}”`)
    expect(words.failure({ then: 'retry', from: stages[0]!.id, times: 2, code: system.codes[0]!.id }, stages)).toContain(
      `2 more tries from “${inSentence(stages[0]!.label)}”`,
    )
  })

  it('every stage of every system has words for all it does, and none is raw', () => {
    for (const { system: each } of Object.values(catalogues)) {
      const own = wordsOf(each)
      for (const stages of Object.values(each.sequence) as Stage[][])
        for (const stage of stages) {
          const said = [...own.action(stage.action), ...stage.proof.map(own.condition), own.failure(stage.onFail, stages)]
          for (const line of said) {
            expect(line, `${each.id} ${stage.id}`).not.toMatch(/undefined|NaN|\[object|[a-z][A-Z]/)
            expect(line.trim()).not.toBe('')
          }
        }
    }
  })

  it('values have their unit, thousands a thin gap', () => {
    const of = (value: number, unit: string) => parameterWords({ value, unit } as never)
    expect([of(6000, 'rev/min'), of(0.123456, 'bar'), of(1, '1')]).toEqual(['6 000 rev/min', '0.1235 bar', '1'])
  })
})

describe('signals', () => {
  it('have names in words', () => {
    expect((['flowTemperature', 'zone2MotorVolts', 'carbonDioxide', 'airCarbonDioxide', 'hotWaterSensor'] as const).map(signalWords)).toEqual([
      'flow temperature',
      'zone 2 motor volts',
      'CO2',
      'air CO2',
      'hot-water sensor',
    ])
    for (const name of signalNames) expect(signalWords(name)).not.toMatch(/[a-z][A-Z]|\s{2}/)
  })

  it('are looked at together in one unit, only those a system has', () => {
    for (const { system: each } of Object.values(catalogues)) {
      const groups = groupsOf(each)
      expect(new Set(groups.map((one) => one.id)).size).toBe(groups.length)
      expect(groups.map((one) => one.id)).toContain('temperatures')
    }
    expect(groupsOf(catalogues['electric-flow']!.system).map((one) => one.id)).not.toContain('gas')
    expect(groupsOf(system).find((one) => one.id === 'plate')!.signals).toContain('plateIn')
  })
})

describe('what happened in a run', () => {
  const run = (faults: Record<string, number> = {}): Timeline =>
    simulate(
      system,
      { ...nominal(system), ...faults },
      runs.find((one) => one.id === 'full')!,
    )

  it('stages in their order, then the end of the demand', () => {
    const events = eventsOf(system, run(), 'hotWater')
    const stages = events.filter((one) => one.kind === 'stage').map((one) => one.words)
    expect(stages).toEqual(system.sequence.hotWater!.map((one) => one.label).slice(0, stages.length))
    expect(stages.length).toBeGreaterThan(5)
    expect(events.map((one) => one.seconds)).toEqual([...events.map((one) => one.seconds)].sort((a, b) => a - b))
    expect(events.some((one) => one.kind === 'demand' && one.words === 'demand ends')).toBe(true)
  })

  it('a lockout by the code the display shows', () => {
    const locked = eventsOf(system, run({ 'fan.torque': 0 }), 'hotWater').find((one) => one.kind === 'code')
    expect(locked!.words).toMatch(/^locks out: \S+/)
    expect(system.codes.map((one) => `locks out: ${one.display}`)).toContain(locked!.words)
  })

  it('at times as a watch shows them', () => {
    expect([0, 9.6, 61, 3599.6, 3661].map(clock)).toEqual(['0:00', '0:10', '1:01', '1:00:00', '1:01:01'])
  })
})

it('a label within a sentence keeps its names and formulas', () => {
  expect(['Fan seized', 'CO2 at full rate', 'Hall sensor dead', 'Fan seized + Pump worn'].map(inSentence)).toEqual([
    'fan seized',
    'CO2 at full rate',
    'Hall sensor dead',
    'fan seized + pump worn',
  ])
})
