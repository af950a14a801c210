import { describe, expect, it } from 'vitest'
import { scriptedJournal, type Entry } from '../../../casebook/index.ts'
import { causeItem, type ClosingItem, seenItem } from '../../catalogue/index.ts'
import { diagnose } from '../../diagnose.ts'
import { numberOf, outcomeOf, smallCatalogue, smallCheck, smallFault, smallRemedy, smallSignatures } from '../../tests/testCatalogue.ts'

const item = (id: string, after: ClosingItem['after'], own: Partial<ClosingItem> = {}): ClosingItem => ({
  id,
  label: `the ${id}`,
  why: `Why ${id}.`,
  after,
  ...own,
})
const yesNo = outcomeOf(['no', 'yes'], 0.02)
const catalogue = smallCatalogue({
  parts: ['fan', 'tank', 'motor'].map((id) => ({ id, label: `the ${id}` })),
  faults: [smallFault('fan'), smallFault('tank', { damages: { motor: 0.4 } }), smallFault('motor', { causeChecks: ['lookAbove'] })],
  remedies: [
    { ...smallRemedy('mend fan', ['fan'], 40, 200), access: 'caseOff', opens: ['chamber'] },
    { ...smallRemedy('mend tank', ['tank']), access: 'drained' },
    { ...smallRemedy('mend motor', ['motor']), skill: 'electrical' },
  ],
  checks: [
    smallCheck('fanTurns', yesNo, { direct: true }),
    smallCheck('wet', yesNo, { direct: true }),
    smallCheck('motorHums', yesNo, { direct: true }),
    smallCheck('gauge', numberOf({ unit: 'bar', range: [0, 4], possible: [0, 10], width: 0.1 })),
    smallCheck('lookAbove', yesNo),
    smallCheck('behindTheCase', yesNo, { access: 'caseOff' }),
  ],
  dangers: [{ id: 'fumes', label: 'Fumes', ask: '', say: ['Off.'], act: [] }],
  actions: [{ id: 'madeSafe', label: 'Made safe', makesSafe: true }],
  closing: [
    item('shown', { repair: true }),
    item('case', { opened: ['case', 'chamber'] }, { never: true }),
    item('pressure', { opened: ['water'] }, { check: 'gauge' }),
    item('flue', { opened: ['chamber'], danger: ['fumes'] }, { unsafe: 'fumes', never: true }),
    item('label', { danger: ['fumes'] }, { never: true }),
    item('treated', { found: ['tank'] }, { advice: 'told' }),
    item('come back', { mayStand: ['tank'] }, { advice: 'due' }),
    item('steady', { complained: ['cold'] }, { check: 'gauge' }),
    item('alone', { found: ['motor'] }, { unless: ['tank'] }),
  ],
})
catalogue.prior = { ...catalogue.prior, unlisted: 0.01 }
// nothing, fan, tank, motor, no demand
const signatures = smallSignatures(catalogue, {
  fanTurns: [1, 0, 1, 1, 0],
  wet: [0, 0, 1, 0, 0],
  motorHums: [1, 1, 1, 0, 1],
  gauge: [1.2, 1.2, 0.4, 1.2, 1.2],
  lookAbove: [0, 0, 1, 0, 0],
  behindTheCase: [0, 0, 0, 0, 0],
})
const { answer, measure, repair, entry } = scriptedJournal()
const think = (...entries: Entry[]) => diagnose(catalogue, signatures, entries, { rules: { growth: false } })
const owed = (...entries: Entry[]) => think(...entries).record.map((one) => one.id)
const state = (id: string, ...entries: Entry[]) => think(...entries).record.find((one) => one.id === id)?.state
const fan = () => [answer('fanTurns', 'no'), repair('mend fan')]
const tank = () => [answer('wet', 'yes'), measure('gauge', 0.4, 'bar'), repair('mend tank')]
const motor = () => [answer('motorHums', 'no'), repair('mend motor')]

describe('what must stand in the record', () => {
  it('is nothing before anything was repaired', () => {
    expect(think(answer('fanTurns', 'no')).record).toEqual([])
  })

  it('depends on what was found, opened and done', () => {
    expect(owed(...fan())).toEqual(['shown', 'case', 'flue'])
    expect(owed(...tank())).toEqual(['shown', 'pressure', 'treated'])
    // the leak that may have wetted it may still stand
    expect(owed(...motor())).toEqual(['shown', 'come back', 'alone', causeItem('motor')])
  })

  it('bars closing until it is said, is not right, or cannot be left out', () => {
    const mended = fan()
    const bars = (...entries: Entry[]) => think(...mended, ...entries).closing
    expect(bars()).toContain('the case. Why case.')
    const right = ['shown', 'case', 'flue'].map((id) => answer(id, 'right'))
    expect(bars(...right)).toEqual([])
    expect(bars(...right.slice(1), answer('shown', 'notDone', { note: 'nobody at home' }))).toEqual([])
    expect(bars(right[0]!, right[2]!, answer('case', 'notDone', { note: 'in a hurry' })).join()).toContain('cannot be left out')
    expect(bars(right[0]!, right[2]!, answer('case', 'notRight'))).toEqual(['the case: not right. Put it right and look again.'])
    expect(bars(right[0]!, right[2]!, answer('case', 'notRight'), answer('case', 'right'))).toEqual([])
  })

  it('what is dangerous where it is not right stops everything, and stays owed once it was made safe', () => {
    const unsafe = [...fan(), answer('flue', 'notRight')]
    const stopped = think(...unsafe)
    expect(stopped.stop).toMatchObject({ danger: 'fumes', because: 'the flue: not right' })
    expect(stopped.closing).toEqual(['Fumes: make safe first.'])
    const after = think(...unsafe, entry('action', { action: 'madeSafe' }))
    expect(after.stop).toBeNull()
    expect(after.record.filter((one) => ['flue', 'label'].includes(one.id)).map((one) => one.state)).toEqual(['open', 'open'])
  })

  it('a reading settles it where it is what a sound one gives; a word does too, and what was read before the repair does not', () => {
    expect(state('pressure', ...tank())).toBe('open')
    expect(state('pressure', ...tank(), measure('gauge', 1.25, 'bar'))).toBe('right')
    expect(state('pressure', ...tank(), measure('gauge', 0.3, 'bar'))).toBe('notRight')
    expect(state('pressure', ...tank(), answer('gauge', 'tooHigh'))).toBe('notRight')
    expect(state('pressure', ...tank(), answer('gauge', 'right'))).toBe('right')
    expect(state('pressure', ...tank(), measure('gauge', 0.3, 'bar'), measure('gauge', 1.2, 'bar'))).toBe('right')
  })

  it('is owed again when it was opened again', () => {
    const closed = [...fan(), answer('case', 'right')]
    expect(state('case', ...closed)).toBe('right')
    expect(state('case', ...closed, answer('behindTheCase', 'no'))).toBe('open')
  })

  it('advice is given or declined, and both are in the result', () => {
    const mended = tank()
    const told = entry('advice', { what: 'Have the water treated', answer: 'declined', about: 'treated' })
    expect(state('treated', ...mended, told)).toBe('declined')
    expect(think(...mended, told).advised).toEqual([{ entry: told.id, about: 'treated', what: 'Have the water treated', answer: 'declined', due: null }])
  })

  it('what may remain has a day to come back on', () => {
    const vain = [...tank(), answer('wet', 'yes')]
    expect(state('come back', ...vain)).toBe('open')
    expect(state('come back', ...vain, entry('advice', { what: 'Look again', answer: 'given', due: '2026-04-01' }))).toBe('given')
  })

  it('the cause of what seldom arises alone is found, looked for, or left with a reason', () => {
    const cause = causeItem('motor')
    expect(state(cause, ...motor())).toBe('open')
    expect(state(cause, ...motor(), answer('lookAbove', 'no'))).toBeUndefined()
    expect(state(cause, ...motor(), answer(cause, 'notDone', { note: 'nothing above it' }))).toBe('notDone')
    // the leak above it was mended too
    const both = owed(...tank(), ...motor())
    expect(both).not.toContain(cause)
    expect(both).not.toContain('alone')
  })

  it('what was found by the way and not mended is told the customer', () => {
    const seen = entry('finding', { what: 'rust on the case', explainsComplaint: false })
    const about = seenItem(seen.id)
    expect(state(about, seen, ...fan())).toBe('open')
    expect(state(about, seen, ...fan(), entry('advice', { what: 'Rust', answer: 'given', about }))).toBe('given')
    const leak = entry('finding', { what: 'a drip', fault: 'tank', explainsComplaint: false })
    expect(owed(leak, ...fan())).toContain(seenItem(leak.id))
    expect(owed(leak, ...fan(), ...tank())).not.toContain(seenItem(leak.id))
  })

  it('asks what proves the complaint once something was repaired, and again after the next repair', () => {
    const complaint = entry('complaint', { what: 'cold' })
    expect(owed(complaint, answer('fanTurns', 'no'))).not.toContain('steady')
    expect(owed(entry('complaint', { what: 'other' }), ...fan())).not.toContain('steady')
    const told = [complaint, ...fan(), measure('gauge', 1.2, 'bar')]
    expect([state('steady', complaint, ...fan()), state('steady', ...told)]).toEqual(['open', 'right'])
    expect(state('steady', ...told, repair('mend fan'))).toBe('open')
  })
})
