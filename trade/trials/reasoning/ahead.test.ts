import { byName, newEntry, scriptedJournal, type Entry } from '@dewpoint/core/casebook'
import { diagnose, outcomesAhead } from '@dewpoint/core/diagnosis'
import { describe, expect, it } from 'vitest'
import { premixCombiCatalogue as catalogue } from '../../index.ts'
import { loadSignatures } from '../../shipped.ts'

const signatures = loadSignatures(catalogue)
const checkOf = (id: string) => catalogue.checks.find((one) => one.id === id)!
const { complain, answer, measure } = scriptedJournal()
const journal = [complain('noHotWater'), answer('ask.heating', 'fine')]
const now = Date.parse(journal.at(-1)!.at) + 60_000
const ahead = (id: string, entries: readonly Entry[] = journal) => outcomesAhead(catalogue, signatures, entries, checkOf(id), now)

describe('before anybody asks (the belief itself, answer by answer)', () => {
  it.each(['ask.whine', 'look.gaugeCold', 'display.statusTapOpen', 'ask.topUps', 'listen.turbine'])('%s: chances of its answers sum to one', (id) => {
    const answers = ahead(id)
    if (checkOf(id).result.kind === 'number') expect(answers).toEqual([])
    else expect(answers.reduce((sum, one) => sum + one.probability, 0)).toBeCloseTo(1, 9)
  })

  it.each(['ask.whine', 'display.statusTapOpen', 'listen.turbine'])('%s: what the suspects would become is what they become', (id) => {
    for (const { outcome, suspects } of ahead(id)) {
      const written = newEntry(
        'reading',
        { check: id, outcome, sureness: 'sure' },
        { id: '01934a00-0000-7000-8000-0000000000aa', now, author: byName('x'), seen: journal },
      )
      const after = diagnose(catalogue, signatures, [...journal, written])
      for (const { key, probability } of suspects.slice(0, 3)) {
        const became = after.suspects.find((one) => one.key === key)
        expect(became?.probability, `${outcome} ${key}`).toBeCloseTo(probability, 6)
      }
    }
  })

  it('a suspect is on average as likely after the answer as before it (law of total probability), within what the caps of a reading give away', () => {
    const before = new Map(diagnose(catalogue, signatures, journal).suspects.map((one) => [one.key, one.probability]))
    const answers = ahead('display.statusTapOpen')
    for (const key of ['turbine.stuck', 'hallSensor.dead'].filter((one) => before.has(one))) {
      const mean = answers.reduce((sum, one) => sum + one.probability * (one.suspects.find((other) => other.key === key)?.probability ?? 0), 0)
      expect(Math.abs(mean - before.get(key)!)).toBeLessThan(0.1)
    }
  })
})

describe('what tells most about this complaint', () => {
  const asked = (...entries: Entry[]) => {
    const { telling } = diagnose(catalogue, signatures, entries)
    return Object.keys(telling)
      .filter((id) => checkOf(id).kind === 'ask')
      .sort((a, b) => telling[b]! - telling[a]!)
  }

  it('no hot water: whether the heating is fine comes before anything about pressure (common practice)', () => {
    const first = asked(complain('noHotWater')).slice(0, 3)
    expect(first).toContain('ask.heating')
  })

  it('pressure lost: what is asked is about water, and not about noises', () => {
    const first = asked(complain('topUps'))
    expect(first.length).toBeGreaterThan(0)
    expect(first.slice(0, 3)).not.toContain('ask.whine')
  })

  it('what was asked is not asked again', () => {
    expect(asked(...journal)).not.toContain('ask.heating')
  })
})

describe('how long a visit takes', () => {
  it('is longer where the likely repair is longer, and says what makes it long', () => {
    const visit = (what: string) => diagnose(catalogue, signatures, [complain(what)]).onSite!
    const thermostat = visit('noHeating')
    for (const one of [thermostat, visit('hotColdHot'), visit('noHotWater')]) {
      expect(one.low).toBeLessThan(one.typical)
      expect(one.typical).toBeLessThan(one.high)
      expect(one.hill.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 2)
    }
    expect(visit('hotColdHot').typical).toBeGreaterThan(thermostat.typical)
    expect(visit('noHotWater').long!.minutes).toBeGreaterThan(visit('noHotWater').typical)
  })

  it('is shorter once it is known what is wrong', () => {
    const before = diagnose(catalogue, signatures, [complain('noHotWater')]).onSite!
    const known = [...journal, answer('display.statusTapOpen', 'keepWarm'), measure('measure.hallPulses', 0, 'Hz')]
    const after = diagnose(catalogue, signatures, known).onSite!
    expect(after.typical).toBeLessThan(before.typical)
    expect(after.high - after.low).toBeLessThan(before.high - before.low)
  })
})
