import { scriptedJournal, type Entry } from '@dewpoint/core/casebook'
import { diagnose, likeliestPairs, nextProbes, probing, suspectsNow, weighJournal, payloadOf, type Experience, type ProbeSpec } from '@dewpoint/core/diagnosis'
import { describe, expect, it } from 'vitest'
import { catalogueFor } from '../../index.ts'
import { loadSignatures } from '../../shipped.ts'

const catalogue = catalogueFor('system-boiler', 'two-valves')!
const signatures = loadSignatures(catalogue)
const calling = { programmed: { heating: true, hotWater: true }, cold: { hotWater: true } }
const volts = (over: string): ProbeSpec => ({ kind: 'volts', over, under: 'supply.N', meter: 'tester', asked: calling })
const { entry, complain, answer, repair } = scriptedJournal()
const read = (spec: ProbeSpec, value: number) => entry('reading', { check: 'probe.volts', value, unit: 'V', ...payloadOf(spec) })

/** A firm that has mended one fault over and over. */
const often = (fault: string): Experience => ({ cases: 200, proven: { [fault]: 120 } })

describe('one belief', () => {
  const journal = () => [complain('noStoredHotWater'), answer('ask.heating', 'fine')]

  it('a probe expects of each suspect what the suspects say they hold, the firm’s own cases included', () => {
    for (const experience of [undefined, often('hotWaterValve.motorDead'), often('cylinderStat.doesNotClose')]) {
      const entries = journal()
      const { suspects } = diagnose(catalogue, signatures, entries, { experience })
      const { expected } = probing(catalogue, signatures, entries, volts('hotWaterValve.motor'), experience)
      const share = new Map(suspects.map((one) => [one.key, one.probability]))
      expect(expected.length).toBeGreaterThan(3)
      for (const one of expected) expect(one.probability).toBe(share.get(one.suspect))
      expect(expected[0]!.suspect).toBe(suspects[0]!.key)
    }
  })

  it('the suspects told first are those of the whole answer, and none are told while something dangerous stands', () => {
    for (const experience of [undefined, often('hotWaterValve.motorDead')]) {
      const entries = journal()
      const { suspects, several } = diagnose(catalogue, signatures, entries, { experience })
      expect(suspectsNow(catalogue, { ...signatures }, entries, { experience })).toEqual({ suspects, several })
    }
    const smelled = [...journal(), entry('said', { words: 'There is a smell of gas.' })]
    expect(diagnose(catalogue, signatures, smelled).stop).not.toBeNull()
    expect(suspectsNow(catalogue, signatures, smelled)).toBeNull()
  })

  it('the firm’s own cases move what is worth probing, and which pairs are worth simulating', () => {
    const entries = journal()
    const bits = (experience?: Experience) =>
      Object.fromEntries(nextProbes(catalogue, signatures, entries, 'hotWater', 'telling', calling, experience).map((one) => [one.spec.over, one.bits]))
    expect(bits(often('cylinderStat.doesNotClose'))).not.toEqual(bits())
    const sets = (experience: Experience) => likeliestPairs(catalogue, signatures, entries, new Set(), 12, experience)
    const fault = catalogue.faults.findIndex((one) => one.id === 'cylinderStat.doesNotClose')
    const pairs: [number, number][] = []
    for (let a = 0; a < catalogue.faults.length; a++) for (let b = a + 1; b < catalogue.faults.length; b++) pairs.push([a, b])
    // with a firm that meets one fault nearly always, every pair worth the while has it
    for (const pair of sets({ cases: 200, proven: { 'cylinderStat.doesNotClose': 20_000 } })) expect(pairs[pair]).toContain(fault)
  })

  it('is made anew for another journal, though its entries bear the same names', () => {
    const first = weighJournal(catalogue, signatures, [{ ...complain('noHeating'), id: '01934a00-0000-7000-8000-00000000aaaa' } as Entry])
    const second = weighJournal(catalogue, signatures, [{ ...complain('noStoredHotWater'), id: '01934a00-0000-7000-8000-00000000aaaa' } as Entry])
    expect(second.belief).not.toBe(first.belief)
    expect([...second.belief.posterior]).not.toEqual([...first.belief.posterior])
    // and kept for the very same
    const again = journal()
    expect(weighJournal(catalogue, signatures, again)).toBe(weighJournal(catalogue, signatures, structuredClone(again)))
    expect(weighJournal(catalogue, signatures, again, often('hotWaterValve.motorDead'))).not.toBe(weighJournal(catalogue, signatures, again))
  })
})

describe('a terminal that was read', () => {
  const over = 'boiler.demand'
  const offered = (...entries: Entry[]) => nextProbes(catalogue, signatures, entries, 'hotWater', 'backward', calling).map((one) => one.spec.over)
  const before = () => [complain('noStoredHotWater'), answer('ask.heating', 'fine')]

  it('is not offered again, until something was repaired', () => {
    expect(offered(...before())).toContain(over)
    const known = [...before(), read(volts(over), 0)]
    expect(offered(...known)).not.toContain(over)
    const remedy = catalogue.faults.find((one) => one.id === 'hotWaterValve.motorDead')!.remedies[0]!
    expect(offered(...known, repair(remedy))).toContain(over)
    const after = [...known, repair(remedy)]
    expect(offered(...after, read(volts(over), 230))).not.toContain(over)
  })
})
