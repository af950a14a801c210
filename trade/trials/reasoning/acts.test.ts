import { type Entry, scriptedJournal, writtenAt } from '@dewpoint/core/casebook'
import { barring, believe, diagnose, readJournal, standingActs } from '@dewpoint/core/diagnosis'
import { describe, expect, it } from 'vitest'
import { premixCombiCatalogue as catalogue, stockCatalogues } from '../../index.ts'
import { loadSignatures } from '../../shipped.ts'
import fc from 'fast-check'

// What acts do to what is read after them follows from the rules alone: each expectation is worked out from the rows of the signatures.
const signatures = loadSignatures(catalogue)
const beliefIn = (entries: Entry[]) => believe(catalogue, signatures, readJournal(catalogue, entries))
const rowOf = (...ids: string[]) =>
  signatures.rowOf.get(
    ids
      .map((id) => catalogue.faults.findIndex((one) => one.id === id))
      .sort((a, b) => a - b)
      .join(','),
  )!
const hot = { demand: 'hotWater' } as const

describe('a known-good part on trial', () => {
  const fit = (journal: ReturnType<typeof scriptedJournal>, value = 'turbine') => journal.entry('action', { action: 'trialSpare', value })
  const takeOut = (journal: ReturnType<typeof scriptedJournal>, value = 'turbine') => journal.entry('action', { action: 'trialSpare', value, undone: true })
  const reads = (journal: ReturnType<typeof scriptedJournal>, outcome = 'complete') => journal.answer('display.sequenceHotWater', outcome, { situation: hot })

  it('while it is in, the part’s faults read like a sound part: alone like nothing wrong, beside another like that other alone', () => {
    const journal = scriptedJournal()
    const { logLikelihood } = beliefIn([fit(journal), reads(journal)])
    expect(logLikelihood[rowOf('turbine.stuck')]).toBeCloseTo(logLikelihood[0]!, 9)
    const pair = beliefIn([fit(journal), reads(journal)]).logLikelihood[rowOf('turbine.stuck', 'fan.seized')]!
    // a pair has four plants of the sixteen the other has, so its average is near, not the same
    expect(Math.abs(pair - logLikelihood[rowOf('fan.seized')]!)).toBeLessThan(0.5)
    expect(logLikelihood[rowOf('fan.seized')]).toBeLessThan(logLikelihood[0]! - 2)
  })

  it('once it is out again, everything reads as it did before', () => {
    const checks = catalogue.checks.filter((one) => one.result.kind === 'outcome' && one.situation.demand === 'hotWater')
    fc.assert(
      fc.property(fc.constantFrom(...checks), fc.nat(), (check, pick) => {
        const journal = scriptedJournal()
        const outcomes = check.result.kind === 'outcome' ? check.result.outcomes : []
        const reading = journal.answer(check.id, outcomes[pick % outcomes.length]!.id, { situation: hot })
        const without = beliefIn([reading]).posterior
        const with_ = beliefIn([
          fit(journal),
          takeOut(journal),
          writtenAt({ ...reading, id: '01934a00-0000-7000-8000-999999999999' }, '2026-03-01T10:00:00.000Z'),
        ])
        for (let row = 0; row < without.length; row += 97) expect(with_.posterior[row]).toBeCloseTo(without[row]!, 9)
      }),
      { numRuns: 12 },
    )
  })

  it('runs through with it: that part; still fails with it: not that part', () => {
    const journal = scriptedJournal()
    const complaint = journal.complain('noHotWater')
    const stage = catalogue.checks.find((one) => one.id === 'display.sequenceHotWater')!.result
    const stalls = stage.kind === 'outcome' ? stage.outcomes[0]!.id : ''
    const first = reads(journal, stalls)
    const odds = (...entries: Entry[]) => {
      const share = diagnose(catalogue, signatures, [complaint, first, ...entries]).parts.find((one) => one.id === 'turbine')?.probability ?? 0
      return share / (1 - share)
    }
    expect(odds(fit(journal), reads(journal))).toBeGreaterThan(10 * odds())
    expect(odds(fit(journal), reads(journal, stalls))).toBeLessThan(odds() / 10)
  })

  it('comes before closing until the part’s own is back in, or it stays for good', () => {
    const journal = scriptedJournal()
    const complaint = journal.complain('noHotWater')
    const closing = (...entries: Entry[]) => diagnose(catalogue, signatures, [complaint, ...entries]).closing.join(' ')
    const trial = fit(journal)
    expect(closing(trial, reads(journal))).toContain('original part refitted')
    expect(closing(trial, takeOut(journal))).not.toContain('on trial')
    const remedy = catalogue.remedies.find((one) => one.mends.includes('turbine.stuck'))!
    const left = diagnose(catalogue, signatures, [complaint, trial, journal.repair(remedy.id)])
    expect(left.acts).toEqual([])
    expect(left.closing.join(' ')).not.toContain('on trial')
  })

  it('what the next reading is expected to be is that of the part on trial', () => {
    const journal = scriptedJournal()
    const seen = journal.entry('finding', { what: 'grit', fault: 'turbine.stuck', explainsComplaint: true })
    const check = 'display.sequenceHotWater'
    const complete = (...entries: Entry[]) =>
      diagnose(catalogue, signatures, entries, { also: [check] }).next.find((one) => one.check === check)!.expected[0]!.outcomes!.complete!
    expect(complete(seen)).toBeLessThan(0.2)
    expect(complete(seen, fit(journal))).toBeGreaterThan(0.6)
  })
})

describe('acts that change the situation', () => {
  const standing = (action: string) => {
    const journal = scriptedJournal()
    const done = journal.entry('action', { action })
    return { journal, done, undo: () => journal.entry('action', { action, undone: true }) }
  }
  const doubts = (...entries: Entry[]) => readJournal(catalogue, entries).doubted.map((one) => one.why)

  it('with the cold feed shut, what is read at the tap is doubted with why, until it is open again; the check made for it is not', () => {
    const { journal, done, undo } = standing('coldFeedShut')
    const read = () => journal.measure('measure.tapFlow', 0, 'l/min', hot)
    expect(doubts(done, read())).toEqual(['taken before this was undone: cold feed shut'])
    expect(doubts(done, undo(), read())).toEqual([])
    expect(doubts(done, journal.answer('try.shutColdFeed', 'stops', { situation: hot }))).toEqual([])
    expect(doubts(done, journal.answer('display.sequenceHeating', 'complete', { situation: { demand: 'heating' } }))).toEqual([])
    const moved = (...entries: Entry[]) =>
      Math.abs(Math.log(beliefIn(entries).posterior[rowOf('mains.stopValveHalf')]! / beliefIn([]).posterior[rowOf('mains.stopValveHalf')]!))
    expect(moved(done, read())).toBeLessThan(moved(read()))
  })

  it('with the power off or a conductor moved, no demand is believed; what is measured dead is', () => {
    for (const action of ['powerOff', 'wireMoved']) {
      const { journal, done } = standing(action)
      expect(doubts(done, journal.answer('display.sequenceHotWater', 'complete', { situation: hot }))).toHaveLength(1)
      const dead = catalogue.checks.find((one) => one.situation.powerOff && one.result.kind === 'outcome')!
      const answer = dead.result.kind === 'outcome' ? dead.result.outcomes[0]!.id : ''
      expect(doubts(done, journal.answer(dead.id, answer, { situation: { demand: 'none', powerOff: true } }))).toEqual([])
    }
  })

  it('the boiler drained by an act is drained for the reading that needs it', () => {
    const { journal, done } = standing('drained')
    const charge = journal.measure('measure.vesselCharge', 0.4, 'bar', { demand: 'none' })
    expect(doubts(charge)).toEqual(['the water side was not drained'])
    expect(doubts(done, charge)).toEqual([])
  })

  it('a filling loop taken off is out of the way of the overnight pressure, and back in the way when connected again', () => {
    const { journal, done, undo } = standing('loopDisconnected')
    const climbs = () => journal.answer('ask.climbsOvernight', 'yes')
    const likelihood = (...entries: Entry[]) => {
      const { logLikelihood } = beliefIn(entries)
      return logLikelihood[rowOf('fillingLoop.lettingBy')]! - logLikelihood[0]!
    }
    expect(likelihood(climbs())).toBeGreaterThan(0.5)
    expect(likelihood(done, undo(), climbs())).toBeCloseTo(likelihood(climbs()), 9)
  })
})

describe('acts that put right', () => {
  it('dried out mends what is wet, of the part it names if it names one', () => {
    const { entry } = scriptedJournal()
    const mended = (value?: string) =>
      readJournal(catalogue, [entry('action', { action: 'dried', ...(value && { value }) })]).mendings.map((one) =>
        one.faults.map((fault) => catalogue.faults[fault]!.id),
      )
    expect(mended()).toEqual([['diverterMotor.wet', 'airTubes.wet'].filter((id) => catalogue.faults.some((one) => one.id === id))])
    expect(mended('diverterMotor')).toEqual([['diverterMotor.wet']])
  })

  it('a vessel recharged leaves its other faults: what still fails after it speaks for those', () => {
    const journal = scriptedJournal()
    const found = [journal.complain('topUps'), journal.answer('ask.reliefDrips', 'yes')]
    const share = (entries: Entry[], id: string) => beliefIn(entries).posterior[rowOf(id)]! / beliefIn(entries).posterior[rowOf('vessel.lostCharge')]!
    const again = journal.measure('measure.vesselCharge', 0.2, 'bar', { demand: 'none', drained: true })
    const recharged = journal.entry('action', { action: 'recharged' })
    const later = writtenAt({ ...again, id: '01934a00-0000-7000-8000-888888888888' }, '2026-03-01T11:00:00.000Z')
    expect(share([...found, again, recharged, later], 'vessel.corePassing')).toBeGreaterThan(2 * share([...found, again], 'vessel.corePassing'))
  })

  it('an act of another catalogue says nothing', () => {
    const { entry } = scriptedJournal()
    expect(readJournal(catalogue, [entry('action', { action: 'someOtherAct' })]).mendings).toEqual([])
  })
})

describe('the cold feed shut, a tap left open', () => {
  const barsOf = (system: string, action: string) => stockCatalogues[system]!.actions.find((one) => one.id === action)!.bars
  const barred = (system: string, action: string, check: string) => {
    const one = stockCatalogues[system]!
    const entry = scriptedJournal().entry('action', { action })
    return (
      barring(
        standingActs(one, [entry]),
        one.checks.find(({ id }) => id === check)!,
      ) !== null
    )
  }

  it('stop hot water that is made as it runs, and heating behind it', () => {
    expect(barred('premix-combi', 'coldFeedShut', 'measure.tapTemperature')).toBe(true)
    expect(barred('premix-combi', 'coldFeedShut', 'try.shutColdFeed')).toBe(false)
    expect(barred('premix-combi', 'tapOpened', 'measure.heatingRise')).toBe(true)
  })

  it.each(['system-boiler', 'electric-flow', 'regular-pilot'])('leave a store to warm, and stop only what is drawn from it: %s', (system) => {
    expect(barred(system, 'coldFeedShut', 'measure.storeTemperature')).toBe(false)
    expect(barred(system, 'coldFeedShut', 'display.sequenceHotWater')).toBe(false)
    expect(barred(system, 'coldFeedShut', 'measure.drawTemperature')).toBe(true)
    expect(barsOf(system, 'tapOpened')).toBeUndefined()
    expect(barred(system, 'tapOpened', 'measure.heatingRise')).toBe(false)
  })
})
