import { type Entry, scriptedJournal, writtenAt } from '@dewpoint/core/casebook'
import { accessLeft, diagnose, readJournal, type Diagnosis } from '@dewpoint/core/diagnosis'
import { describe, expect, it } from 'vitest'
import { premixCombiCatalogue as catalogue } from '../../index.ts'
import { loadSignatures } from '../../shipped.ts'

const signatures = loadSignatures(catalogue)
const think = (...entries: Entry[]) => diagnose(catalogue, signatures, entries)
const of = (result: Diagnosis, key: string) => result.suspects.find((one) => one.key === key)?.probability ?? 0
const part = (result: Diagnosis, id: string) => result.parts.find((one) => one.id === id)!
const atSixty = { powerOff: true, temperature: { value: 60, unit: '°C' } }

describe('no hot water, heating fine, a few seconds of flame with the keep-warm status (common practice)', () => {
  const { complain, answer, measure } = scriptedJournal()
  const before = [complain('noHotWater'), answer('ask.heating', 'fine'), answer('display.statusTapOpen', 'keepWarm')]

  it('the turbine leads', () => {
    // what turns, what counts the turns, and the lead between them: nothing else is near
    const parts = [...think(...before).parts].sort((a, b) => b.probability - a.probability)
    expect(parts.slice(0, 2).map((one) => one.id)).toEqual(['turbine', 'turbineLead'])
    expect(think(...before).verdict?.part ?? 'none yet').not.toBe('board')
  })

  it('one check of its signal convicts it', () => {
    const result = think(...before, measure('measure.hallPulses', 0, 'Hz'))
    expect(result.verdict?.part).toBe('turbine')
    expect(part(result, 'turbine').state).toBe('bad')
  })

  it('and a good signal points to the lead between', () => {
    const result = think(...before, measure('measure.hallPulses', 41, 'Hz'))
    expect(result.suspects[0]!.key).toBe('turbineLead.open')
    expect(part(result, 'turbine').probability).toBeLessThan(0.1)
  })
})

describe('tap hot-cold-hot, burner drops out at the high limit (common practice)', () => {
  const { complain, answer, measure } = scriptedJournal()
  const before = [complain('hotColdHot'), answer('display.dropOut', 'yes')]
  const three = ['plate.heatingSideBlocked', 'board.minimumSpeedHigh', 'flowThermistor.readsHigh']

  it('plate, lowest rate and thermistor stand together, and no part is condemned', () => {
    const result = think(...before)
    // the plate is by far the commonest of them, and the other two cost minutes to rule out
    expect(of(result, three[0]!)).toBeGreaterThan(0.25)
    expect(of(result, three[2]!)).toBeGreaterThan(0.04)
    expect(result.verdict).toBeNull()
    expect(result.remedies.filter((one) => one.id.startsWith('plate.')).length).toBeGreaterThan(0)
    for (const one of result.lookalikes) expect(one.separatedBy).not.toBeNull()
  })

  it('1.8 kΩ at a measured 60 °C convicts the thermistor', () => {
    const result = think(...before, measure('measure.flowThermistor', 1.8, 'kΩ', atSixty))
    expect(result.verdict?.part).toBe('flowThermistor')
    expect(result.suspects[0]!.account[0]).toMatchObject({ check: 'measure.flowThermistor' })
  })

  it('1800 Ω at 140 °F is the same reading', () => {
    const ohms = think(...before, measure('measure.flowThermistor', 1800, 'Ω', { powerOff: true, temperature: { value: 140, unit: '°F' } }))
    const kilohms = think(...before, measure('measure.flowThermistor', 1.8, 'kΩ', atSixty))
    expect(of(ohms, 'flowThermistor.readsHigh')).toBeCloseTo(of(kilohms, 'flowThermistor.readsHigh'), 9)
  })

  it('2.49 kΩ clears it and leaves plate and lowest rate', () => {
    const result = think(...before, measure('measure.flowThermistor', 2.49, 'kΩ', atSixty))
    expect(part(result, 'flowThermistor').probability).toBeLessThan(0.02)
    expect(result.suspects[0]!.key).toBe(three[0])
  })

  it('without the pipe temperature the same reading moves less', () => {
    const doubted = think(...before, measure('measure.flowThermistor', 1.8, 'kΩ', { powerOff: true }))
    expect(of(doubted, 'flowThermistor.readsHigh')).toBeLessThan(
      of(think(...before, measure('measure.flowThermistor', 1.8, 'kΩ', atSixty)), 'flowThermistor.readsHigh'),
    )
  })
})

describe('locks out, fan hums, supplied and standing still (common practice)', () => {
  it('is the fan', () => {
    const { complain, answer, measure } = scriptedJournal()
    const result = think(complain('locksOut'), answer('listen.fanHum', 'yes'), measure('measure.fanSupply', 231, 'V'), answer('look.fanTurns', 'no'))
    expect(result.verdict?.part).toBe('fan')
    expect(result.remedies[0]!.id).toBe('fan.replace')
    expect(result.carry.map((one) => one.part)).toContain('fan')
  })

  it('with a dead plug the fan is untested, not bad', () => {
    const { complain, answer, measure } = scriptedJournal()
    const result = think(complain('locksOut'), measure('measure.fanSupply', 0, 'V'), answer('look.fanTurns', 'no'))
    expect(part(result, 'fan').state).not.toBe('bad')
  })
})

describe('danger', () => {
  const { complain, answer, entry } = scriptedJournal()

  it.each([
    [complain('gasSmell'), 'gasSmell'],
    [entry('complaint', { what: 'noHotWater', words: 'there is a smell of gas in the hall' }), 'gasSmell'],
    [entry('complaint', { what: 'noHeating', words: 'The CO alarm went off twice' }), 'coAlarm'],
    [entry('complaint', { what: 'noHotWater', words: 'No hot water and the CO alarm is beeping' }), 'coAlarm'],
    [entry('complaint', { what: 'noHeating', words: 'no heating smell of gas' }), 'gasSmell'],
    [entry('finding', { what: 'water dripping onto the board' }), 'waterOnElectrics'],
    [entry('finding', { what: 'scorched paint above the flue' }), 'scorching'],
  ])('stops before any ranking (%#)', (alarming, danger) => {
    const result = think(alarming, answer('ask.heating', 'fine'))
    expect(result.stop).toMatchObject({ danger })
    // what to say and do is the catalogue’s, word for word
    const known = catalogue.dangers.find((one) => one.id === danger)!
    expect(result.stop).toMatchObject({ label: known.label, say: known.say })
    expect(result.closing).toEqual([`${known.label}: make safe first.`])
    expect([result.suspects, result.next, result.remedies]).toEqual([[], [], []])
  })

  it.each([
    'No hot water when I turn it on at the switch',
    'A faint hum from the case',
    'I am sick of this boiler',
    'The water is only warm. The board of the school complains',
  ])('is not in “%s”', (words) => {
    expect(think(entry('complaint', { what: 'noHotWater', words })).stop).toBeNull()
  })

  it('is not what somebody denies', () => {
    expect(think(entry('complaint', { what: 'noHotWater', words: 'No hot water. There is no smell of gas.' })).stop).toBeNull()
  })

  it('is over once made safe, or taken back', () => {
    const alarm = complain('gasSmell')
    expect(think(alarm, entry('action', { action: 'madeSafe', note: 'supplier, meter shut' })).stop).toBeNull()
    expect(think(alarm, entry('retract', { entry: alarm.id })).stop).toBeNull()
  })
})

describe('readings that cannot be true', () => {
  const { measure, complain } = scriptedJournal()

  it('a plate outlet hotter than its inlet is refused: 82 in, 86 out (common practice)', () => {
    const journal = [complain('hotColdHot'), measure('measure.platePrimaryIn', 82, '°C'), measure('measure.platePrimaryOut', 86, '°C')]
    const result = think(...journal)
    expect(result.refused.map((one) => one.entry)).toEqual([journal[2]!.id])
    expect(result.refused[0]!.why).toContain('clamp')
  })

  it('so is a pressure of 40 bar, and one in degrees', () => {
    expect(think(measure('look.gaugeCold', 40, 'bar')).refused[0]!.why).toContain('cannot be')
    expect(think(measure('look.gaugeCold', 1, '°C')).refused[0]!.why).toContain('bar')
  })

  it('and moves nothing', () => {
    const sound = think(complain('hotColdHot'))
    expect(think(complain('hotColdHot'), measure('look.gaugeCold', 40, 'bar')).suspects.map((one) => one.probability)).toEqual(
      sound.suspects.map((one) => one.probability),
    )
  })
})

describe('odd journals', () => {
  const { entry, complain, answer, measure } = scriptedJournal()
  const plain = think(complain('hotColdHot')).suspects.map((one) => one.probability)

  it.each([
    ['an outcome of another catalogue', answer('ask.heating', 'tropical')],
    ['a check of another catalogue', answer('ask.tea', 'yes')],
    ['a fact in a unit of something else', entry('fact', { fact: 'systemVolume', value: 80, unit: '°C' })],
    ['a fact in words', entry('fact', { fact: 'systemVolume', value: 'large' })],
  ])('%s moves nothing', (_name, odd) => {
    expect(think(complain('hotColdHot'), odd).suspects.map((one) => one.probability)).toEqual(plain)
  })

  it('a pipe colder than anything counts as not given', () => {
    const cold = { powerOff: true, temperature: { value: -400, unit: '°C' } }
    const result = think(complain('hotColdHot'), measure('measure.flowThermistor', 1.8, 'kΩ', cold))
    expect(of(result, 'flowThermistor.readsHigh')).toBeCloseTo(
      of(think(complain('hotColdHot'), measure('measure.flowThermistor', 1.8, 'kΩ', { powerOff: true })), 'flowThermistor.readsHigh'),
      9,
    )
  })
})

describe('what repairs teach', () => {
  it('after a repair the readings expected are those of what may still stand', () => {
    const { complain, answer, measure, repair } = scriptedJournal()
    const journal = [complain('noHotWater'), answer('ask.heating', 'fine'), measure('measure.hallPulses', 0, 'Hz')]
    const throughBy = (...entries: Entry[]) =>
      diagnose(catalogue, signatures, entries, { also: ['display.sequenceHotWater'] }).next.find((one) => one.check === 'display.sequenceHotWater')!
        .expected[0]!.outcomes!.complete!
    expect(throughBy(...journal)).toBeLessThan(0.1)
    expect(throughBy(...journal, repair('turbine.whole'))).toBeGreaterThan(0.7)
  })

  it('an insert changed in vain makes its dearer sister likelier', () => {
    const { complain, answer, measure, repair } = scriptedJournal()
    const before = [complain('noHotWater'), answer('ask.heating', 'fine'), measure('measure.hallPulses', 0, 'Hz')]
    const after = think(...before, repair('turbine.insert'), answer('display.sequenceHotWater', 'tapSeen'), measure('measure.hallPulses', 0, 'Hz'))
    expect(of(after, 'turbine.hallDead')).toBeGreaterThan(1.25 * of(think(...before), 'turbine.hallDead'))
    expect(of(after, 'turbine.hallDead')).toBeGreaterThan(2 * of(after, 'turbine.stuck'))
  })

  it('a case closes only when the failed demand and the other have run', () => {
    const { complain, answer, measure, repair } = scriptedJournal()
    const journal = [complain('noHotWater'), answer('ask.heating', 'fine'), measure('measure.hallPulses', 0, 'Hz'), answer('measure.hallSupply', 'there')]
    expect(think(...journal).closing).toEqual(['No repair recorded.'])
    journal.push(repair('turbine.whole'))
    for (const one of think(...journal).record) journal.push(answer(one.id, 'right'))
    expect(think(...journal).closing).toEqual([
      'No hot water: run that demand through and record it.',
      'Other demand not run since the repair: hot water, heating.',
    ])
    journal.push(answer('display.sequenceHotWater', 'complete'))
    expect(think(...journal).closing).toEqual(['Other demand not run since the repair: heating.'])
    journal.push(answer('display.sequenceHeating', 'complete'))
    expect(think(...journal)).toMatchObject({ closing: [], open: [] })
  })
})

describe('the contract', () => {
  it('every field is there from an empty journal on', () => {
    const result = think()
    for (const field of [
      'stop',
      'suspects',
      'parts',
      'findings',
      'causes',
      'open',
      'next',
      'lookalikes',
      'remedies',
      'carry',
      'closing',
      'refused',
      'contradiction',
      'unexamined',
    ] as const) {
      expect(result).toHaveProperty(field)
    }
    expect(result.next[0]).toMatchObject({ check: 'ask.hotWater', access: 'none' })
    expect(result.closing).toEqual(['No repair recorded.'])
    expect(result.parts.map((one) => one.id)).toEqual(catalogue.parts.map((one) => one.id))
    // with nothing known nobody is condemned, and a check is worth more than any act
    expect([result.verdict, result.advice!.does]).toEqual([null, 'check'])
    expect(Math.max(...result.suspects.map((one) => one.probability))).toBeLessThan(0.1)
  })

  it('a complaint stays open until a part that stands out explains it', () => {
    const { complain, answer, measure } = scriptedJournal()
    const journal = [complain('noHotWater'), answer('ask.heating', 'fine')]
    expect(think(...journal).open.map((one) => one.complaint)).toEqual(['noHotWater'])
    expect(think(...journal, measure('measure.hallPulses', 0, 'Hz'), answer('measure.hallSupply', 'there')).open).toEqual([])
  })

  it('expected readings are given in the unit of the check', () => {
    const { complain, measure } = scriptedJournal()
    const ofLeaders = (...entries: Entry[]) =>
      diagnose(catalogue, signatures, entries, { also: ['measure.flowThermistor'] }).next.find((one) => one.check === 'measure.flowThermistor')!.expected
    const plain = ofLeaders(complain('hotColdHot'))
    const drifted = ofLeaders(complain('hotColdHot'), measure('measure.flowThermistor', 1.9, 'kΩ', atSixty))
    const of = (key: string) => [...plain, ...drifted].find((one) => one.suspect === key)!.reading!
    expect(of('plate.heatingSideBlocked')).toMatchObject({ unit: 'kΩ' })
    expect(of('plate.heatingSideBlocked').typical).toBeCloseTo(2.46, 1)
    expect(of('flowThermistor.readsHigh').high).toBeLessThan(of('plate.heatingSideBlocked').typical)
  })

  it('a contradiction lets the unlisted cause lead and names the reading to repeat', () => {
    const { answer, measure } = scriptedJournal()
    const result = think(
      answer('display.sequenceHotWater', 'complete'),
      answer('look.display', 'no'),
      answer('measure.boardFuse', 'whole'),
      measure('measure.gasWorking', 2, 'mbar'),
      answer('look.flame', 'never'),
      measure('measure.tapTemperature', 46, '°C'),
    )
    expect(result.suspects[0]!.key).toBe('unlisted')
    expect(result.contradiction?.says).toContain('repeat it')
  })

  it('low water asks for its cause', () => {
    const { complain, measure } = scriptedJournal()
    const result = think(complain('nothing'), measure('look.gaugeCold', 0.15, 'bar'))
    expect(result.suspects[0]!.key).toMatch(/water.low|pipework.leak|relief.passing|vessel/)
  })

  it('puts the remedy first that costs least with coming back counted in', () => {
    const { complain, answer, measure } = scriptedJournal()
    const journal = [complain('noHotWater'), answer('ask.heating', 'fine'), measure('measure.hallPulses', 0, 'Hz')]
    const first = (heard: string) => think(...journal, answer('listen.turbine', heard)).remedies[0]!.id
    expect(first('yes')).toBe('turbine.whole')
    expect(first('no')).toBe('turbine.insert')
  })

  it('orders checks forward and backward along the sequence, once it is known how far it gets', () => {
    const { complain, answer } = scriptedJournal()
    const told = [complain('noHotWater'), answer('ask.heating', 'none')]
    const first = (order: 'forward' | 'backward', ...more: Entry[]) => diagnose(catalogue, signatures, [...told, ...more], { order }).next[0]!.check
    for (const order of ['forward', 'backward'] as const) expect(first(order)).toBe('display.sequenceHotWater')
    const stops = answer('display.sequenceHotWater', 'sensorsSane')
    const place = (order: 'forward' | 'backward') => {
      const { concerns } = catalogue.checks.find((one) => one.id === first(order, stops))!
      return catalogue.system.sequence.hotWater!.findIndex((one) => one.id === concerns?.stage)
    }
    expect(place('backward')).toBe(catalogue.system.sequence.hotWater!.findIndex((one) => one.id === 'sensorsSane'))
    expect(place('forward')).toBeLessThan(place('backward'))
  })

  it('leaves out what cannot be done', () => {
    const { complain, entry } = scriptedJournal()
    const first = think(complain('hotColdHot')).next[0]!.check
    const result = think(complain('hotColdHot'), entry('decision', { kind: 'checkNotPossible', check: first, reason: 'no access' }))
    expect(result.next.map((one) => one.check)).not.toContain(first)
  })

  it('what could not be done, and what was opened, counts for that visit', () => {
    const { complain, entry, answer } = scriptedJournal()
    const opened = catalogue.checks.find((one) => one.access === 'caseOff' && one.result.kind === 'outcome')!
    const outcome = opened.result.kind === 'outcome' ? opened.result.outcomes[0]!.id : ''
    const first = think(complain('hotColdHot')).next[0]!.check
    const visit = [complain('hotColdHot'), entry('decision', { kind: 'checkNotPossible', check: first, reason: 'no access' }), answer(opened.id, outcome)]
    const nextDay = writtenAt(entry('advice', { what: 'wait in', answer: 'given' }), '2026-03-02T09:00:00.000Z')
    expect(readJournal(catalogue, visit)).toMatchObject({ impossible: new Set([first]) })
    expect(readJournal(catalogue, [...visit, nextDay]).impossible.size).toBe(0)
    expect(accessLeft(readJournal(catalogue, visit), 'caseOff')).toBe(0)
    expect(accessLeft(readJournal(catalogue, [...visit, nextDay]), 'caseOff')).toBeGreaterThan(0)
  })
})

describe('after a repair', () => {
  it('the part that was mended no longer stands out, and what still stands does; its ways of mending are offered', () => {
    const { entry, repair, answer } = scriptedJournal()
    const seen = (fault: string) => entry('finding', { what: fault, fault, explainsComplaint: true })
    const found = [seen('fan.seized'), seen('diverterMotor.wet'), answer('look.diverterPlug', 'yes')]
    const remedy = (fault: string) =>
      catalogue.remedies.find((one) => one.mends.includes(fault) && catalogue.faults.find(({ id }) => id === fault)!.remedies[0] === one.id)!
    const first = think(...found, repair(remedy('fan.seized').id), answer('display.sequenceHeating', 'complete', { situation: { demand: 'heating' } }))
    expect(first.verdict?.part).toBe('diverterMotor')
    expect(first.remedies[0]!.mends).toContain('diverterMotor.wet')
    const both = think(
      ...found,
      repair(remedy('fan.seized').id),
      repair('diverterMotor.replace'),
      ...['heating', 'hotWater'].map((demand) =>
        answer(`display.sequence${demand === 'heating' ? 'Heating' : 'HotWater'}`, 'complete', { situation: { demand: demand as 'heating' } }),
      ),
    )
    expect(both.verdict).toBeNull()
  })

  it('what is told of the time before is about the system as found, whenever it is told; it is not asked twice', () => {
    const { complain, answer, repair } = scriptedJournal()
    const [first, told, mended] = [complain('hotColdHot'), answer('ask.topUps', 'yes'), repair('turbine.insert')]
    const later = writtenAt(told, '2026-03-01T10:00:00.000Z')
    const before = think(first, told, mended)
    const after = think(first, mended, later)
    for (const one of before.suspects) expect(of(after, one.key)).toBeCloseTo(one.probability, 9)
    expect(before.next.map((one) => one.check)).not.toContain('ask.topUps')
  })

  it('what happens over days is put right when what is still possible would not bring it about, and bars closing until then', () => {
    const { complain, entry, answer, repair } = scriptedJournal()
    const run = () =>
      (['heating', 'hotWater'] as const).map((demand) =>
        answer(`display.sequence${demand === 'heating' ? 'Heating' : 'HotWater'}`, 'complete', { situation: { demand } }),
      )
    const found = [complain('topUps'), entry('finding', { what: 'no charge', fault: 'vessel.lostCharge', explainsComplaint: true })]
    const bars = (id: string) => think(...found, repair(id), ...run()).closing.join(' ')
    expect(bars('turbine.insert')).toContain('would go on causing it')
    expect(bars('vessel.replace')).not.toContain('bringing it about')
  })

  it('a remedy done in vain is likelier to be in vain again than one not tried', () => {
    const { entry, repair, answer } = scriptedJournal()
    const found = entry('finding', { what: 'wet', fault: 'diverterMotor.wet', explainsComplaint: true })
    const fails = () => answer('look.diverterPlug', 'yes')
    const chance = (id: string, ...more: Entry[]) => think(found, ...more).remedies.find((one) => one.id === id)!.chanceOfReturn
    const tried = [repair('diverterMotor.dry'), fails()]
    expect(chance('diverterMotor.dry', ...tried)).toBeGreaterThan(chance('diverterMotor.dry') + 0.05)
  })
})
