import { scriptedJournal, type Entry } from '@dewpoint/core/casebook'
import { catalogueFor, catalogues } from '@dewpoint/trade'
import { describe, expect, it } from 'vitest'
import { setZone } from '../shared/times.ts'
import { entryWords, outcomeChoices } from './checkWords.ts'

setZone('Europe/London')
const catalogue = catalogues['premix-combi']!
const wired = catalogueFor('system-boiler', 'two-valves')!
const { entry, complain, answer, measure, repair } = scriptedJournal()
const words = (one: Entry, of = catalogue) => {
  const { what, result } = entryWords(of, one)
  return `${what} | ${result}`
}

describe('the answers a check can be given', () => {
  const of = (id: string) => catalogue.checks.find((one) => one.id === id)!

  it('are its outcomes, a sign’s yes and no, and of a number that it is not reached', () => {
    expect(outcomeChoices(of('ask.heating'), false).map((one) => one.label)).toEqual(['cold', 'warm at best', 'hot as always'])
    expect(outcomeChoices(of('ask.heating'), true).at(-1)).toEqual({ id: 'notReached', label: 'it never gets that far' })
    expect(outcomeChoices(of('ask.frost'), true).map((one) => one.id)).toEqual(['yes', 'no'])
    expect(outcomeChoices(of('measure.flowThermistor'), true).map((one) => one.id)).toEqual(['tooLow', 'right', 'tooHigh', 'notReached'])
    expect(outcomeChoices(of('measure.flowThermistor'), false)).toEqual([])
  })

  it('of what is shown say that the display is dark, but for what shows only while it burns', () => {
    const nothingRead = (id: string) => outcomeChoices(of(id), true).at(-1)!.label
    expect(['display.pressure', 'display.statusHeating', 'display.statusTapOpen'].map(nothingRead)).toEqual([
      'the display is dark',
      'the display is dark',
      'it never gets that far',
    ])
  })
})

describe('an entry in words', () => {
  it.each([
    ['a complaint', complain('hotColdHot'), 'Complaint | Hot water goes hot, cold, hot'],
    ['an answer', answer('ask.heating', 'fine'), 'Do the radiators get hot? | hot as always'],
    ['not reached', answer('ask.heating', 'notReached'), 'Do the radiators get hot? | it never gets that far'],
    ['a number', measure('measure.flowThermistor', 1.8, 'kΩ'), 'Flow thermistor, resistance at a measured pipe temperature | 1.80 kΩ'],
    ['a number on a display that shows nothing', answer('display.pressure', 'notReached'), 'Pressure on the display, cold | the display is dark'],
    ['a number by a word', answer('measure.flowThermistor', 'tooLow'), 'Flow thermistor, resistance at a measured pipe temperature | too low'],
    ['one of earlier days', answer('display.faultCode', 'sensor'), 'Fault code shown | a sensor or the overheat device, not told which'],
    ['one not sure of', answer('ask.heating', 'fine', { sureness: 'unsure' }), 'Do the radiators get hot? | hot as always (not sure)'],
    ['an act', entry('action', { action: 'coldFeedShut' }), 'Done | Cold feed shut'],
    ['an act undone', entry('action', { action: 'coldFeedShut', undone: true }), 'Undone | Reopened (Cold feed shut)'],
    ['an act on a part', entry('action', { action: 'trialSpare', value: 'turbine' }), 'Done | Known-good part fitted as a test: Flow turbine'],
    ['a finding', entry('finding', { what: 'Wet shelf' }), 'Found | Wet shelf'],
    ['advice declined', entry('advice', { what: 'Filter', answer: 'declined' }), 'Advice declined | Filter'],
    ['a part condemned', entry('decision', { kind: 'condemned', part: 'fan', reason: 'x' }), 'Condemned | Fan'],
    [
      'a check that cannot be done',
      entry('decision', { kind: 'checkNotPossible', check: 'ask.heating', reason: 'x' }),
      'Do the radiators get hot? | cannot be done',
    ],
    ['a case closed', entry('decision', { kind: 'closed', reason: 'Both run through.' }), 'Closed | Both run through.'],
    ['a day of the past', entry('history', { event: 'topUp', on: '2026-01-10', note: 'Topped up' }), 'History, Sat 10 Jan | Topped up'],
    [
      'a top-up with what it was filled to',
      entry('history', { event: 'topUp', on: '2026-01-10', value: 1.3, unit: 'bar', note: 'by the neighbour' }),
      'History, Sat 10 Jan | topped up, by the neighbour, 1.30 bar',
    ],
    ['a fact with its unit', entry('fact', { fact: 'systemVolume', value: 80, unit: 'l' }), 'Water in the system | 80.0 l'],
  ] as [string, Entry, string][])('%s', (_what, one, said) => expect(words(one)).toBe(said))

  it('a remedy by its name', () => {
    const remedy = catalogue.remedies[0]!
    expect(words(repair(remedy.id))).toBe(`Repaired | ${remedy.label}`)
  })

  it('how it is wired by the scheme’s name, or that it is not known', () => {
    expect(words(entry('fact', { fact: 'controls', value: 'two-valves' }), wired)).toBe('Wired as | Two 2-port valves')
    expect(words(entry('fact', { fact: 'controls', value: 'direct' }), wired)).toBe('Wired as | not known')
  })

  it('a meter between two terminals by the terminals’ own words', () => {
    const probe = entry('reading', { check: 'probe.volts', value: 231, unit: 'V', place: 'roomStat.call|supply.N', situation: { demand: 'heating' } })
    expect(words(probe, wired)).toMatch(/^Volts, Room thermostat call \(\d+\) – Fused isolator N \(\d+\) \| 231 V$/)
    // where the wiring is not known any more
    expect(words(probe)).toBe('Between two terminals | 231 V')
  })

  it('what this catalogue does not know is told by what was written, never left out', () => {
    expect(words(answer('ask.tea', 'hot'))).toBe('ask.tea | hot')
    expect(words(complain('teaCold'))).toBe('Complaint | teaCold')
    expect(words(entry('action', { action: 'teaMade' }))).toBe('Done | teaMade')
    expect(words(entry('reading', { check: 'measure.tea', value: 3, unit: 'cups' }))).toBe('measure.tea | 3')
  })
})
