import { describe, expect, it } from 'vitest'
import { scriptedJournal, type Entry } from '../../casebook/index.ts'
import { diagnose } from '../diagnose.ts'
import { numberOf, outcomeOf, smallCatalogue, smallCheck, smallFault, smallRemedy, smallSignatures } from '../tests/testCatalogue.ts'

/** A boiler of four things that fail: two fans' worth of trouble that look alike, a pump that floods the board, and the board. */
const yesNo = outcomeOf(['no', 'yes'], 0.02)
const catalogue = smallCatalogue({
  parts: ['fan', 'fanPlug', 'pump', 'board'].map((id) => ({ id, label: `the ${id}` })),
  faults: [
    smallFault('fan', { per1000: 40 }),
    smallFault('fanPlug', { per1000: 10 }),
    smallFault('pump', { per1000: 20, damages: { board: 0.5 }, causeChecks: ['wet'] }),
    smallFault('board', { per1000: 5 }),
  ],
  remedies: [
    smallRemedy('mend fan', ['fan', 'fanPlug'], 40, 200),
    smallRemedy('mend fanPlug', ['fanPlug'], 10),
    smallRemedy('mend pump', ['pump'], 45, 150),
    smallRemedy('mend board', ['board'], 30, 250),
  ],
  checks: [
    smallCheck('runHeating', outcomeOf(['stops', 'complete'], 0.02), { runsThrough: 'heating', minutes: 8 }),
    smallCheck('askHeating', outcomeOf(['none', 'fine'], 0.02), { kind: 'ask', settledBy: ['runHeating'] }),
    smallCheck('fanTurns', yesNo),
    smallCheck('plugTight', yesNo, { access: 'caseOff', minutes: 4 }),
    smallCheck('wet', yesNo),
    smallCheck('flow', numberOf()),
    smallCheck('boardLamp', yesNo),
  ],
  complaints: [{ id: 'cold', label: 'Cold', evidence: [{ check: 'askHeating', outcome: 'none' }] }],
})
catalogue.prior = { ...catalogue.prior, unlisted: 0.5, noDemand: 1 }
// nothing, fan, plug, pump, board, no demand
const signatures = smallSignatures(catalogue, {
  runHeating: [1, 0, 0, 0, 0, 0],
  askHeating: [1, 0, 0, 0, 0, 0],
  fanTurns: [1, 0, 0, 1, 1, 0],
  plugTight: [1, 1, 0, 1, 1, 1],
  wet: [0, 0, 0, 1, 0, 0],
  flow: [60, 20, 20, 35, 20, 20],
  boardLamp: [1, 1, 1, 1, 0, 1],
})
const { complain, answer, measure, repair, entry } = scriptedJournal()
const think = (...entries: Entry[]) => diagnose(catalogue, signatures, entries)
const fanStill = () => [complain('cold'), answer('fanTurns', 'no')]
const part = (result: ReturnType<typeof think>, id: string) => result.parts.find((one) => one.id === id)!

describe('what is said of the parts', () => {
  it('is only where something was read: before the first reading none is good and none bad', () => {
    for (const one of think().parts) expect([one.state, one.provenBy]).toEqual(['untested', []])
  })

  it('a plug found loose is the part, and the fan behind it only possible', () => {
    const result = think(...fanStill(), answer('plugTight', 'no'), answer('boardLamp', 'yes'))
    expect(result.verdict).toMatchObject({ part: 'fanPlug', label: 'the fanPlug' })
    expect(result.verdict!.modes.map((one) => one.fault)).toEqual(['fanPlug'])
    expect(part(result, 'fanPlug').state).toBe('bad')
    expect(part(result, 'fan').state).not.toBe('bad')
  })

  it('good is what its readings speak against, and which reading did is named', () => {
    const lamp = answer('boardLamp', 'yes')
    const dry = answer('wet', 'no')
    const result = think(complain('cold'), answer('fanTurns', 'yes'), measure('flow', 35, '°C'), lamp, answer('wet', 'yes'))
    expect(part(result, 'fan')).toMatchObject({ state: 'good' })
    expect(part(result, 'fan').provenBy.map((one) => one.check)).toContain('fanTurns')
    const boardGood = think(complain('cold'), answer('fanTurns', 'no'), lamp, dry, answer('plugTight', 'yes'))
    expect(part(boardGood, 'board').provenBy.map((one) => one.entries)).toContainEqual([lamp.id])
  })

  it('the share of a part is that of every set it is in, and never more than one', () => {
    const result = think(...fanStill())
    for (const { id, probability } of result.parts) {
      const listed = result.suspects.filter((one) => one.faults.includes(id)).reduce((sum, one) => sum + one.probability, 0)
      expect(probability).toBeGreaterThanOrEqual(listed - 1e-9)
      expect(probability).toBeLessThanOrEqual(1)
      expect(result.faults[id]).toBeCloseTo(probability, 9)
    }
  })
})

describe('what else would look like this', () => {
  it('fan and plug look alike until the plug is looked at, and that is what parts them', () => {
    const result = think(...fanStill(), answer('boardLamp', 'yes'))
    expect(result.suspects[0]!.key).toBe('fan')
    expect(result.lookalikes.find((one) => one.suspect === 'fanPlug')?.separatedBy).toMatchObject({ check: 'plugTight' })
    // the case must come off for it once
    expect(result.lookalikes[0]!.separatedBy!.minutes).toBe(9)
    const looked = think(...fanStill(), answer('boardLamp', 'yes'), answer('plugTight', 'yes'))
    expect(looked.lookalikes.map((one) => one.suspect)).not.toContain('fanPlug')
  })
})

describe('roots and consequences', () => {
  it('of a wet board the pump is the root, and to be looked for', () => {
    const result = think(complain('cold'), answer('wet', 'yes'), answer('boardLamp', 'no'), answer('fanTurns', 'yes'))
    const both = result.suspects.find((one) => one.faults.length === 2 && one.faults.includes('pump') && one.faults.includes('board'))!
    expect(Object.fromEntries(both.origins.map((one) => [one.fault, one.role]))).toEqual({ pump: 'root', board: 'consequence' })
    const alone = result.suspects.find((one) => one.key === 'pump')
    expect(alone?.origins.map((one) => one.role) ?? ['alone']).toEqual(['alone'])
    expect(result.several!.probability).toBeGreaterThanOrEqual(both.probability)
  })

  it('what is to be found behind the likeliest is listed: its checks and what does it damage', () => {
    const wet = think(complain('cold'), answer('wet', 'yes'), answer('fanTurns', 'yes'), answer('boardLamp', 'yes'))
    expect(wet.causes).toMatchObject([{ fault: 'pump', label: 'pump', by: [], lookFor: ['wet'] }])
    const dead = think(complain('cold'), answer('wet', 'no'), answer('fanTurns', 'yes'), answer('boardLamp', 'no'), measure('flow', 20, '°C'))
    expect(dead.causes).toMatchObject([{ fault: 'board', label: 'board', by: [{ fault: 'pump', check: null }], lookFor: ['pump'] }])
  })
})

describe('before leaving', () => {
  const repaired = () => [...fanStill(), answer('plugTight', 'no'), answer('boardLamp', 'yes'), repair('mend fanPlug')]

  it('a complaint that was explained stays so when what explained it is mended', () => {
    const found = repaired().slice(0, -1)
    expect([think(...found).open, think(...repaired()).open]).toEqual([[], []])
    expect(think(complain('cold')).open.map((one) => one.label)).toEqual(['Cold'])
  })

  it('nothing is left only when it was mended and run', () => {
    expect(think(...fanStill()).closing).toContain('No repair recorded.')
    expect(think(...repaired()).closing).toEqual(['Cold: run that demand through and record it.', 'Other demand not run since the repair: heating.'])
    expect(think(...repaired(), answer('runHeating', 'stops')).closing).toContain('Cold: run that demand through and record it.')
    expect(think(...repaired(), answer('runHeating', 'complete'))).toMatchObject({ closing: [], open: [] })
  })

  it('the van is loaded by need against what carrying costs', () => {
    const { carry } = think(...fanStill(), answer('boardLamp', 'yes'))
    expect(carry.map((one) => one.part)).toContain('part of mend fan')
    expect(carry.map((one) => one.part)).not.toContain('part of mend board')
    expect(carry.map((one) => one.probability)).toEqual([...carry.map((one) => one.probability)].sort((a, b) => b - a))
    for (const one of carry) expect(one.probability).toBeLessThanOrEqual(1)
  })

  it('what was found is told as it was written, in order, with whether it explains', () => {
    const seen = entry('finding', { what: 'plug hanging', explainsComplaint: true })
    const also = entry('finding', { what: 'dust' })
    expect(think(complain('cold'), seen, also).findings).toEqual([
      { entry: seen.id, what: 'plug hanging', explainsComplaint: true },
      { entry: also.id, what: 'dust', explainsComplaint: null },
    ])
  })
})

describe('where a reading is expected', () => {
  const flow = (row: string, ...entries: Entry[]) =>
    diagnose(catalogue, signatures, entries, { also: ['flow'] })
      .next.find((one) => one.check === 'flow')!
      .expected.find((one) => one.suspect === row)!

  it('around what the plant reads, in the check’s unit, and wider than the clamp is good', () => {
    const { reading, notReached } = flow('pump', complain('cold'), answer('wet', 'yes'))
    expect(reading!.unit).toBe('°C')
    expect(reading!.typical).toBeCloseTo(35, 6)
    // nine tenths of a normal spread lie within 1.645 of it either way
    expect(reading!.high - reading!.typical).toBeCloseTo(reading!.typical - reading!.low, 6)
    expect(reading!.high - reading!.low).toBeGreaterThan(2 * 1.645 * 2 - 1e-9)
    expect(notReached).toBe(0)
  })

  it('a check chosen by hand changes nothing of what is advised beside it', () => {
    const entries = fanStill()
    const { next, ...rest } = think(...entries)
    const chosen = diagnose(catalogue, signatures, entries, { also: ['flow'] })
    expect(chosen).toMatchObject(rest)
    for (const one of next) expect(chosen.next).toContainEqual(one)
    expect(chosen.next.map((one) => one.check)).toContain('flow')
    // other costs are another question
    const dear = diagnose(catalogue, signatures, entries, { costs: { wrongPart: 5000 } })
    expect(dear.advice!.acting).toBeGreaterThan(rest.advice!.acting)
    expect(diagnose(catalogue, signatures, entries, { cannot: ['plugTight'] }).next.map((one) => one.check)).not.toContain('plugTight')
    expect(think(...entries)).toEqual({ next, ...rest })
  })
})
