import { describe, expect, it } from 'vitest'
import { scriptedJournal, type Entry } from '../../../casebook/index.ts'
import { demandsOf, runOf, type Catalogue } from '../../catalogue/index.ts'
import { readJournal } from '../../evidence/index.ts'
import type { Signatures } from '../../signatures/index.ts'
import { outcomeOf, smallCatalogue, smallCheck } from '../../tests/testCatalogue.ts'
import { healthyOutcome, proofsOf } from './proofs.ts'

const catalogue: Catalogue = smallCatalogue({
  faults: [{ id: 'pump', part: 'pump', label: '', kind: 'failure', patch: {}, per1000: 1, remedies: ['mend'] }],
  remedies: [
    {
      id: 'mend',
      label: '',
      mends: ['pump'],
      works: 0.9,
      minutes: 10,
      partsCost: 0,
      parts: [],
      seals: [],
      access: 'none',
      skill: 'anyone',
      steps: [],
      cautions: [],
    },
  ],
  checks: [
    smallCheck('runHeating', outcomeOf(['stops', 'complete']), { runsThrough: 'heating' }),
    smallCheck('runHotWater', outcomeOf(['stops', 'complete']), { runsThrough: 'hotWater' }),
    smallCheck('askHeating', outcomeOf(['none', 'fine']), { kind: 'ask', settledBy: ['runHeating'] }),
    smallCheck('askNoise', { kind: 'cue', without: 0.1 }, { kind: 'ask' }),
    smallCheck('askWeeks', { kind: 'cue', without: 0.1 }, { kind: 'ask', before: true }),
  ],
  complaints: [
    { id: 'cold', label: 'Cold', evidence: [{ check: 'askHeating', outcome: 'none' }] },
    { id: 'noisy', label: 'Noisy', evidence: [{ check: 'askNoise', outcome: 'yes' }] },
    { id: 'drips', label: 'Drips', evidence: [{ check: 'askWeeks', outcome: 'yes' }] },
    { id: 'warmWithTap', label: 'Warm', with: 'hotWater', evidence: [{ check: 'askNoise', outcome: 'yes' }] },
  ],
})
/** the nominal plant runs both through and heats */
const signatures = { checks: ['runHeating', 'runHotWater', 'askHeating'], values: Float32Array.of(1, 1, 1) } as Signatures
const { complain, answer, repair } = scriptedJournal()
const proofs = (...entries: Entry[]) => proofsOf(catalogue, signatures, readJournal(catalogue, entries))
const passed = (...entries: Entry[]) => Object.fromEntries(proofs(...entries).map((one) => [one.check, one.passed]))

describe('proofs of a repair', () => {
  it('are every demand run through, and what was complained of where no run settles it', () => {
    expect(proofs(complain('cold'), complain('noisy'), complain('drips')).map((one) => [one.check, one.demand])).toEqual([
      ['runHeating', 'heating'],
      ['runHotWater', 'hotWater'],
      ['askNoise', null],
    ])
  })

  it('nothing said before the repair proves it', () => {
    expect(passed(complain('cold'), answer('runHeating', 'complete'), repair('mend'))).toEqual({ runHeating: null, runHotWater: null })
  })

  it('is passed by what a sound boiler gives and by nothing else; the last word counts', () => {
    const after = (...said: [check: string, outcome: string][]) =>
      passed(complain('noisy'), repair('mend'), ...said.map(([check, outcome]) => answer(check, outcome)))
    expect(after(['runHeating', 'complete'])).toMatchObject({ runHeating: true })
    expect(after(['runHeating', 'stops'])).toMatchObject({ runHeating: false })
    expect(after(['runHeating', 'notReached'])).toMatchObject({ runHeating: false })
    expect(after(['askNoise', 'yes'])).toMatchObject({ askNoise: false })
    expect(after(['askNoise', 'no'])).toMatchObject({ askNoise: true })
    expect(after(['runHeating', 'stops'], ['runHeating', 'complete'])).toMatchObject({ runHeating: true })
    expect(after(['runHeating', 'complete'], ['runHeating', 'stops'])).toMatchObject({ runHeating: false })
  })

  it('name the entry that said so', () => {
    const journal = [repair('mend'), answer('runHeating', 'complete')]
    const run = journal[1]!
    expect(proofs(...journal)[0]).toMatchObject({ entry: run.id, passed: true })
  })

  it('a second repair asks for them again', () => {
    expect(passed(repair('mend'), answer('runHeating', 'complete'), repair('mend'))).toMatchObject({ runHeating: null })
  })

  it('a sound boiler shows no sign of anything', () => {
    expect(catalogue.checks.map((check) => healthyOutcome(signatures, check))).toEqual(['complete', 'complete', 'fine', 'no', 'no'])
  })
})

describe('which demand a complaint is about', () => {
  it('is that of the runs which settle it, or the one it shows with', () => {
    expect(['cold', 'noisy', 'warmWithTap', 'nobody knows'].map((what) => demandsOf(catalogue, what))).toEqual([['heating'], [], ['hotWater'], []])
    expect([runOf(catalogue, 'heating')?.id, runOf(smallCatalogue(), 'heating')]).toEqual(['runHeating', undefined])
  })
})
