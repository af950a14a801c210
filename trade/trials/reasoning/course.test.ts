import { type Entry, scriptedJournal } from '@dewpoint/core/casebook'
import {
  believe,
  diagnose,
  grow,
  likeliestPairs,
  pairAt,
  readJournal,
  simulatePair,
  withPairs,
  type DiagnoseOptions,
  type Diagnosis,
} from '@dewpoint/core/diagnosis'
import { faultOdds } from '@dewpoint/core/diagnosis/belief'
import { describe, expect, it } from 'vitest'
import { premixCombiCatalogue as catalogue } from '../../index.ts'
import { loadSignatures } from '../../shipped.ts'

const signatures = loadSignatures(catalogue)
const think = (entries: Entry[], options?: DiagnoseOptions) => diagnose(catalogue, signatures, entries, options)
const of = (result: Diagnosis, key: string) => result.suspects.find((one) => one.key === key)?.probability ?? 0
const index = (id: string) => catalogue.faults.findIndex((one) => one.id === id)
const hot = { demand: 'hotWater' } as const

describe('a fault that comes and goes', () => {
  const readings = () => {
    const { entry, answer } = scriptedJournal()
    const told = (pattern: 'always' | 'workedOnArrival') => entry('complaint', { what: 'noHotWater', pattern })
    const well = [answer('display.sequenceHotWater', 'complete', { situation: hot }), answer('listen.fan', 'yes'), answer('display.statusTapOpen', 'hotWater')]
    return { told, well, answer }
  }

  it('is not cleared by a visit on which everything worked; one that is always there is', () => {
    const { told, well } = readings()
    const failures = (pattern: 'always' | 'workedOnArrival') => {
      const { posterior } = believe(catalogue, signatures, readJournal(catalogue, [told(pattern), ...well]))
      return posterior[index('turbine.stuck') + 1]! / posterior[0]!
    }
    expect(failures('workedOnArrival')).toBeGreaterThan(5 * failures('always'))
  })

  it('was away once a visit, however much was read on it', () => {
    const { told, well } = readings()
    const share = (entries: Entry[]) => {
      const { posterior } = believe(catalogue, signatures, readJournal(catalogue, [told('workedOnArrival'), ...entries]))
      return posterior[index('turbine.stuck') + 1]! / posterior[0]!
    }
    expect(share(well)).toBeGreaterThan(0.7 * share(well.slice(0, 1)))
  })
})

describe('the past as evidence', () => {
  const past = (event: 'topUp' | 'gaugeReading' | 'visit' | 'codeReturned', on: string, more: object = {}) => ({ event, on, ...more })
  const journal = (lines: ReturnType<typeof past>[]) => {
    const { entry, complain } = scriptedJournal()
    return [complain('noHeating'), ...lines.map((one) => entry('history', one))]
  }
  const leak = (entries: Entry[]) => of(think(entries, { detail: 400 }), 'pipework.leak') / Math.max(of(think(entries, { detail: 400 }), 'fan.seized'), 1e-9)

  it('more than three top-ups in a year speak for water that goes somewhere, two do not', () => {
    const filled = (times: number) => journal(Array.from({ length: times }, (_unused, month) => past('topUp', `2025-0${month + 3}-10`)))
    expect(leak(filled(5))).toBeGreaterThan(3 * leak(journal([])))
    expect(leak(filled(2))).toBeLessThan(leak(journal([])))
  })

  it('a gauge read evening and morning is a night’s change, in any unit; a top-up between the two makes it say nothing', () => {
    const night = (...more: ReturnType<typeof past>[]) =>
      journal([
        past('gaugeReading', '2026-02-01T20:00:00Z', { value: 1.2, unit: 'bar' }),
        past('gaugeReading', '2026-02-02T08:00:00Z', { value: 8.7, unit: 'psi' }),
        ...more,
      ])
    const { evidence } = readJournal(catalogue, night())
    expect(evidence.find((one) => one.check.id === 'try.standOvernight')!.values[0]).toBeCloseTo(8.7 * 0.0689476 - 1.2, 3)
    expect(leak(night())).toBeGreaterThan(3 * leak(journal([])))
    expect(readJournal(catalogue, night(past('topUp', '2026-02-02'))).evidence.some((one) => one.check.id === 'try.standOvernight')).toBe(false)
  })

  it('a code that came back is the code, by what the display showed', () => {
    const code = catalogue.checks.find((one) => one.id === 'display.faultCode')!
    const fan = code.result.kind === 'outcome' ? code.result.outcomes.find((one) => one.id === 'fan')! : null
    const { evidence } = readJournal(catalogue, journal([past('codeReturned', '2026-02-01', { note: fan!.label.split(' · ')[0] })]))
    expect(evidence.find((one) => one.check === code)!.outcomes).toEqual([code.result.kind === 'outcome' ? code.result.outcomes.indexOf(fan!) : -1])
  })
})

describe('the firm’s own cases', () => {
  it('move assumed odds as counts move the mean of a Dirichlet distribution, and say how many they are', () => {
    const assumed = faultOdds(catalogue)[index('fan.seized')]!
    const experience = { cases: 100, proven: { 'fan.seized': 30 } }
    expect(faultOdds(catalogue, { experience })[index('fan.seized')]).toBeCloseTo((assumed * 400 + 30_000) / 500, 9)
    const { complain } = scriptedJournal()
    const result = think([complain('noHotWater')], { experience, detail: 400 })
    expect(result.suspects.find((one) => one.key === 'fan.seized')!.odds[0]).toMatchObject({ assumedCases: 400, cases: 100, proven: 30 })
    expect(of(result, 'fan.seized')).toBeGreaterThan(3 * of(think([complain('noHotWater')], { detail: 400 }), 'fan.seized'))
  })
})

describe('repairs', () => {
  it('a cheap remedy in vain makes the dearer sister likelier, and the next on its list is what is called for', () => {
    const { complain, measure, answer, repair } = scriptedJournal()
    const clamp = (check: string, value: number) => measure(check, value, '°C', hot)
    const before = [
      complain('hotColdHot'),
      answer('display.dropOut', 'yes'),
      answer('look.flame', 'brief'),
      clamp('measure.platePrimaryIn', 78),
      clamp('measure.platePrimaryOut', 71),
    ]
    const first = think(before).standing[0]!
    expect(first.remedies).toEqual(['plate.clean'])
    const after = think([
      ...before,
      repair('plate.clean'),
      repair('plate.descale'),
      answer('display.dropOut', 'yes'),
      answer('look.flame', 'brief'),
      clamp('measure.platePrimaryIn', 78),
      clamp('measure.platePrimaryOut', 71),
    ])
    expect(after.standing[0]!.remedies).toEqual(['plate.replace'])
  })

  it('what is mended and proved is left: the advice is to prove, then to leave', () => {
    const { complain, measure, answer, repair } = scriptedJournal()
    const before = [complain('noHotWater'), answer('ask.heating', 'fine'), measure('measure.hallPulses', 0, 'Hz', hot)]
    expect(think(before).advice).toMatchObject({ kind: 'faults' })
    expect(think(before).advice!.remedies[0]).toMatch(/^turbine\./)
    const after = think([
      ...before,
      repair('turbine.insert'),
      answer('display.sequenceHotWater', 'complete', { situation: hot }),
      answer('display.sequenceHeating', 'complete'),
      answer('ask.hotWater', 'fine'),
    ])
    expect(after.standing[0]!.kind).toBe('nothingWrong')
    expect(after.standing[0]!.probability).toBeGreaterThan(0.8)
  })

  it('a condemnation that hangs on one reading asks for that reading again, once', () => {
    const { complain, measure } = scriptedJournal()
    const fast = () => measure('measure.lowestFanSpeed', 2100, 'rev/min')
    const before = [complain('hotColdHot'), fast()]
    const { advice } = think(before)
    expect([advice!.does, advice!.again?.check]).toEqual(['act', 'measure.lowestFanSpeed'])
    expect(think([...before, fast()]).advice!.again).toBeNull()
  })

  it('what is tried because nothing else can be done hangs on nothing: no reading is asked for again', () => {
    const { complain, answer, measure } = scriptedJournal()
    const entries = [complain('topUps'), measure('look.gaugeCold', 0.6, 'bar'), answer('look.dampPipework', 'no'), answer('ask.climbsHot', 'still')]
    const { advice, standing } = think(entries, { cannot: catalogue.checks.map((one) => one.id) })
    expect(standing[0]!.probability).toBeLessThan(0.6)
    expect([advice!.does, advice!.again]).toEqual(['act', null])
  })
})

describe('a reading that cannot be true', () => {
  it('kept as doubtful stays in the journal, weighs nothing and is not asked about again', () => {
    const { entry, complain } = scriptedJournal()
    const gauge = (sureness: 'sure' | 'doubtful') => entry('reading', { check: 'look.gaugeCold', value: 17, unit: 'bar', sureness })
    expect(think([complain('noHeating'), gauge('sure')]).refused).toHaveLength(1)
    const kept = think([complain('noHeating'), gauge('doubtful')])
    expect(kept.refused).toEqual([])
    expect(kept.suspects[0]!.probability).toBeCloseTo(think([complain('noHeating')]).suspects[0]!.probability, 9)
  })
})

describe('readings no boiler can give (common practice)', () => {
  const { complain, entry, measure } = scriptedJournal()
  const refused = (...entries: Entry[]) => think([complain('hotColdHot'), ...entries]).refused
  const plate = (into: number, out: number) => [measure('measure.platePrimaryIn', into, '°C', hot), measure('measure.platePrimaryOut', out, '°C', hot)]

  it('a plate hotter behind than before, and two clamps on one pipe', () => {
    expect(refused(...plate(60, 78))[0]!.why).toContain('cannot be hotter than its inlet')
    expect(refused(...plate(62, 62.1))[0]!.why).toContain('both clamps sit on one pipe')
    expect(refused(...plate(78, 61))).toEqual([])
    // cold both are alike
    expect(refused(...plate(18, 18))).toEqual([])
  })

  it('pressure on a gauge that is shut off; a resistance beyond any sensor or meter', () => {
    const gauge = (isolated: string[]) => entry('reading', { check: 'look.gaugeCold', value: 1.4, unit: 'bar', situation: { demand: 'none', isolated } })
    expect(refused(gauge(['gauge']))[0]!.why).toContain('Open its valve')
    expect(refused(gauge([]))).toEqual([])
    expect(refused(measure('measure.flowThermistor', -2, 'kΩ', { powerOff: true, temperature: { value: 60, unit: '°C' } }))).toHaveLength(1)
    expect(refused(measure('measure.flowThermistor', 2e9, 'kΩ', { powerOff: true, temperature: { value: 60, unit: '°C' } }))).toHaveLength(1)
  })
})

describe('three faults and more', () => {
  const { complain, answer, measure, entry } = scriptedJournal()
  const see = (fault: string) => entry('finding', { what: fault, fault })
  const three = ['fan.seized', 'vessel.lostCharge', 'gasValve.coilOpen'].filter((id) => index(id) >= 0)
  const journal = [complain('nothing'), answer('look.fanTurns', 'no'), measure('measure.fanSupply', 230, 'V', hot), ...three.map(see)]

  it('are grown where no pair explains the journal, and explain it', () => {
    expect(three).toHaveLength(3)
    const read = readJournal(catalogue, journal)
    const grown = grow(catalogue, signatures, read, believe(catalogue, signatures, read))
    expect(grown).not.toBeNull()
    const row = grown!.signatures.rowOf.get(
      three
        .map(index)
        .sort((a, b) => a - b)
        .join(','),
    )!
    expect(grown!.belief.posterior[row]).toBeGreaterThan(0.15)
    const shown = think(journal).suspects.find((one) => one.faults.length === 3)
    expect(shown?.faults.sort()).toEqual([...three].sort())
  })

  it('are left alone where one fault explains it', () => {
    const read = readJournal(catalogue, [complain('noHotWater'), measure('measure.hallPulses', 0, 'Hz', hot), answer('ask.heating', 'fine')])
    expect(grow(catalogue, signatures, read, believe(catalogue, signatures, read))).toBeNull()
  })
})

describe('pairs simulated one by one', () => {
  it('give what was shipped, the likeliest first, each once', () => {
    const { complain, answer } = scriptedJournal()
    const entries = [complain('dripsOutside'), complain('topUps'), answer('ask.dripsWhen', 'hot'), answer('ask.climbsHot', 'high')]
    const [first, second] = likeliestPairs(catalogue, signatures, entries, new Set(), 2)
    expect(likeliestPairs(catalogue, signatures, entries, new Set([first!]), 1)).toEqual(second === undefined ? [] : [second])
    const row = signatures.rowOf.get(pairAt(catalogue.faults.length, first!).join(','))!
    // composed anew and then mended by the simulation it is what the shipped file holds
    const width = signatures.checks.length
    const from = signatures.first[row]! * width
    const blank = { ...signatures, values: signatures.values.slice() }
    const simulated = simulatePair(catalogue, blank, first!)
    for (const [at] of simulated.exceptions) blank.values[from + at] = 12345
    const better = withPairs(catalogue, blank, [simulated])
    expect([...better.values.subarray(from, from + 4 * width)]).toEqual([...signatures.values.subarray(from, from + 4 * width)])
  })
})
