import { scriptedJournal } from '@dewpoint/core/casebook'
import { diagnose, figuresAt } from '@dewpoint/core/diagnosis'
import { describe, expect, it } from 'vitest'
import { premixCombiCatalogue as catalogue } from '../../index.ts'
import { loadSignatures } from '../../shipped.ts'

const signatures = loadSignatures(catalogue)
const plate = ['measure.platePrimaryIn', 'measure.platePrimaryOut']

describe('figures at points of a boiler', () => {
  it('a sound plate takes in about 81 °C and gives back about 45 °C (common practice), and one blocked is nearly a plain pipe', () => {
    const journal = scriptedJournal()
    const told = [journal.entry('complaint', { what: 'hotColdHot' }), journal.entry('finding', { what: 'blocked', fault: 'plate.heatingSideBlocked' })]
    const [into, out] = figuresAt(catalogue, signatures, told, plate)
    const middle = ({ sound }: NonNullable<typeof into>) => (sound!.low! + sound!.high!) / 2
    expect(Math.abs(middle(into!) - 81)).toBeLessThan(12)
    expect(Math.abs(middle(out!) - 45)).toBeLessThan(8)
    const blocked = (one: NonNullable<typeof into>) => one.suspects[0]!.reading!.typical
    expect(into!.suspects[0]!.suspect).toContain('plate.heatingSideBlocked')
    expect(blocked(into!) - blocked(out!)).toBeLessThan((middle(into!) - middle(out!)) / 2)
  })

  it('are those of the pad for the same check', () => {
    const journal = scriptedJournal()
    const told = [journal.entry('complaint', { what: 'hotColdHot' })]
    const pad = diagnose(catalogue, signatures, told, { also: plate }).next.find((one) => one.check === plate[1])!
    for (const one of figuresAt(catalogue, signatures, told, [plate[1]!])[0]!.suspects)
      expect(one.reading).toEqual(pad.expected.find(({ suspect }) => suspect === one.suspect)?.reading ?? one.reading)
    const shared = figuresAt(catalogue, signatures, told, [plate[1]!])[0]!.suspects.filter((one) => pad.expected.some(({ suspect }) => suspect === one.suspect))
    expect(shared.length).toBeGreaterThan(0)
  })

  it('leaves out what is no figure or not known', () => {
    expect(figuresAt(catalogue, signatures, [], ['ask.heating', 'measure.nothing'])).toEqual([])
  })
})
