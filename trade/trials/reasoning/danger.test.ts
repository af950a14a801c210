import { scriptedJournal, type Entry } from '@dewpoint/core/casebook'
import { dangersIn } from '@dewpoint/core/diagnosis'
import { describe, expect, it } from 'vitest'
import { premixCombiCatalogue as catalogue, stockCatalogues, wiredCatalogues } from '../../index.ts'

const { entry, complain, answer, measure } = scriptedJournal()
const dangers = (...entries: Entry[]) => dangersIn(catalogue, entries)
const stops = (...entries: Entry[]) => {
  const { stop } = dangers(...entries)
  return stop ? [stop.danger, ...stop.others.map((one) => one.danger)] : []
}
const asks = (...entries: Entry[]) => dangers(...entries).questions.map((one) => one.danger)
const madeSafe = () => entry('action', { action: 'madeSafe', note: 'Gas off at the meter, gas smell gone, supplier came.' })

describe('words of danger', () => {
  const words = 'There is a smell of gas'
  it.each([
    ['the customer’s words', entry('complaint', { what: 'noHotWater', words })],
    ['since when', entry('complaint', { what: 'noHotWater', since: 'since the smell of gas on Monday' })],
    ['the note of a reading', entry('reading', { check: 'ask.heating', outcome: 'fine', note: words })],
    ['the note of an act', entry('action', { action: 'vented', note: words })],
    ['a finding', entry('finding', { what: words })],
    ['the note of a finding', entry('finding', { what: 'loose union', note: words })],
    ['the note of a repair', entry('repair', { remedy: 'replaceTurbine', note: words })],
    ['advice', entry('advice', { what: words, answer: 'given' })],
    ['a reason', entry('decision', { kind: 'checkNotPossible', check: 'look.fins', reason: words })],
  ])('count in %s', (_where, one) => {
    expect(stops(one)).toEqual(['gasSmell'])
  })

  it('of a day that is over are asked about', () => {
    const past = entry('history', { event: 'visit', on: '2025-11-02', note: 'Smell of gas, union tightened' })
    expect([stops(past), asks(past)]).toEqual([[], ['gasSmell']])
  })

  it('are said with the words they were heard in, whoever wrote them', () => {
    expect(dangers(entry('finding', { what: 'Cracked case. Smoke from the board.' })).stop).toMatchObject({
      danger: 'scorching',
      because: '“smoke from the board”',
    })
  })

  it('of two dangers both stand', () => {
    expect(stops(entry('complaint', { what: 'noHotWater', words: 'smell of gas, and water drips on the fuse box' }))).toEqual(['gasSmell', 'waterOnElectrics'])
  })
})

describe('a fault that is found', () => {
  const all = [...Object.values(stockCatalogues), ...wiredCatalogues()]
  it('named as the list names it stops the case where it is a danger, and else not, nor is anything asked', () => {
    for (const one of all)
      for (const { id, label, danger } of one.faults) {
        const { stop, questions } = dangersIn(one, [entry('finding', { what: label, fault: id })])
        expect([id, stop?.danger, questions]).toEqual([id, danger, []])
      }
  })

  // common practice: gas that escapes and products that do not leave by the flue come before any diagnosis
  it.each([
    ['gas.pipeLeaking', 'gasSmell'],
    ['gasValve.unionLeaking', 'gasSmell'],
    ['flue.sealLeaking', 'fumes'],
    ['burner.doorLeaking', 'fumes'],
  ])('%s is made safe first', (fault, danger) => {
    expect(stops(entry('finding', { what: 'seen', fault }))).toEqual([danger])
    expect(stops(entry('finding', { what: 'seen', fault }), madeSafe())).toEqual([])
  })

  it('words beside it count as ever', () => {
    const { id, label } = catalogue.faults.find((one) => one.id === 'turbine.stuck')!
    expect(stops(entry('finding', { what: label, fault: id, note: 'smell of gas here' }))).toEqual(['gasSmell'])
    expect(stops(entry('finding', { what: 'smell of gas', fault: id }))).toEqual(['gasSmell'])
  })
})

describe('a question about danger', () => {
  const unsure = entry('complaint', { what: 'noHotWater', words: 'a funny smell by the boiler' })
  const ruledOut = entry('action', { action: 'dangerRuledOut', value: 'gasSmell' })

  it('stands until somebody answers it', () => {
    expect([stops(unsure), asks(unsure)]).toEqual([[], ['gasSmell']])
    expect(asks(unsure, ruledOut)).toEqual([])
    expect(asks(unsure, entry('action', { action: 'dangerRuledOut', value: 'coAlarm' }))).toEqual(['gasSmell'])
  })

  it('is asked again when somebody writes of it again, and once for two notes', () => {
    expect(asks(unsure, ruledOut, entry('finding', { what: 'still a funny smell' }))).toEqual(['gasSmell'])
    expect(asks(unsure, entry('finding', { what: 'a funny smell here too' }))).toEqual(['gasSmell'])
  })

  it('answered with yes is a stop, which no “ruled out” lifts', () => {
    expect([stops(unsure, complain('gasSmell')), asks(unsure, complain('gasSmell'))]).toEqual([['gasSmell'], []])
    expect(stops(complain('gasSmell'), ruledOut)).toEqual(['gasSmell'])
  })
})

describe('readings of danger', () => {
  it.each([
    ['bubbles at a gas joint', answer('look.gasJoints', 'yes'), 'gasSmell'],
    ['a gas detector that answers', answer('measure.gasDetector', 'yes'), 'gasSmell'],
    ['products of combustion in the room', answer('measure.roomAir', 'yes'), 'fumes'],
    ['a torn flue seal', answer('look.flueSeals', 'yes'), 'fumes'],
    ['CO2 of 1.2 % in the air inlet', measure('measure.airInlet', 1.2, '%'), 'fumes'],
    ['too little oxygen in the air inlet', measure('measure.airInletOxygen', 19.8, '%'), 'fumes'],
    ['CO of 900 ppm', measure('measure.carbonMonoxide', 900, 'ppm'), 'fumes'],
    ['CO beyond what an analyser can show', measure('measure.carbonMonoxide', 30_000, 'ppm'), 'fumes'],
    ['a doubtful one', answer('look.gasJoints', 'yes', { sureness: 'doubtful' }), 'gasSmell'],
  ])('%s stops', (_what, one, danger) => {
    expect(stops(one)).toEqual([danger])
  })

  it.each([
    ['no bubbles', answer('look.gasJoints', 'no')],
    ['CO within twice its limit', measure('measure.carbonMonoxide', 380, 'ppm')],
    ['fresh air at the inlet', measure('measure.airInlet', 0.04, '%')],
    ['the oxygen of fresh air there', measure('measure.airInletOxygen', 20.8, '%')],
    ['a unit of something else', measure('measure.carbonMonoxide', 900, '°C')],
    ['not reached', answer('measure.airInlet', 'notReached')],
  ])('%s does not', (_what, one) => {
    expect(stops(one)).toEqual([])
  })

  it('say what was read and how much is allowed', () => {
    expect(dangers(measure('measure.carbonMonoxide', 900, 'ppm')).stop!.because).toBe('CO at full rate: 900 ppm, more than 400 ppm')
    expect(dangers(answer('look.gasJoints', 'yes')).stop!.because).toBe('Bubbles at a gas joint: yes')
  })

  it('no later reading lifts it, only that it was made safe', () => {
    const leak = answer('look.gasJoints', 'yes')
    expect(stops(leak, answer('look.gasJoints', 'no'))).toEqual(['gasSmell'])
    expect(stops(leak, madeSafe())).toEqual([])
    expect(stops(leak, entry('retract', { entry: leak.id }))).toEqual([])
  })
})

describe('made safe', () => {
  it('lifts every stop before it, and none that comes after', () => {
    expect(stops(complain('gasSmell'), answer('look.flueSeals', 'yes'), madeSafe())).toEqual([])
    expect(stops(complain('gasSmell'), madeSafe(), entry('finding', { what: 'smell of gas again' }))).toEqual(['gasSmell'])
  })

  it('leaves what somebody is still to be asked about: another danger is not made safe with it', () => {
    const both = entry('complaint', { what: 'noHotWater', words: 'Smell of gas. I have a headache' })
    expect([stops(both), asks(both)]).toEqual([['gasSmell'], ['coAlarm']])
    expect([stops(both, madeSafe()), asks(both, madeSafe())]).toEqual([[], ['coAlarm']])
  })

  it('undone leaves it as it was', () => {
    expect(stops(complain('gasSmell'), entry('action', { action: 'madeSafe', undone: true }))).toEqual(['gasSmell'])
  })
})

it('every kind of boiler knows the dangers, and a complaint for each', () => {
  for (const one of Object.values(stockCatalogues))
    expect(new Set(one.complaints.flatMap(({ danger }) => danger ?? []))).toEqual(new Set(one.dangers.map(({ id }) => id)))
  for (const one of Object.values(stockCatalogues)) {
    const unsafe = one.checks.filter((check) => check.unsafe)
    expect(unsafe.length > 0, one.system.id).toBe(one.system.gas !== 'none')
    for (const check of unsafe) expect(one.dangers.map(({ id }) => id)).toContain(check.unsafe!.danger)
  }
})
