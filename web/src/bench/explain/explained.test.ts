import { combined, patched } from '@dewpoint/core/diagnosis'
import { simulate } from '@dewpoint/core/plant'
import { nominal } from '@dewpoint/core/system'
import { catalogues } from '@dewpoint/trade'
import { describe, expect, it } from 'vitest'
import { outcomeOf, partOf, runFor, stepsAt, type Wish } from './explained.ts'

const catalogue = catalogues['premix-combi']!
const run = (wish: Wish, fault?: string) => {
  const { id: _id, label: _label, ...script } = runFor(catalogue, wish)!
  const chosen = catalogue.faults.find(({ id }) => id === fault)
  return simulate(catalogue.system, combined(nominal(catalogue.system), chosen ? [patched(chosen, 0.8)] : []), { ...script, every: 1 })
}

describe('what the customer is told of a run', () => {
  it('healthy: every step is done by the end, none at the beginning', () => {
    const timeline = run('hotWater')
    expect(stepsAt(catalogue, timeline, 'hotWater', 330).every(({ state }) => state === 'done')).toBe(true)
    expect(stepsAt(catalogue, timeline, 'hotWater', 0).every(({ state }) => state === 'ahead')).toBe(true)
  })

  it('with a seized fan it stops where the fan is waited for, and the tap stays cold', () => {
    const faulty = run('hotWater', 'fan.seized')
    const stuck = stepsAt(catalogue, faulty, 'hotWater', 300).filter(({ state }) => state === 'stuck')
    expect(stuck.map(({ id }) => id)).toEqual(['airProved'])
    expect(outcomeOf(catalogue, run('hotWater'), faulty, 'hotWater')).toMatch(
      /^So the water at the tap only gets to 1\d °C, where it should be 4\d °C\. The boiler switches itself off/,
    )
    expect(
      partOf(
        catalogue,
        catalogue.faults.find(({ id }) => id === 'fan.seized')!,
      ),
    ).toEqual({ label: 'Fan', is: expect.stringContaining('blows air') })
  })

  it('every boiler has a run for each thing it does', () => {
    for (const one of Object.values(catalogues)) {
      expect(runFor(one, 'heating'), one.system.id).toBeDefined()
      if (one.system.sequence.hotWater) expect(runFor(one, 'hotWater'), one.system.id).toBeDefined()
    }
  })
})
