import { scriptedJournal } from '@dewpoint/core/casebook'
import { allRules, diagnose, weighing, weighJournal } from '@dewpoint/core/diagnosis'
import { explaining, folded } from '@dewpoint/core/diagnosis/belief'
import { describe, expect, it } from 'vitest'
import { stockCatalogues } from '../../index.ts'
import { loadSignatures } from '../../shipped.ts'

/** Every complaint that may be rung about on a combination and on an electric boiler, danger apart. */
const complaints = ['premix-combi', 'electric-flow'].flatMap((system) =>
  stockCatalogues[system]!.complaints.filter((one) => !one.danger).map((one) => [system, one.id] as const),
)

describe('the complaint has to be explained', () => {
  it.each(complaints)('%s, %s: what explains it stands thirty times as high beside what does not as it would without that', (system, what) => {
    const catalogue = stockCatalogues[system]!
    const { complain } = scriptedJournal()
    const signatures = loadSignatures(catalogue)
    const odds = (rules: Partial<typeof allRules>) => {
      const { journal, belief } = weighJournal(catalogue, signatures, [complain(what)], undefined, { ...allRules, ...rules })
      const explains = explaining(catalogue, signatures, journal)
      let [its, other] = [0, 0]
      catalogue.faults.forEach((_fault, index) => {
        if (explains?.([index]).length) its += belief.posterior[index + 1]!
        else other += belief.posterior[index + 1]!
      })
      return its / other
    }
    const [now, without] = [odds({}), odds({ complaint: false })]
    // of a complaint nothing in the catalogue brings about, and of one everything does, nothing can be said
    if (without > 0 && Number.isFinite(now)) expect(now / without).toBeGreaterThan(20)
  })

  it('what explains nothing keeps a thirtieth of what it would have; nothing wrong and an unlisted cause keep theirs', () => {
    const catalogue = stockCatalogues['premix-combi']!
    const signatures = loadSignatures(catalogue)
    const { complain } = scriptedJournal()
    const odds = (rules: typeof allRules, fault: string) => {
      const { belief } = weighJournal(catalogue, signatures, [complain('noHotWater')], undefined, rules)
      return belief.posterior[catalogue.faults.findIndex((one) => one.id === fault) + 1]! / belief.posterior[0]!
    }
    const without = { ...allRules, complaint: false }
    expect(odds(allRules, 'radiators.shut') / odds(without, 'radiators.shut')).toBeCloseTo(1 / 30, 6)
    expect(odds(allRules, 'turbine.stuck') / odds(without, 'turbine.stuck')).toBeCloseTo(1, 9)
  })

  it('a second fault nothing speaks for is left out of what is shown, and stays in what may stand', () => {
    const catalogue = stockCatalogues['premix-combi']!
    const { complain, measure, answer } = scriptedJournal()
    const entries = [complain('noHotWater'), answer('ask.heating', 'fine'), measure('measure.hallPulses', 0, 'Hz')]
    const signatures = loadSignatures(catalogue)
    const shown = diagnose(catalogue, signatures, entries)
    const whole = diagnose(catalogue, signatures, entries, { rules: { folded: false } })
    expect(shown.several!.probability).toBeLessThan(whole.several!.probability / 2)
    expect(shown.faults).toEqual(whole.faults)
    expect(shown.suspects[0]!.probability).toBeGreaterThan(whole.suspects[0]!.probability)
  })
})

describe('checks worth offering', () => {
  it.each(complaints)('%s, %s: each of the first four parts the suspects that hold four fifths of what explains it', (system, what) => {
    const catalogue = stockCatalogues[system]!
    const signatures = loadSignatures(catalogue)
    const { complain } = scriptedJournal()
    const entries = [complain(what)]
    const weighed = weighJournal(catalogue, signatures, entries)
    const belief = folded(catalogue, weighed.signatures, weighed.journal, weighed.belief)
    const explains = explaining(catalogue, weighed.signatures, weighed.journal)
    if (!explains) return
    const { groups, bitsAmong } = weighing(catalogue, weighed.signatures, belief)
    const able = [...groups.entries()]
      .filter(([, { kind, row }]) => kind === 'faults' && explains(weighed.signatures.sets[row]!).length > 0)
      .sort(([, a], [, b]) => b.mass - a.mass)
    const whole = able.reduce((sum, [, one]) => sum + one.mass, 0)
    const leaders: number[] = []
    let held = 0
    for (const [index, { mass, remedies }] of able) {
      if (held >= 0.8 * whole && leaders.length > 1) break
      held += mass
      // what calls for the same and more is not another suspect
      if (!leaders.some((one) => groups[one]!.remedies.every((id) => remedies.includes(id)))) leaders.push(index)
    }
    if (leaders.length < 2) return
    const { next } = diagnose(catalogue, signatures, entries)
    expect(next.length).toBeGreaterThan(0)
    for (const { check: id } of next.slice(0, 4)) {
      const check = catalogue.checks.find((one) => one.id === id)!
      expect(bitsAmong(check, leaders), `${what}: ${id}`).toBeGreaterThanOrEqual(0.05)
    }
  })
})
